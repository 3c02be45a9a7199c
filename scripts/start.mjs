import { ensureBuild, ensureDependencies } from './lib/build.mjs';
import { holdLock } from './lib/lock.mjs';
import { startMariadb } from './lib/mariadb.mjs';
import { inRoot } from './lib/paths.mjs';
import { isFree } from './lib/port.mjs';
import { orSay, say, Trouble } from './lib/say.mjs';
import { serverEnv, spawnServer, stopServer, untilReady } from './lib/server.mjs';

const port = Number(process.env.JOKUL_PORT ?? 4310);

await orSay(async () => {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    throw new Trouble(`Node.js ${process.versions.node} is too old: 20.19 or newer is needed.`);
  }
  if (!Number.isInteger(port) || port < 1 || port > 65535) {
    throw new Trouble(`JOKUL_PORT is "${process.env.JOKUL_PORT}", which is no port number (1 to 65535).`);
  }
  const address = `http://127.0.0.1:${port}`;
  const release = holdLock(inRoot('.jokul', 'start.lock'), address);
  process.on('exit', release);
  if (!(await isFree(port))) {
    throw new Trouble(
      `port ${port} is taken by another program. Choose another one, for example: JOKUL_PORT=${port + 1} npm start`,
    );
  }
  await ensureDependencies();
  await ensureBuild();
  let stopping = false;
  const startDatabase = () =>
    startMariadb(inRoot('.jokul', 'db'), {
      onLost: () => {
        if (stopping) return;
        say('The database ended by itself: starting it again ...');
        startDatabase().then(
          (again) => (db = again),
          (error) => stop(`The database did not come back: ${error.message}`),
        );
      },
    });
  let db = await startDatabase();
  const server = spawnServer(serverEnv(db, { port }));

  const stop = async (why) => {
    if (stopping) return;
    stopping = true;
    say(why);
    await stopServer(server);
    await db.stop();
    say('Everything is saved. Jokul is stopped.');
    process.exit(process.exitCode ?? 0);
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop('\nStopping ...'));
  server.on('exit', (code) => {
    if (stopping) return;
    process.exitCode = 1;
    void stop(`The server ended by itself (exit code ${code}); what it said stands above.`);
  });

  if (await untilReady(port, server)) {
    say(
      `\n  Jokul is ready: ${address}\n\n  Ctrl-C stops it. "npm run demo:reset" goes back to the demo data.\n`,
    );
  } else if (!stopping) {
    process.exitCode = 1;
    await stop('The server said nothing for 3 minutes and did not become ready.');
  }
});
