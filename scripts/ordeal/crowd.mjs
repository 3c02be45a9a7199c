import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';
import { setTimeout as pause } from 'node:timers/promises';
import { memoryMB } from '../lib/pages.mjs';
import { freePort } from '../lib/port.mjs';
import { say } from '../lib/say.mjs';
import { serverEnv, spawnServer, stopServer, untilReady } from '../lib/server.mjs';

/* The floor at work while many look on and many ask for heavy things: how long its requests take, what memory does. */

const quantile = (values, q) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(q * values.length))] ?? Number.NaN;

const posted = (body) => ({
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(body),
});

/** What screens look at now and then. */
const lookedAt = (nowMs) => {
  const hourMs = 3_600_000;
  const from = (hours) => Math.round(nowMs - hours * hourMs);
  return [
    'bakery',
    'weeks/2026-11-23',
    'standing?from=2026-11-27',
    'formulas/GNG/versions',
    `journal?since=${from(96)}`,
    `journal/between?from=${from(96)}&to=${from(48)}`,
    `probes?from=${from(3)}`,
    'setup/file',
    'setup/changes',
    'wellbeing',
    'metrics',
    'journal/verify',
  ];
};

const mean = (values) => values.reduce((sum, value) => sum + value, 0) / values.length;

/**
 * Memory in the second third of the time and in the last: what is remembered is filled by then, and what still grows
 * leaks.
 */
const levels = (memory) => {
  const third = Math.floor(memory.length / 3);
  return [
    ['in the second third of the time', mean(memory.slice(third, 2 * third))],
    ['in the last third', mean(memory.slice(2 * third))],
    ['at most', Math.max(...memory)],
  ];
};

/** A screen that follows the journal: when each entry came, by its UUID. */
const screen = (agent, url, after, came) =>
  new Promise((resolve, reject) => {
    const sent = request(`${url}/journal/stream?after=${after}`, { agent }, (answer) => {
      answer.setEncoding('utf8');
      let text = '';
      answer.on('data', (part) => {
        text += part;
        const messages = text.split('\n\n');
        text = messages.pop() ?? '';
        for (const message of messages)
          if (message.includes('event: entry')) {
            const id = /"id":"([0-9a-f-]{36})"/.exec(message)?.[1];
            if (id) came(id, performance.now());
          }
      });
      answer.on('error', () => undefined);
      resolve({ status: answer.statusCode, leave: () => sent.destroy() });
    });
    sent.on('error', reject);
    sent.end();
  });

/**
 * @param db a database server with the demo in `database`
 * @param seconds how long
 * @returns rows of the table: what, the figure, and whether it must be 0
 */
export const ordealOfTheCrowd = async (db, database, { seconds, screens, askers }) => {
  const port = await freePort();
  const url = `http://127.0.0.1:${port}/api`;
  const server = spawnServer(serverEnv(db, { port, database }), 'ignore');
  if (!(await untilReady(port, server))) throw new Error('The server did not start.');
  const agent = new Agent({ keepAlive: true, maxSockets: screens + askers + 20 });
  const sentMs = new Map();
  const arrivals = [];
  const floorMs = [];
  const counts = { asked: 0, busy: 0, faults: 0 };
  const untilMs = performance.now() + seconds * 1000;
  const isOver = () => performance.now() > untilMs;
  const ask = async (path, init) => {
    const answer = await fetch(`${url}/${path}`, { ...init, signal: AbortSignal.timeout(60_000) });
    const text = await answer.text();
    if (answer.status === 503) counts.busy += 1;
    else if (answer.status >= 500) {
      counts.faults += 1;
      say(`  a fault: ${answer.status} ${path} ${text.slice(0, 200)}`);
    }
    return { status: answer.status, text };
  };
  try {
    const { nowMs } = JSON.parse((await ask('clock')).text);
    const { lastSeq } = JSON.parse((await ask('journal?since=9000000000000')).text);
    const open = await Promise.all(
      Array.from({ length: screens }, () =>
        screen(agent, url, lastSeq, (id, ms) => {
          const fromMs = sentMs.get(id);
          if (fromMs !== undefined) arrivals.push(ms - fromMs);
        }),
      ),
    );
    const beganMB = memoryMB(server.pid);
    const writer = async () => {
      while (!isOver()) {
        const id = randomUUID();
        const entry = {
          id,
          atMs: Math.round(nowMs),
          who: 'Oven hand',
          device: 'crowd',
          lot: 'CROWD',
          kind: 'note',
          payload: { text: 'tray 4 browns first on the left' },
        };
        const fromMs = performance.now();
        sentMs.set(id, fromMs);
        await ask('journal', posted({ entries: [entry] }));
        floorMs.push(performance.now() - fromMs);
        await pause(Math.max(0, 250 - (performance.now() - fromMs)));
      }
    };
    const reader = async () => {
      while (!isOver()) {
        const fromMs = performance.now();
        await ask('days/2026-11-27');
        floorMs.push(performance.now() - fromMs);
        await pause(200);
      }
    };
    // What else a bakery does meanwhile, in turns: looking around, the list changed and back, a formula computed.
    const others = async () => {
      for (let i = 0; !isOver(); i++) {
        for (const path of lookedAt(nowMs)) await ask(path);
        const line = { customer: 'Crowd', productCode: 'GNG', pieces: 12 + (i % 40), readyBy: '16:00' };
        const { status, text } = await ask('days/2026-11-29/orders', posted(line));
        if (status < 300) {
          const { id, version } = JSON.parse(text);
          await ask(`orders/${id}?version=${version}`, { method: 'DELETE' });
        }
        await ask('calc/convert', posted({ amount: 1 + (i % 500), unit: 'cup', ingredient: 'white-sugar' }));
        await pause(1000);
      }
    };
    const memory = [];
    const watch = async () => {
      const everyMs = Math.min(5000, (seconds * 1000) / 20);
      while (!isOver()) {
        await pause(everyMs);
        memory.push(memoryMB(server.pid));
      }
    };
    const heavy = async (_, i) => {
      while (!isOver()) {
        await ask(
          ...(i % 2 === 0
            ? ['days/2026-11-27/plan', { method: 'POST' }]
            : [`days/2026-11-${27 + (i % 3)}/calibration`]),
        );
        counts.asked += 1;
        await pause(500);
      }
    };
    await Promise.all([writer(), reader(), others(), watch(), ...Array.from({ length: askers }, heavy)]);
    await pause(1000);
    for (const { leave } of open) leave();
    return [
      ['screens that followed', open.filter(({ status }) => status === 200).length],
      ['entry to screen, ms, 99 of 100', Math.round(quantile(arrivals, 0.99))],
      ['who asked for plans and learning', askers],
      ['heavy answers', counts.asked],
      ['of them: busy, try again (503)', counts.busy],
      ['requests of the floor, ms, median', Math.round(quantile(floorMs, 0.5))],
      ['requests of the floor, ms, 99 of 100', Math.round(quantile(floorMs, 0.99))],
      ['memory of the server, MB, at first', Math.round(beganMB)],
      ...levels(memory).map(([when, mb]) => [`memory of the server, MB, ${when}`, Math.round(mb)]),
      ['entries that a screen missed', screens * sentMs.size - arrivals.length, true],
      ['answers that are a fault, in the crowd', counts.faults, true],
    ];
  } finally {
    agent.destroy();
    await stopServer(server);
  }
};
