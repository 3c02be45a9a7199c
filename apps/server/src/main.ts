import { say } from '@jokul/core';
import 'reflect-metadata';
import { brokenBy, sayBroken, type Broken } from './common/broken-database.js';
import { readConfig } from './config/config.js';
import { JournalCheck } from './journal/journal-check.js';
import { makeApp } from './make-app.js';
import { WhichBakery } from './settings/which-bakery.js';

const config = readConfig();

// Started by a script, the server holds the other end of its input: when that closes, the script is gone.
if (process.env.JOKUL_FOLLOW === 'stdin') {
  process.stdin.on('end', () => process.kill(process.pid, 'SIGTERM')).resume();
}

const isErrorWithCode = (error: unknown): error is { code: string } =>
  typeof error === 'object' && error !== null && 'code' in error && typeof error.code === 'string';

try {
  const app = await makeApp(config);
  // Another bakery is opened by whoever started this one: it waits for this code.
  app.get(WhichBakery).onLeave(() => void app.close().finally(() => process.exit(config.otherCode)));
  await app.listen(config.port, '127.0.0.1');
  app.get(JournalCheck).begin();
} catch (error) {
  const code = isErrorWithCode(error) ? error.code : '';
  if (code === 'EADDRINUSE') {
    console.error(say`Port ${config.port} is taken by another program. Choose another one with JOKUL_PORT.`);
  } else if (['ECONNREFUSED', 'ETIMEDOUT', 'ENOENT'].includes(code)) {
    console.error(
      say`The database does not answer on 127.0.0.1:${config.database.port}. "npm start" starts it; if it runs, look into .jokul/db/mariadb.log.`,
    );
  } else if (code === 'newer-data') {
    console.error((error as Error).message);
  } else if (brokenBy(error)) {
    console.error(sayBroken(brokenBy(error) as Broken));
  } else if (code === 'ER_ACCESS_DENIED_ERROR') {
    console.error(say`The database refuses the password. Start Jokul with "npm start", which knows it.`);
  } else {
    console.error(error);
  }
  process.exit(1);
}
