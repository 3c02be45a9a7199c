import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DataSource } from 'typeorm';
import { backUp, restore } from '../backup/backup.js';
import type { Config } from '../config/config.js';
import { entities } from '../database/entities.js';
import { testDatabase } from '../database/test-database.testkit.js';
import { dataSourceOptions } from './data-source.js';
import { fillFirstPhase } from './first-phase.testkit.js';

/* Every row says whose it is, and no row of another bakery gets in, by whatever way it comes. */

interface House {
  readonly config: Config;
  readonly db: DataSource;
  readonly drop: () => Promise<void>;
}
const house = async (old: boolean): Promise<House> => {
  const { config, drop } = await testDatabase();
  if (old) await fillFirstPhase(config, 40);
  const db = await new DataSource(dataSourceOptions(config)).initialize();
  await db.runMigrations();
  return { config, db, drop };
};
const idOf = async ({ db }: House): Promise<string> => {
  const rows = await db.query<{ id: string }[]>('SELECT `id` FROM `bakery`');
  expect(rows).toHaveLength(1);
  return rows[0]?.id ?? '';
};

let [pier, quay]: House[] = [];
beforeAll(async () => {
  [pier, quay] = [await house(true), await house(false)];
}, 120_000);
afterAll(async () => {
  for (const one of [pier, quay]) {
    await one?.db.destroy();
    await one?.drop();
  }
});

describe('whose a row is', () => {
  it('stands in every row of every table, those of before too, without anybody writing it there', async () => {
    const { db } = pier as House;
    const id = await idOf(pier as House);
    expect(id).toMatch(/^[\da-f-]{36}$/);
    const names = entities.map((entity) => db.getMetadata(entity).tableName);
    expect(names).toHaveLength(11);
    for (const name of names.filter((one) => one !== 'bakery')) {
      const [found] = await db.query<{ n: string; own: string }[]>(
        `SELECT COUNT(*) AS n, SUM(\`bakery\` = ?) AS own FROM \`${name}\``,
        [id],
      );
      expect([name, Number(found?.own ?? 0)]).toEqual([name, Number(found?.n)]);
    }
    const [{ n } = { n: '0' }] = await db.query<{ n: string }[]>('SELECT COUNT(*) AS n FROM `journal_entry`');
    expect(Number(n)).toBe(40);
  });
  it('is another one in another bakery', async () => {
    expect(await idOf(pier as House)).not.toBe(await idOf(quay as House));
  });
  it('is refused by the database where it is another one’s', async () => {
    const { db } = quay as House;
    const insert = (bakery: string) =>
      db.query('INSERT INTO `lot_counter` (`year`, `last`, `bakery`) VALUES (2031, 1, ?)', [bakery]);
    await expect(insert(await idOf(pier as House))).rejects.toThrow(/CONSTRAINT/);
    await insert(await idOf(quay as House));
    await expect(db.query("INSERT INTO `bakery` (`id`) VALUES ('another')")).rejects.toThrow(/Duplicate/);
    await expect(db.query("INSERT INTO `bakery` (`id`, `only`) VALUES ('another', 2)")).rejects.toThrow(
      /CONSTRAINT/,
    );
  });
  it('comes along with a backup: a bakery that moves is the same one there', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'jokul-move-'));
    try {
      const file = join(folder, 'pier.jsonl.gz');
      const idBefore = await idOf(quay as House);
      await backUp((pier as House).config, file);
      const { bakery, before } = await restore((quay as House).config, file);
      expect([before, bakery]).toEqual([idBefore, await idOf(quay as House)]);
      expect(await idOf(quay as House)).toBe(await idOf(pier as House));
      await (quay as House).db.query('INSERT INTO `lot_counter` (`year`, `last`) VALUES (2032, 1)');
    } finally {
      await rm(folder, { recursive: true });
    }
  }, 60_000);
});
