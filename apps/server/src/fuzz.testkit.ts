import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import type { BakeryView, ClockView, DayView, JournalView, StandingOrderView } from '@jokul/contracts';
import type { TestApp } from './app.testkit.js';

/** A request that the server takes, to be spoilt. */
export interface Example {
  readonly method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  readonly path: string;
  readonly body?: unknown;
}

const date = '2026-11-27';
/** Rules that are saved elsewhere, or by nobody. */
const notSaved = new Set(['timeZone', 'portionSetUpS', 'loadGapS', 'eggIntoButterC']);
const piece = { massG: 35, shape: 'ball', startC: 5 };
const oven = { setC: 177, fan: false };

/** Every calculation, small. */
const calculations: Readonly<Record<string, unknown>> = {
  convert: { amount: 2, unit: 'cup', ingredient: 'wheat-flour' },
  scale: {
    formula: { ingredients: [{ id: 'wheat-flour', bakersPercent: 100, stage: 'dry' }] },
    lines: [{ pieces: 100, pieceMassG: 40 }],
    losses: { bowlShare: 0.01, portionShare: 0.01, testPieces: 1 },
    mixers: [{ id: 'm', minMassG: 1000, maxMassG: 8000 }],
    scales: [{ id: 's', maxMassG: 6000, resolutionG: 1 }],
  },
  cold: {
    body: { kind: 'sphere', massG: 40 },
    startC: 21,
    steps: [{ airC: 4, hWPerM2K: 8, durationS: 3600 }],
    until: { where: 'core', temperatureC: 8 },
  },
  bake: {
    piece,
    tray: { material: 'bright-aluminium', liner: 'parchment' },
    oven,
    rest: { trayS: 300, airC: 24 },
    target: 'chewy',
  },
  tray: { tray: { lengthMm: 600, widthMm: 400 }, diameterMm: 80, gapMm: 10, marginMm: 10, pattern: 'best' },
  read: { text: '250 g butter\n2 cups flour\n1 tsp salt' },
  'weigh-check': { nominalG: 40, toleranceG: 2, readingsG: [40, 41, 39.5, 40.2, 40.1], batchPieces: 200 },
  calibrate: {
    bakes: [
      {
        piece,
        tray: { material: 'bright-aluminium', liner: 'parchment' },
        oven: { id: 'o', ...oven },
        pullS: 700,
        measured: { diameterMm: 78, lossShare: 0.09 },
      },
    ],
    ask: [
      {
        piece,
        tray: { material: 'bright-aluminium', liner: 'parchment' },
        oven: { id: 'o', ...oven },
        target: 'chewy',
      },
    ],
  },
};

/** Requests of every kind that the running demo takes, by its own data. */
export const examplesOf = async (app: TestApp): Promise<readonly Example[]> => {
  const { body: bakery } = await app.get<BakeryView>('bakery');
  const { body: day } = await app.get<DayView>(`days/${date}`);
  const { body: journal } = await app.get<JournalView>('journal?since=0');
  const [formula] = bakery.formulas;
  const [order] = day.orders;
  if (!formula || !order) throw new Error('The demo has no formula or no order.');
  const { code, version, ...formulaBody } = formula;
  const { id, version: orderVersion, ...line } = order;
  const { body: clock } = await app.get<ClockView>('clock');
  const often = { ...line, customer: 'Spoilt again', weekdays: [1, 5], from: date };
  // One that is there, to be changed and ended.
  const { body: standing } = await app.post<StandingOrderView>('standing', { ...often, customer: 'Spoilt' });
  const rules = Object.fromEntries(Object.entries(bakery.rules).filter(([key]) => !notSaved.has(key)));
  const kinds = [...new Map(journal.entries.map((entry) => [entry.kind, entry])).values()];
  return [
    ...['health', 'clock', 'bakery', `days/${date}`, `formulas/${code}/versions`, 'journal?since=0'].map(
      (path): Example => ({ method: 'GET', path }),
    ),
    { method: 'GET', path: 'journal/between?from=0&to=9' },
    { method: 'GET', path: 'probes?from=1764200000000' },
    { method: 'GET', path: `days/${date}/calibration` },
    ...kinds.map(({ seq: _seq, ...entry }): Example => ({
      method: 'POST',
      path: 'journal',
      body: { entries: [{ ...entry, id: randomUUID() }] },
    })),
    { method: 'POST', path: `days/${date}/orders`, body: { ...line, customer: 'Spoilt once' } },
    { method: 'PUT', path: `orders/${id}`, body: { ...line, version: orderVersion } },
    { method: 'DELETE', path: `orders/${id}?version=${orderVersion + 1}` },
    { method: 'POST', path: 'formulas', body: { ...formulaBody, code: 'FUZ' } },
    { method: 'POST', path: `formulas/${code}/versions`, body: { ...formulaBody, baseVersion: version } },
    { method: 'POST', path: `days/${date}/plan/retime`, body: {} },
    { method: 'POST', path: `days/${date}/plan/replan/${randomUUID()}`, body: {} },
    { method: 'POST', path: 'standing', body: often },
    { method: 'GET', path: `standing?from=${date}` },
    {
      method: 'PUT',
      path: `standing/${standing.id}`,
      body: { ...often, customer: 'Spoilt', weekdays: [5], until: '2027-01-31', version: standing.version },
    },
    {
      method: 'PUT',
      path: `orders/${standing.id}~${date}`,
      body: { ...line, customer: 'Spoilt', version: 0 },
    },
    { method: 'DELETE', path: `standing/${standing.id}?from=${date}&version=${standing.version + 1}` },
    { method: 'DELETE', path: `days/${date}/standing/${randomUUID()}` },
    { method: 'PUT', path: 'equipment', body: { ...bakery.equipment, version: bakery.equipmentVersion } },
    { method: 'PUT', path: 'clock', body: { mode: 'running', date, time: '04:10' } },
    { method: 'PUT', path: 'rules', body: { ...rules, version: bakery.rulesVersion } },
    { method: 'PUT', path: 'ingredients', body: { ingredients: bakery.ownIngredients, version: 0 } },
    { method: 'PUT', path: `days/${date}/calibration`, body: { leftOut: [], held: [], version: 0 } },
    { method: 'POST', path: `days/${date}/calibration/undo`, body: { version: 0 } },
    {
      method: 'PUT',
      path: 'probes/faults',
      body: {
        faults: [{ placeId: 'walk-in', kind: 'probe-silent', fromMs: clock.nowMs - 3_600_000, toMs: null }],
        version: 0,
      },
    },
    { method: 'GET', path: 'backups' },
    { method: 'PUT', path: 'backups', body: { folder: null, keep: 14 } },
    ...Object.entries(calculations).map(([name, body]): Example => ({
      method: 'POST',
      path: `calc/${name}`,
      body,
    })),
  ];
};

