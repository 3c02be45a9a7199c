import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { createConnection } from 'mysql2/promise';
import type { Config } from '../config/config.js';

type Row = Readonly<Record<string, string | number | null>>;

/** The demo's database as the first phase left it, table by table. */
export const firstPhase = JSON.parse(
  gunzipSync(readFileSync(new URL('fixtures/first-phase.json.gz', import.meta.url))).toString('utf8'),
) as Readonly<Record<string, { readonly create: string; readonly rows: readonly Row[] }>>;

/** Fills an empty database with it. @param most so many rows of each table at most */
export const fillFirstPhase = async ({ database }: Config, most = Infinity): Promise<void> => {
  const { port, user, password, name } = database;
  const connection = await createConnection({ host: '127.0.0.1', port, user, password, database: name });
  for (const [table, { create, rows }] of Object.entries(firstPhase)) {
    await connection.query(create);
    const columns = Object.keys(rows[0] ?? {});
    const kept = rows.slice(0, most);
    for (let i = 0; i < kept.length; i += 100)
      await connection.query(
        `INSERT INTO \`${table}\` (${columns.map((c) => `\`${c}\``).join(', ')}) VALUES ?`,
        [kept.slice(i, i + 100).map((row) => columns.map((column) => row[column]))],
      );
  }
  await connection.end();
};
