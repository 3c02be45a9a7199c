import { describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import { DataSource, type QueryRunner } from 'typeorm';
import type { Config } from '../config/config.js';
import { dataSourceOptions } from './data-source.js';
import { fillFirstPhase } from './first-phase.testkit.js';
import { testDatabase } from '../database/test-database.testkit.js';

/*
 * The power fails in the middle of an upgrade, after any one of its statements that writes: the next start takes it up and comes to
 * the same tables with the same rows as an upgrade that was let be.
 */

/** Runs the migrations; the connection is cut right after statement `last`. @returns how many writing statements there were */
const upgrade = async (config: Config, last = Infinity): Promise<number> => {
  const db = new DataSource(dataSourceOptions(config));
  await db.initialize();
  const make = db.createQueryRunner.bind(db);
  let count = 0;
  db.createQueryRunner = (mode) => {
    const runner: QueryRunner = make(mode);
    const query = runner.query.bind(runner);
    runner.query = async (...asked: Parameters<QueryRunner['query']>): Promise<never> => {
      const answer: unknown = await query(...asked);
      // Cut after what only looks, nothing differs.
      if (/^\s*(SELECT|SHOW)\b/i.test(asked[0])) return answer as never;
      count += 1;
      if (count === last) await query('KILL CONNECTION_ID()').catch(() => undefined);
      return answer as never;
    };
    return runner;
  };
  try {
    await db.runMigrations();
  } catch (error) {
    if (last === Infinity) throw error;
  } finally {
    await db.destroy().catch(() => undefined);
  }
  return count;
};

/** Every table as it is made, and all of its rows. */
const contents = async (config: Config): Promise<unknown> => {
  const db = await new DataSource(dataSourceOptions(config)).initialize();
  try {
    const tables = await db.query<Record<string, string>[]>('SHOW TABLES');
    const [{ id } = { id: '' }] = await db.query<{ id: string }[]>('SELECT `id` FROM `bakery`');
    const found = await Promise.all(
      tables
        .flatMap((row) => Object.values(row))
        .sort()
        .map(async (table) => {
          const [made] = await db.query<Record<string, string>[]>(`SHOW CREATE TABLE \`${table}\``);
          return [made, await db.query<unknown[]>(`SELECT * FROM \`${table}\` ORDER BY 1, 2`)];
        }),
    );
    // Each database has an id of its own.
    return JSON.parse(JSON.stringify(found).replaceAll(id, 'the bakery')) as unknown;
  } finally {
    await db.destroy();
  }
};

/** The database of before, brought along by `work`; dropped afterwards. */
const broughtAlong = async (old: boolean, work: (config: Config) => Promise<void>): Promise<unknown> => {
  const { config, drop } = await testDatabase();
  try {
    if (old) await fillFirstPhase(config, 60);
    await work(config);
    return await contents(config);
  } finally {
    await drop();
  }
};

describe.each([
  ['an empty database', false],
  ['the database of the first phase', true],
])('an upgrade of %s', (_, old) => {
  it('cut after any of its statements is whole after the next start', async () => {
    let statements = 0;
    const whole = await broughtAlong(old, async (config) => {
      statements = await upgrade(config);
    });
    expect(statements).toBeGreaterThan(8);
    for (let last = 1; last < statements; last++) {
      const mended = await broughtAlong(old, async (config) => {
        await upgrade(config, last);
        await upgrade(config);
      });
      expect([last, mended]).toEqual([last, whole]);
    }
  }, 240_000);
});
