import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { createConnection, type Connection, type RowDataPacket } from 'mysql2/promise';
import { readConfig } from '../config/config.js';

/* The private database as `npm start` and `npm test` set it up: who can get in, and what they may do. */
const { port, user, password } = readConfig().database;
const open = (as: string, secret: string, host = '127.0.0.1') =>
  createConnection({ host, port, user: as, password: secret, connectTimeout: 3000 });

let ours: Connection;
beforeAll(async () => {
  ours = await open(user, password);
});
afterAll(() => ours.end());

describe('the accounts of the database', () => {
  const names = [
    'root',
    '',
    'mysql',
    'mariadb.sys',
    'admin',
    'jokul-db',
    'jokul',
    'anonymous',
    'healthcheck',
  ];
  it.each(names.flatMap((name) => ['127.0.0.1', 'localhost'].map((host) => [name, host] as const)))(
    '"%s" does not get in without a password over %s',
    async (name, host) => {
      await expect(open(name, '', host)).rejects.toMatchObject({ code: 'ER_ACCESS_DENIED_ERROR' });
    },
  );
  it('root does not get in by our password either: there is no root', async () => {
    await expect(open('root', password)).rejects.toMatchObject({ code: 'ER_ACCESS_DENIED_ERROR' });
  });
  it('ours has rights on its own databases alone, and none that reaches files or other accounts', async () => {
    const [rows] = await ours.query<RowDataPacket[]>('SHOW GRANTS');
    const grants = rows.map((row) => String(Object.values(row)[0]));
    expect(grants).toHaveLength(2);
    expect(grants[0]).toContain('GRANT USAGE ON *.*');
    expect(grants[1]).toMatch(/ON `jokul/);
    expect(grants.join()).not.toMatch(/FILE|SUPER|GRANT OPTION|CREATE USER|PROCESS|ALL PRIVILEGES/);
  });
  it('no file can be read or written', async () => {
    const [[row]] = await ours.query<RowDataPacket[]>(
      'SELECT @@secure_file_priv AS folder, @@local_infile AS local_files',
    );
    expect(row?.folder).not.toBe('');
    expect(row?.local_files).toBe(0);
    await expect(ours.query("SELECT 1 INTO OUTFILE '/tmp/jokul-out'")).rejects.toMatchObject({
      code: expect.stringMatching(/ACCESS_DENIED/),
    });
    const [[read]] = await ours.query<RowDataPacket[]>("SELECT LOAD_FILE('/etc/passwd') AS text");
    expect(read?.text).toBeNull();
    await expect(ours.query('SELECT User FROM mysql.global_priv')).rejects.toBeDefined();
  });
});
