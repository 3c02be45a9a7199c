import { spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { createServer } from 'node:net';
import { setTimeout as pause } from 'node:timers/promises';
import { createConnection, type RowDataPacket } from 'mysql2/promise';

const env = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set: run the tests of the interface by "npm test -- e2e".`);
  return value;
};

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });

/** What the server ends with to have another bakery opened in its place. */
const otherBakeryCode = 75;

/** A Jokul of its own: real server, own database with the demo bakery. It can be killed and started again. */
export class Jokul {
  private process: ChildProcess | undefined;
  /** Which bakery is open: each has a database of its own, as the start command has folders. */
  private open = 'demo';
  private wanted: string | null = null;
  /** What one's own are called, as they said. */
  private readonly names = new Map<string, string>();

  private constructor(
    readonly port: number,
    private readonly database: string,
    private readonly others: boolean,
  ) {}

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** @param others whether it stands in for the start command, which opens another bakery when the server asks for it */
  static async start(others = false): Promise<Jokul> {
    const database = `jokul_e2e_${randomUUID().replaceAll('-', '').slice(0, 12)}`;
    const connection = await createConnection({
      host: '127.0.0.1',
      port: Number(env('JOKUL_DB_PORT')),
      user: env('JOKUL_DB_USER'),
      password: env('JOKUL_DB_PASSWORD'),
    });
    await connection.query(`CREATE DATABASE ${database} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
    // A copy of the demo that was seeded once for all tests.
    const template = env('JOKUL_DEMO_TEMPLATE');
    const [tables] = await connection.query<RowDataPacket[]>(`SHOW TABLES FROM ${template}`);
    for (const table of tables.flatMap((row) => Object.values(row) as string[])) {
      await connection.query(`CREATE TABLE ${database}.${table} LIKE ${template}.${table}`);
      await connection.query(`INSERT INTO ${database}.${table} SELECT * FROM ${template}.${table}`);
    }
    if (others)
      for (const own of ['own', 'own-2'])
        await connection.query(
          `CREATE DATABASE \`${database}_${own}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`,
        );
    await connection.end();
    const jokul = new Jokul(await freePort(), database, others);
    await jokul.run();
    await jokul.readLots('2026-11-27');
    return jokul;
  }

  private readonly lots = new Map<string, string>();

  /** Learns the names of a day's lots, as its plan has them. */
  async readLots(date: string): Promise<void> {
    const day = await this.api<{
      plan: { plan: { batches: readonly { batchId: string; productCode: string }[] } } | null;
    }>('GET', `days/${date}`);
    for (const { batchId, productCode } of day.plan?.plan.batches ?? []) this.lots.set(productCode, batchId);
  }

  /** The planned lot of a product. */
  lot(productCode: string): string {
    const found = this.lots.get(productCode);
    if (!found) throw new Error(`No lot of ${productCode} is planned.`);
    return found;
  }

  /** Starts the server on the same port and database, and waits until it answers. */
  async run(): Promise<void> {
    this.process = spawn(process.execPath, [env('JOKUL_SERVER')], {
      env: {
        ...process.env,
        JOKUL_PORT: String(this.port),
        JOKUL_DB_NAME: this.open === 'demo' ? this.database : `${this.database}_${this.open}`,
        ...(this.others && {
          JOKUL_OTHER_CODE: String(otherBakeryCode),
          JOKUL_BAKERY: this.open,
          JOKUL_OWN_BAKERIES: JSON.stringify([...this.names].map(([id, name]) => ({ id, name }))),
        }),
        ...(this.open !== 'demo' && { JOKUL_SEED: 'own' }),
      },
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    });
    this.process.on('message', (said: { readonly open?: string; readonly name?: string }) => {
      if (said.open !== undefined) this.wanted = said.open;
      if (said.name !== undefined) this.names.set(this.open, said.name);
    });
    this.process.once('exit', (code) => {
      if (code !== otherBakeryCode) return;
      this.open = this.wanted ?? 'demo';
      void this.run();
    });
    for (let i = 0; i < 400; i++) {
      const ok = await fetch(`${this.url}/api/health`).then(
        (response) => response.ok,
        () => false,
      );
      if (ok) return;
      await pause(100);
    }
    throw new Error('The server did not become ready.');
  }

  /** Ends the server at once, in the middle of whatever it does. */
  async kill(signal: NodeJS.Signals = 'SIGKILL'): Promise<void> {
    const running = this.process;
    if (!running || running.exitCode !== null || running.signalCode !== null) return;
    await new Promise((resolve) => {
      running.once('exit', resolve);
      running.kill(signal);
    });
  }

  stop(): Promise<void> {
    return this.kill('SIGTERM');
  }

  async api<T>(method: string, path: string, body?: unknown): Promise<T> {
    const response = await fetch(`${this.url}/api/${path}`, {
      method,
      ...(body !== undefined && {
        body: JSON.stringify(body),
        headers: { 'content-type': 'application/json' },
      }),
    });
    return (await response.json()) as T;
  }

  /** Puts the bakery's clock to a time of the demo Friday. */
  setClock(time: string, mode: 'frozen' | 'running' = 'frozen'): Promise<unknown> {
    return this.api('PUT', 'clock', { mode, date: '2026-11-27', time });
  }
}
