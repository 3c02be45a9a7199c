import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';

/* How many entries a second the server confirms, beside bare inserts into the same database. */

const post = (agent, url, body) =>
  new Promise((resolve, reject) => {
    const text = JSON.stringify(body);
    const sent = request(
      `${url}/journal`,
      {
        agent,
        method: 'POST',
        headers: { 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) },
      },
      (answer) => {
        answer.resume();
        answer.on('end', () =>
          answer.statusCode === 201 ? resolve() : reject(new Error(`answer ${answer.statusCode}`)),
        );
      },
    );
    sent.on('error', reject);
    sent.end(text);
  });

const entry = (i) => ({
  id: randomUUID(),
  atMs: Date.now(),
  who: 'Oven hand',
  device: `bench-${i}`,
  lot: 'BENCH-0-A',
  kind: 'note',
  payload: { text: 'tray 4 browns first on the left' },
});

/** So many writers, each with one thing after the other, for a while; how many a second, and their waits in ms. */
const writers = async (count, seconds, once) => {
  const waits = [];
  const untilMs = performance.now() + seconds * 1000;
  const startedMs = performance.now();
  await Promise.all(
    Array.from({ length: count }, async (_, i) => {
      while (performance.now() < untilMs) {
        const fromMs = performance.now();
        await once(i);
        waits.push(performance.now() - fromMs);
      }
    }),
  );
  waits.sort((a, b) => a - b);
  return {
    perS: waits.length / ((performance.now() - startedMs) / 1000),
    p99Ms: waits[Math.floor(0.99 * waits.length)] ?? 0,
  };
};

const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];

/**
 * Short rounds in turns, for a shared machine is quick in one second and slow in the next: what is told are medians, and
 * ratios of what was measured side by side.
 * @param connect a connection of its own to the same database
 */
export const throughput = async (url, connect, count, rounds = 9) => {
  const agent = new Agent({ keepAlive: true, maxSockets: count });
  const connections = await Promise.all(Array.from({ length: count }, connect));
  const [first] = connections;
  await first.query('CREATE TABLE IF NOT EXISTS bench_entry LIKE journal_entry');
  await first.query('DELETE FROM bench_entry');
  let seq = 0;
  const insert = (i) => {
    const { id, atMs, who, device, lot, kind, payload } = entry(i);
    seq += 1;
    return connections[i].query('INSERT INTO bench_entry SET ?', {
      seq,
      id,
      atMs,
      who,
      device,
      lot,
      kind,
      payload: JSON.stringify(payload),
      prevHash: '0'.repeat(64),
      hash: '1'.repeat(64),
    });
  };
  // As a device sends them: for the ledger that it follows.
  const { ledger } = await (await fetch(`${url}/journal?since=${Date.now()}`)).json();
  const server = (batch) => (i) =>
    post(agent, url, { entries: Array.from({ length: batch }, () => entry(i)), ledger });
  try {
    await writers(count, 2, server(1));
    const kinds = { bare: insert, one: server(1), fifty: server(50) };
    const found = [];
    for (let round = 0; round < rounds; round++) {
      const measured = {};
      for (const [kind, once] of Object.entries(kinds)) measured[kind] = await writers(count, 0.7, once);
      measured.fifty.perS *= 50;
      found.push(measured);
    }
    const middle = (value) => median(found.map(value));
    return Object.fromEntries(
      Object.keys(kinds).map((kind) => [
        kind,
        {
          perS: middle((round) => round[kind].perS),
          p99Ms: middle((round) => round[kind].p99Ms),
          ratio: middle((round) => round[kind].perS / round.bare.perS),
        },
      ]),
    );
  } finally {
    await first.query('DROP TABLE bench_entry');
    await Promise.all(connections.map((connection) => connection.end()));
    agent.destroy();
  }
};
