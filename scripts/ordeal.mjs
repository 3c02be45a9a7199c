import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, chmodSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { createConnection } from 'mysql2/promise';
import { ensureBuild, ensureDependencies } from './lib/build.mjs';
import { startMariadb } from './lib/mariadb.mjs';
import { freePort } from './lib/port.mjs';
import { orSay, say } from './lib/say.mjs';
import { serverEnv, spawnServer, stopServer, untilReady } from './lib/server.mjs';

/*
 * npm run ordeal: three devices write without a pause, each keeping what was not confirmed, while the server and its
 * database are killed again and again. What was confirmed must be there once, in its place; what was not must arrive once.
 * In a folder of its own; it ends by itself. -- --server 1000 --database 200 is the long form, -- --short takes seconds.
 */
const given = (name, usual) => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? usual : Number(process.argv[at + 1]);
};
const short = process.argv.includes('--short');
const wanted = { server: given('server', short ? 4 : 100), database: given('database', short ? 1 : 20) };

const random = (from, to) => from + Math.random() * (to - from);
const entry = (device) => ({
  id: randomUUID(),
  atMs: Date.now(),
  who: 'Oven hand',
  device,
  lot: `ORDEAL-${Math.floor(random(0, 40))}`,
  kind: 'note',
  payload: { text: `written on ${device}` },
});

/** A tablet: it writes, is away for a while now and then, and sends again whatever was not confirmed. */
const device = async (name, url, seen, isOver) => {
  const outbox = [];
  while (!isOver() || outbox.length > 0) {
    if (!isOver()) for (let i = 0; i < Math.ceil(random(0, 3)); i++) outbox.push(entry(name));
    for (const { id } of outbox) seen.sent.add(id);
    // Without the network for a moment: what it writes waits.
    if (!isOver() && Math.random() < 0.01) {
      await pause(random(200, 1500));
      continue;
    }
    const entries = outbox.slice(0, 50);
    if (entries.length === 0) continue;
    try {
      const answer = await fetch(`${url}/journal`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ entries }),
        signal: AbortSignal.timeout(10_000),
      });
      if (answer.status === 201) {
        for (const { id, seq } of (await answer.json()).stored) {
          const before = seen.confirmed.get(id);
          if (before !== undefined && before !== seq) seen.moved += 1;
          seen.confirmed.set(id, seq);
        }
        outbox.splice(0, entries.length);
        continue;
      }
      const body = await answer.text();
      // 503 says to try again: the database is away. Any other 5xx is a fault.
      if (answer.status >= 500 && answer.status !== 503) {
        seen.faults += 1;
        say(`  a fault: ${answer.status} ${body.slice(0, 200)}`);
      }
      if (answer.status < 500) throw new Error(`refused: ${answer.status} ${body.slice(0, 200)}`);
    } catch (error) {
      if (error.message.startsWith('refused')) throw error;
    }
    await pause(random(30, 200));
  }
};

await orSay(async () => {
  await ensureDependencies();
  await ensureBuild();
  const home = mkdtempSync(join(tmpdir(), 'jokul-ordeal-'));
  chmodSync(home, 0o711);
  const dir = join(home, 'db');
  const startedMs = Date.now();
  let db = await startMariadb(dir);
  const port = await freePort();
  const url = `http://127.0.0.1:${port}/api`;
  const start = async () => {
    const child = spawnServer(serverEnv(db, { port, JOKUL_SEED: 'own' }), 'ignore');
    if (!(await untilReady(port, child))) throw new Error('The server did not come back.');
    return child;
  };
  let server = await start();
  const seen = { sent: new Set(), confirmed: new Map(), faults: 0, moved: 0 };
  const killed = { server: 0, database: 0 };
  let over = false;
  const gone = (child) => new Promise((resolve) => child.once('exit', resolve));
  try {
    const devices = ['tablet', 'phone', 'wall'].map((name) => device(name, url, seen, () => over));
    while (killed.server < wanted.server || killed.database < wanted.database) {
      await pause(random(100, 1200));
      const left = wanted.server - killed.server + wanted.database - killed.database;
      const isDatabase = Math.random() * left < wanted.database - killed.database;
      if (isDatabase) {
        process.kill(Number(readFileSync(join(dir, 'mariadb.pid'), 'utf8')), 'SIGKILL');
        killed.database += 1;
        // Half of the time the server goes with it, as when the power fails.
        const both = Math.random() < 0.5;
        const ended = gone(server);
        if (both) server.kill('SIGKILL');
        if (both) await ended;
        const before = db.port;
        await pause(200);
        db = await startMariadb(dir);
        if (both) server = await start();
        else if (db.port !== before) {
          await stopServer(server);
          server = await start();
        }
      } else {
        const ended = gone(server);
        server.kill('SIGKILL');
        killed.server += 1;
        await ended;
        server = await start();
      }
      const all = killed.server + killed.database;
      if (all % 50 === 0)
        say(`  ${killed.server} kills of the server, ${killed.database} of the database ...`);
    }
    over = true;
    await Promise.all(devices);
    const connection = await createConnection({
      host: '127.0.0.1',
      port: db.port,
      user: db.user,
      password: db.password,
      database: 'jokul',
    });
    const [rows] = await connection.query('SELECT id, seq FROM journal_entry ORDER BY seq');
    await connection.end();
    const stored = new Map(rows.map(({ id, seq }) => [id, Number(seq)]));
    const lost = [...seen.confirmed].filter(([id, seq]) => stored.get(id) !== seq).length;
    const never = [...seen.sent].filter((id) => !stored.has(id)).length;
    const doubled = rows.length - stored.size + seen.moved;
    const gaps = rows.filter(({ seq }, i) => Number(seq) !== i + 1).length;
    const verified = await (await fetch(`${url}/journal/verify`)).json();
    const table = [
      ['kills of the server', killed.server],
      ['kills of the database', killed.database],
      ['entries confirmed', seen.confirmed.size],
      ['confirmed and lost', lost],
      ['written and never arrived', never],
      ['doubled', doubled],
      ['gaps in the numbers', gaps],
      ['first broken link of the chain', verified.firstBrokenSeq ?? 'none'],
      ['answers that are a fault (5xx but 503)', seen.faults],
      ['minutes', ((Date.now() - startedMs) / 60_000).toFixed(1)],
    ];
    say('');
    for (const [what, value] of table) say(`${what.padEnd(40)} ${String(value).padStart(8)}`);
    if (lost + never + doubled + gaps + seen.faults > 0 || verified.firstBrokenSeq !== null)
      process.exitCode = 1;
  } finally {
    over = true;
    await stopServer(server);
    await db.stop();
    rmSync(home, { recursive: true, force: true });
  }
});
