import { createConnection } from 'mysql2/promise';
import { inRoot } from './paths.mjs';
import { run } from './run.mjs';
import { serverEnv } from './server.mjs';

const name = 'jokul_template';

/** Seeds the demo bakery once into a database that tests copy: each would bake it for seconds otherwise. */
export const makeDemoTemplate = async (db) => {
  const connection = await createConnection({
    host: '127.0.0.1',
    port: db.port,
    user: db.user,
    password: db.password,
  });
  await connection.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  await connection.end();
  await run(process.execPath, [inRoot('apps/server/dist/bundle/reset.js')], {
    quiet: true,
    env: serverEnv(db, { port: 0, database: name }),
  });
  return name;
};
