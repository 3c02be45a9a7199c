import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { createConnection } from 'mysql2/promise';
import { startMariadb } from '../lib/mariadb.mjs';
import { freePort } from '../lib/port.mjs';
import { say } from '../lib/say.mjs';
import { serverEnv, spawnServer, stopServer, untilReady } from '../lib/server.mjs';

/*
 * Three devices write without a pause, each keeping what was not confirmed, while the server and its database are killed
 * again and again. What was confirmed must be there once, in its place; what was not must arrive once.
 */
const random = (from, to) => from + Math.random() * (to - from);
const hourMs = 3_600_000;

/**
 * A tablet: it writes, is away for a while now and then, and sends again whatever was not confirmed. Its clock jumps by
 * hours, and now and then its store fails: what was not confirmed is gone with it, as a device says beforehand.
 */
const device = async (name, url, seen, isOver) => {
  let outbox = [];
  let aheadMs = 0;
  const entry = () => ({
    id: randomUUID(),
    atMs: Math.round(Date.now() + aheadMs),
    who: 'Oven hand',
    device: name,
    lot: `ORDEAL-${Math.floor(random(0, 40))}`,
    kind: 'note',
    payload: { text: `written on ${name}` },
  });
  while (!isOver() || outbox.length > 0) {
    if (!isOver()) {
      if (Math.random() < 0.005) {
        aheadMs = random(-12, 12) * hourMs;
        seen.jumps += 1;
      }
      if (Math.random() < 0.002) {
        for (const { id } of outbox) seen.atRisk.add(id);
        outbox = [];
        seen.storeFaults += 1;
      }
      for (let i = 0; i < Math.ceil(random(0, 3)); i++) outbox.push(entry());
    }
    for (const { id } of outbox) seen.sent.add(id);
    // Without the network for a moment: what it writes waits.
    if (!isOver() && Math.random() < 0.01) {
      seen.spells += 1;
      await pause(random(200, 1500));
      continue;
    }
    const entries = outbox.slice(0, 50);
    if (entries.length === 0) continue;
    try {
      const answer = await fetch(`${url}/journal`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ entries }),
        signal: AbortSignal.timeout(10_000),
      });
      if (answer.status === 201) {
        for (const { id, seq } of (await answer.json()).stored) {
          const before = seen.confirmed.get(id);
          if (before !== undefined && before !== seq) seen.moved += 1;
          seen.confirmed.set(id, seq);
        }
        outbox.splice(0, entries.length);
        continue;
      }
      const body = await answer.text();
      // 503 says to try again: the database is away. Any other 5xx is a fault.
      if (answer.status >= 500 && answer.status !== 503) {
        seen.faults += 1;
        say(`  a fault: ${answer.status} ${body.slice(0, 200)}`);
      }
      if (answer.status < 500) throw new Error(`refused: ${answer.status} ${body.slice(0, 200)}`);
    } catch (error) {
      if (error.message.startsWith('refused')) throw error;
    }
    await pause(random(30, 200));
  }
};

/** What became of the entries: what the devices saw beside what is stored. */
const recount = async (db, url, seen) => {
  const connection = await createConnection({
    host: '127.0.0.1',
    port: db.port,
    user: db.user,
    password: db.password,
    database: 'jokul',
  });
  const [rows] = await connection.query('SELECT id, seq FROM journal_entry ORDER BY seq');
  await connection.end();
  const stored = new Map(rows.map(({ id, seq }) => [id, Number(seq)]));
  const verified = await (await fetch(`${url}/journal/verify`)).json();
  return {
    stored: rows.length,
    lost: [...seen.confirmed].filter(([id, seq]) => stored.get(id) !== seq).length,
    never: [...seen.sent].filter((id) => !stored.has(id) && !seen.atRisk.has(id)).length,
    doubled: rows.length - stored.size + seen.moved,
    gaps: rows.filter(({ seq }, i) => Number(seq) !== i + 1).length,
    broken: verified.firstBrokenSeq === null ? 0 : 1,
  };
};

/**
 * @param home a folder for the database
 * @param wanted how many kills of the server and of the database
 * @param isStopped whether somebody ended it early: what was done so far is counted
 * @returns rows of the table: what, the figure, and whether it must be 0
 */
export const ordealOfKills = async (home, wanted, isStopped) => {
  const dir = join(home, 'kills');
  let db = await startMariadb(dir);
  const port = await freePort();
  const url = `http://127.0.0.1:${port}/api`;
  const start = async () => {
    const child = spawnServer(serverEnv(db, { port, JOKUL_SEED: 'own' }), 'ignore');
    if (!(await untilReady(port, child))) throw new Error('The server did not come back.');
    return child;
  };
  let server = await start();
  const seen = {
    sent: new Set(),
    confirmed: new Map(),
    atRisk: new Set(),
    faults: 0,
    moved: 0,
    jumps: 0,
    storeFaults: 0,
    spells: 0,
  };
  const killed = { server: 0, database: 0 };
  let over = false;
  const gone = (child) => new Promise((resolve) => child.once('exit', resolve));
  const killDatabase = async () => {
    process.kill(Number(readFileSync(join(dir, 'mariadb.pid'), 'utf8')), 'SIGKILL');
    killed.database += 1;
    // Half of the time the server goes with it, as when the power fails.
    const both = Math.random() < 0.5;
    const ended = gone(server);
    if (both) server.kill('SIGKILL');
    if (both) await ended;
    const before = db.port;
    await pause(200);
    db = await startMariadb(dir);
    if (both) server = await start();
    else if (db.port !== before) {
      await stopServer(server);
      server = await start();
    }
  };
  const killServer = async () => {
    const ended = gone(server);
    server.kill('SIGKILL');
    killed.server += 1;
    await ended;
    server = await start();
  };
  try {
    const devices = ['tablet', 'phone', 'wall'].map((name) => device(name, url, seen, () => over));
    while (!isStopped() && (killed.server < wanted.server || killed.database < wanted.database)) {
      await pause(random(100, 1200));
      const left = wanted.server - killed.server + wanted.database - killed.database;
      if (Math.random() * left < wanted.database - killed.database) await killDatabase();
      else await killServer();
      const all = killed.server + killed.database;
      if (all % 50 === 0)
        say(`  ${killed.server} kills of the server, ${killed.database} of the database ...`);
    }
    over = true;
    await Promise.all(devices);
    const found = await recount(db, url, seen);
    return [
      ['kills of the server', killed.server],
      ['kills of the database', killed.database],
      ['spells without the network', seen.spells],
      ['jumps of a device’s clock', seen.jumps],
      ['faults of a device’s store', seen.storeFaults],
      ['entries confirmed', seen.confirmed.size],
      ['entries in the journal at the end', found.stored],
      ['confirmed and lost', found.lost, true],
      ['kept on a device and never arrived', found.never, true],
      ['doubled', found.doubled, true],
      ['gaps in the numbers', found.gaps, true],
      ['broken links of the chain', found.broken, true],
      ['answers that are a fault (5xx but 503)', seen.faults, true],
    ];
  } finally {
    over = true;
    await stopServer(server);
    await db.stop();
  }
};
