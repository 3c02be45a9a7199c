import { dirname } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import {
  bakeryAsked,
  bakeryFolder,
  bakeryLock,
  nightlyKind,
  ownBakeries,
  rememberName,
} from './lib/bakeries.mjs';
import { backUpAs, backupEnv, dropOld, untilNext } from './lib/backups.mjs';
import { ensureBuild, ensureDependencies } from './lib/build.mjs';
import { keepUp, tryAgain } from './lib/keep-up.mjs';
import { holdLock } from './lib/lock.mjs';
import { startMariadb } from './lib/mariadb.mjs';
import { inRoot } from './lib/paths.mjs';
import { isFree } from './lib/port.mjs';
import { orSay, say, Trouble, whyOf } from './lib/say.mjs';
import { openServerLog } from './lib/server-log.mjs';
import { serverEnv, spawnServer, stopServer, untilReady } from './lib/server.mjs';

/** Every night at this hour, by the clock of this machine. */
const nightly = { hour: 2, minute: 30 };

const port = Number(process.env.JOKUL_PORT ?? 4310);
/** The server ends with this code to have another bakery opened in its place. */
const otherBakeryCode = 75;

/** What one's own bakery is called, for the terminal. */
const calledOwn = (id) => ownBakeries().find((own) => own.id === id)?.name ?? 'your own bakery';

await orSay(async () => {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    throw new Trouble(`Node.js ${process.versions.node} is too old: 20.19 or newer is needed.`);
  }
  if (!Number.isInteger(port) || port < 1 || port > 65535) {
    throw new Trouble(`JOKUL_PORT is "${process.env.JOKUL_PORT}", which is no port number (1 to 65535).`);
  }
  const address = `http://127.0.0.1:${port}`;
  /** Which bakery is open: the demo, or one of one's own. The server may ask for another one. */
  let open = bakeryAsked(process.argv.slice(2));
  let release = holdLock(bakeryLock(open), address);
  process.on('exit', () => release());
  if (!(await isFree(port))) {
    throw new Trouble(
      `port ${port} is taken by another program. Choose another one, for example: JOKUL_PORT=${port + 1} npm start`,
    );
  }
  await ensureDependencies();
  await ensureBuild();
  const log = await openServerLog(inRoot('.jokul', 'log'));
  let stopping = false;
  let db;
  const startDatabase = async () => {
    db = await startMariadb(bakeryFolder(open), {
      onLost: () => {
        if (stopping) return;
        say('The database ended by itself: starting it again ...');
        bringing = bringBack(db.port);
      },
    });
  };
  const over = new AbortController();
  let bringing = Promise.resolve();
  /** Devices keep what they have meanwhile: on a disk that is full, say, it may well go later. */
  const bringBack = async (before) => {
    try {
      await tryAgain(startDatabase, {
        over: over.signal,
        onFailure: (error, pauseMs) =>
          say(
            `The database did not come back: ${whyOf(error) ?? error.message} Next try in ${pauseMs / 1000} s.`,
          ),
      });
    } catch (error) {
      void stop(`The database did not come back: ${whyOf(error) ?? error.message}`);
      return;
    }
    if (stopping) return;
    say('The database is back.');
    // On another port the server would look for it in vain: it is started anew, and told.
    if (db.port !== before) kept.child().kill('SIGTERM');
  };
  await startDatabase();

  let switching = Promise.resolve();
  /** The bakery that the server asked for. */
  let wanted = null;
  /** Another bakery in place of this one; where it cannot be, this one goes on. */
  const openOther = async () => {
    const id = wanted ?? (open === 'demo' ? 'own' : 'demo');
    wanted = null;
    let releaseOther;
    try {
      releaseOther = holdLock(bakeryLock(id), address);
    } catch (error) {
      if (!(error instanceof Trouble)) throw error;
      say(error.message);
      return;
    }
    release();
    release = releaseOther;
    await db.stop();
    open = id;
    say(`Opening ${id === 'demo' ? 'the demo' : calledOwn(id)} ...`);
    await startDatabase();
  };
  const stop = async (why) => {
    if (stopping) return;
    stopping = true;
    say(why);
    over.abort();
    kept.stop();
    await switching.catch(() => undefined);
    // A database that just comes up is waited for: nobody else would end it.
    await bringing;
    await stopServer(kept.child());
    await db.stop();
    log.end();
    say('Everything is saved. Jokul is stopped.');
    process.exit(process.exitCode ?? 0);
  };
  /** What the server says that only we can do, or remember. */
  const hear = (from, said) => {
    if (typeof said?.open === 'string') wanted = said.open;
    if (typeof said?.name === 'string') rememberName(from, said.name);
  };
  const kept = keepUp(
    () => {
      const child = spawnServer(
        serverEnv(db, {
          port,
          ...backupEnv(),
          JOKUL_OTHER_CODE: String(otherBakeryCode),
          JOKUL_BAKERY: open,
          JOKUL_OWN_BAKERIES: JSON.stringify(ownBakeries()),
          ...(open !== 'demo' && { JOKUL_SEED: 'own' }),
        }),
        'inherit',
        log,
      );
      const from = open;
      child.on('message', (said) => hear(from, said));
      return child;
    },
    {
      onCode: async (code) => {
        if (code !== otherBakeryCode) return false;
        switching = openOther();
        await switching.catch((error) =>
          stop(`That bakery could not be opened: ${whyOf(error) ?? error.message}`),
        );
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
          const { file, keep } = await backUpAs(nightlyKind(open), db);
          dropOld(dirname(file), keep);
        };
        work().then(backUpTonight, (error) => {
          say(`The backup of this night was not made: ${whyOf(error) ?? error.message}`);
          backUpTonight();
        });
      },
      untilNext(nightly.hour, nightly.minute),
    );
    timer.unref();
  };
  backUpTonight();
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop('\nStopping ...'));
  /** Over every start of the server, until one is up; false when it was given up, or says nothing. */
  const ready = async () => {
    for (;;) {
      const child = kept.child();
      const up = await untilReady(port, child);
      if (up) return up;
      if (stopping || (child.exitCode === null && child.signalCode === null)) return false;
      await pause(300);
    }
  };
  const up = await ready();
  if (up) {
    say(
      `\n  ${up === true ? 'Jokul is ready' : `Jokul is up, but something is broken. ${up}\n\n  It shows what it can`}: ${address}\n\n  Ctrl-C stops it. ${open !== 'demo' ? 'This is a bakery of your own; "npm start" opens the demo.' : '"npm run demo:reset" goes back to the demo data; "npm start -- --empty" begins a bakery of your own.'}\n`,
    );
  } else if (!stopping) {
    process.exitCode = 1;
    await stop('The server said nothing for 3 minutes and did not become ready.');
  }
});