const deep = (n: number) => '['.repeat(n) + ']'.repeat(n);
/** What nobody means to send. Text that starts with `raw:` goes into the request as it stands. */
const weird = fc.constantFrom<unknown>(
  null,
  true,
  -1,
  0,
  1e308,
  -1e308,
  2 ** 31,
  2 ** 53,
  1.5,
  '',
  ' ',
  '0',
  'constructor',
  '__proto__',
  'toString',
  'x'.repeat(5000),
  '\ud800',
  '\u0000',
  '🥐'.repeat(60),
  '2026-13-45',
  '9999-12-31',
  '0000-00-00',
  '25:61',
  "'; DROP TABLE journal_entry; --",
  [],
  {},
  [[]],
  { length: 3 },
  { a: { b: { c: {} } } },
  [null, null],
  'raw:NaN',
  'raw:1e999',
  `raw:${deep(900)}`,
);

type Step = {
  readonly pick: number;
  readonly how: 'replace' | 'drop' | 'add' | 'wrap' | 'copy';
  readonly by: unknown;
};
const step: fc.Arbitrary<Step> = fc.record({
  pick: fc.nat(10_000),
  how: fc.constantFrom('replace', 'replace', 'replace', 'drop', 'add', 'wrap', 'copy'),
  by: weird,
});

type Node = Record<string, unknown> | unknown[];
const isNode = (value: unknown): value is Node => typeof value === 'object' && value !== null;
/** Every place of a value: the thing that holds it, and its key. */
const places = (value: unknown, found: [Node, string][] = []): [Node, string][] => {
  if (isNode(value))
    for (const key of Object.keys(value)) {
      found.push([value, key]);
      places((value as Record<string, unknown>)[key], found);
    }
  return found;
};

const spoil = (root: { body: unknown }, { pick, how, by: what }: Step): void => {
  const by = structuredClone(what);
  const all = places(root);
  const place = all[pick % all.length];
  if (!place) return;
  const [holder, key] = place as [Record<string, unknown>, string];
  const here = holder[key];
  if (how === 'replace') holder[key] = by;
  else if (how === 'drop') {
    if (Array.isArray(holder)) holder.splice(Number(key), 1);
    else if ((holder as unknown) !== root) delete holder[key];
  } else if (how === 'wrap') holder[key] = pick % 2 ? [here] : { value: here };
  else if (how === 'copy' && Array.isArray(here))
    holder[key] = Array.from({ length: 120 }, () => here).flat();
  else if (isNode(here) && !Array.isArray(here))
    Object.defineProperty(here, String(by).slice(0, 40), {
      value: by,
      enumerable: true,
      writable: true,
      configurable: true,
    });
};

const asText = (value: unknown): string =>
  // A raw text stands unquoted, as no serialiser would write it.
  JSON.stringify(value).replaceAll(/"raw:([^"]*)"/g, '$1');

export interface Spoilt {
  readonly method: string;
  readonly path: string;
  readonly body?: string;
}

/** Spoilt requests at random, the same for the same seed; some of them are left as they are where `least` is 0. */
export const spoiltRequests = (
  examples: readonly Example[],
  count: number,
  seed: number,
  least = 1,
): readonly Spoilt[] =>
  fc
    .sample(
      fc.record({
        example: fc.constantFrom(...examples),
        steps: fc.array(step, { minLength: least, maxLength: 3 }),
        inPath: fc.nat(5),
      }),
      { numRuns: count, seed },
    )
    .map(({ example: { method, path, body }, steps, inPath }) => {
      const root = { body: structuredClone(body) };
      for (const one of steps) spoil(root, one);
      const [first] = steps;
      const parts = path.split(/(?<=[/?=&])/);
      const inPlace = inPath === 0 && first ? first.pick % parts.length : -1;
      const by = encodeURIComponent(
        (typeof first?.by === 'string' ? first.by : (JSON.stringify(first?.by) ?? '')).replaceAll(
          '\ud800',
          '%',
        ),
      ).slice(0, 3000);
      const spoiltPath = parts
        .map((part, i) => (i === inPlace ? by + (/[/?=&]$/.exec(part)?.[0] ?? '') : part))
        .join('');
      return { method, path: spoiltPath, ...(body !== undefined && { body: asText(root.body) ?? '' }) };
    });
