import { dirname } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { backUpAs, backupEnv, dropOld, untilNext } from './lib/backups.mjs';
import { ensureBuild, ensureDependencies } from './lib/build.mjs';
import { keepUp } from './lib/keep-up.mjs';
import { holdLock } from './lib/lock.mjs';
import { startMariadb } from './lib/mariadb.mjs';
import { inRoot } from './lib/paths.mjs';
import { isFree } from './lib/port.mjs';
import { orSay, say, Trouble } from './lib/say.mjs';
import { serverEnv, spawnServer, stopServer, untilReady } from './lib/server.mjs';

/** Every night at this hour, by the clock of this machine. */
const nightly = { hour: 2, minute: 30 };

const port = Number(process.env.JOKUL_PORT ?? 4310);
/** Which bakery is open: the demo, or one's own in a folder of its own. The server may ask for the other one. */
let own = process.argv.includes('--empty');
const folder = () => inRoot('.jokul', own ? 'own' : 'db');
const lock = (ofOwn) => inRoot('.jokul', ofOwn ? 'start-own.lock' : 'start.lock');
/** The server ends with this code to have the other bakery opened in its place. */
const otherBakeryCode = 75;

await orSay(async () => {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    throw new Trouble(`Node.js ${process.versions.node} is too old: 20.19 or newer is needed.`);
  }
  if (!Number.isInteger(port) || port < 1 || port > 65535) {
    throw new Trouble(`JOKUL_PORT is "${process.env.JOKUL_PORT}", which is no port number (1 to 65535).`);
  }
  const address = `http://127.0.0.1:${port}`;
  let release = holdLock(lock(own), address);
  process.on('exit', () => release());
  if (!(await isFree(port))) {
    throw new Trouble(
      `port ${port} is taken by another program. Choose another one, for example: JOKUL_PORT=${port + 1} npm start`,
    );
  }
  await ensureDependencies();
  await ensureBuild();
  let stopping = false;
  let db;
  const startDatabase = async () => {
    db = await startMariadb(folder(), {
      onLost: () => {
        if (stopping) return;
        const { port: before } = db;
        say('The database ended by itself: starting it again ...');
        startDatabase().then(
          () => {
            // On another port the server would look for it in vain: it is started anew, and told.
            if (db.port !== before) kept.child().kill('SIGTERM');
          },
          (error) => stop(`The database did not come back: ${error.message}`),
        );
      },
    });
  };
  await startDatabase();

  let switching = Promise.resolve();
  /** The other bakery in place of this one; where it cannot be, this one goes on. */
  const openOther = async () => {
    let releaseOther;
    try {
      releaseOther = holdLock(lock(!own), address);
    } catch (error) {
      if (!(error instanceof Trouble)) throw error;
      say(error.message);
      return;
    }
    release();
    release = releaseOther;
    await db.stop();
    own = !own;
    say(`Opening ${own ? 'your own bakery' : 'the demo'} ...`);
    await startDatabase();
  };
  const stop = async (why) => {
    if (stopping) return;
    stopping = true;
    say(why);
    kept.stop();
    await switching.catch(() => undefined);
    await stopServer(kept.child());
    await db.stop();
    say('Everything is saved. Jokul is stopped.');
    process.exit(process.exitCode ?? 0);
  };
  const kept = keepUp(
    () =>
      spawnServer(
        serverEnv(db, {
          port,
          ...backupEnv(),
          JOKUL_OTHER_CODE: String(otherBakeryCode),
          ...(own && { JOKUL_SEED: 'own' }),
        }),
      ),
    {
      onCode: async (code) => {
        if (code !== otherBakeryCode) return false;
        switching = openOther();
        await switching.catch((error) => stop(`The other bakery could not be opened: ${error.message}`));
        return !stopping;
      },
      onEnd: (code, signal) =>
        say(`The server ended by itself (${signal ?? `exit code ${code}`}): starting it again ...`),
      onGiveUp: (code, signal) => {
        process.exitCode = 1;
        void stop(
          `The server keeps ending by itself (${signal ?? `exit code ${code}`}); what it said stands above. Nothing of your records is lost.`,
        );
      },
    },
  );
  const backUpTonight = () => {
    const timer = setTimeout(
      () => {
        const work = async () => {
          if (stopping) return;
          const { file, keep } = await backUpAs(own ? 'own-nightly' : 'nightly', db);
          dropOld(dirname(file), keep);
        };
        work().then(backUpTonight, (error) => {
          say(`The backup of this night was not made: ${error.message}`);
          backUpTonight();
        });
      },
      untilNext(nightly.hour, nightly.minute),
    );
    timer.unref();
  };
  backUpTonight();
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop('\nStopping ...'));
  /** Over every start of the server, until one is ready; false when it was given up, or says nothing. */
  const ready = async () => {
    for (;;) {
      const child = kept.child();
      if (await untilReady(port, child)) return true;
      if (stopping || (child.exitCode === null && child.signalCode === null)) return false;
      await pause(300);
    }
  };
  if (await ready()) {
    say(
      `\n  Jokul is ready: ${address}\n\n  Ctrl-C stops it. ${own ? 'This is a bakery of your own; "npm start" opens the demo.' : '"npm run demo:reset" goes back to the demo data; "npm start -- --empty" begins a bakery of your own.'}\n`,
    );
  } else if (!stopping) {
    process.exitCode = 1;
    await stop('The server said nothing for 3 minutes and did not become ready.');
  }
});
