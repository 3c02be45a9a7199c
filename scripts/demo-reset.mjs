import { bakeryFolder, bakeryLock } from './lib/bakeries.mjs';
import { ensureBuild, ensureDependencies } from './lib/build.mjs';
import { holdLock } from './lib/lock.mjs';
import { startMariadb } from './lib/mariadb.mjs';
import { inRoot } from './lib/paths.mjs';
import { run } from './lib/run.mjs';
import { orSay, say } from './lib/say.mjs';
import { serverEnv } from './lib/server.mjs';

/* Empties the database and seeds the demo bakery again. Refuses while Jokul runs. */
await orSay(async () => {
  const release = holdLock(bakeryLock('demo'), 'the running Jokul');
  process.on('exit', release);
  await ensureDependencies();
  await ensureBuild();
  const db = await startMariadb(bakeryFolder('demo'));
  try {
    await run(process.execPath, [inRoot('apps/server/dist/bundle/reset.js')], {
      env: serverEnv(db, { port: 0 }),
    });
    say('The demo bakery is back as it was. Start with: npm start');
  } finally {
    await db.stop();
  }
});
