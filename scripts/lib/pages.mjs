import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';

const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN;

/** What the pages of the demo Friday ask for, with how long each takes and how much comes: medians, kB. */
export const measurePages = async (port, tries = 15) => {
  const url = `http://127.0.0.1:${port}/api`;
  const now = (await (await fetch(`${url}/clock`)).json()).nowMs;
  const day = 86_400_000;
  const entry = () => ({
    id: randomUUID(),
    atMs: Math.round(now),
    who: 'bench',
    device: 'bench',
    lot: 'BENCH',
    kind: 'note',
    payload: { text: 'x' },
  });
  const get = (path) => () => fetch(`${url}/${path}`);
  const asked = {
    bakery: get('bakery'),
    'the day': get('days/2026-11-27'),
    'the floor (4 days and the cold)': get(`journal?since=${Math.round(now - 4 * day)}`),
    'the log of a day': get(
      `journal/between?from=${Math.round(now - 4 * day)}&to=${Math.round(now - 3 * day)}`,
    ),
    probes: get(`probes?from=${Math.round(now - 3 * 3600e3)}`),
    'versions of a formula': get('formulas/GNG/versions'),
    'what the bakes show (again)': get('days/2026-11-27/calibration'),
    'an entry': () =>
      fetch(`${url}/journal`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ entries: [entry()] }),
      }),
  };
  const found = [];
  for (const [name, ask] of Object.entries(asked)) {
    const times = [];
    let text = '';
    // The first one computes what is remembered from then on.
    await (await ask()).text();
    for (let i = 0; i < tries; i++) {
      const start = performance.now();
      text = await (await ask()).text();
      times.push(performance.now() - start);
    }
    found.push({ name, ms: median(times), kB: text.length / 1000, wireKB: gzipSync(text).length / 1000 });
  }
  return found;
};

/** Memory that a process holds, MB. */
export const memoryMB = (pid) =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;
