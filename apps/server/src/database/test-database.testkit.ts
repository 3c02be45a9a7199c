import { createConnection } from 'mysql2/promise';
import { randomUUID } from 'node:crypto';
import { readConfig, type Config } from '../config.js';

/** An empty database of its own on the test instance that `npm test` started; dropped by `drop`. */
export const testDatabase = async (): Promise<{ config: Config; drop: () => Promise<void> }> => {
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
