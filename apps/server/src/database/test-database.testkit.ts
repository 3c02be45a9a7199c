import { createConnection, type RowDataPacket } from 'mysql2/promise';
import { randomUUID } from 'node:crypto';
import { readConfig, type Config } from '../config/config.js';

/**
 * A database of its own on the test instance that `npm test` started; dropped by `drop`. With the demo it is a copy of
 * the one that was seeded at the beginning, where there is one: seeding bakes the whole demo and takes a while.
 */
export const testDatabase = async (demo = false): Promise<{ config: Config; drop: () => Promise<void> }> => {
  const base = readConfig();
  if (!process.env.JOKUL_DB_PASSWORD)
    throw new Error('Server tests need the database of `npm test -- server`.');
  const name = `jokul_${randomUUID().replaceAll('-', '').slice(0, 16)}`;
  const admin = () =>
    createConnection({
      host: '127.0.0.1',
      port: base.database.port,
      user: base.database.user,
      password: base.database.password,
    });
  const first = await admin();
  await first.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  const template = process.env.JOKUL_DEMO_TEMPLATE;
  if (demo && template) {
    const [tables] = await first.query<RowDataPacket[]>(`SHOW TABLES FROM ${template}`);
    for (const table of tables.flatMap((row) => Object.values(row) as string[])) {
      await first.query(`CREATE TABLE ${name}.${table} LIKE ${template}.${table}`);
      await first.query(`INSERT INTO ${name}.${table} SELECT * FROM ${template}.${table}`);
    }
  }
  await first.end();
  return {
    config: { ...base, port: 0, database: { ...base.database, name } },
    drop: async () => {
      const last = await admin();
      await last.query(`DROP DATABASE ${name}`);
      await last.end();
    },
  };
};
