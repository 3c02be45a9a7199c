import { describe, expect, it } from '@jest/globals';
import { processFactors, processOf } from '../bake/index.js';
import { demoEquipment, demoFormulas, demoRules } from '../demo/index.js';
import { readyTime, type Formula, type FormulaLine, type ReadyWay } from '../formula/index.js';
import {
  mostUrgent,
  openActions,
  reduceLedger,
  type Action,
  type DraftEntry,
  type EntryKind,
  type Payloads,
} from '../ledger/index.js';
import type { Availability, BatchPlan } from '../planning/index.js';
import { preparationsOf } from './prepare.js';

const of = (code: string): Formula => demoFormulas.find((formula) => formula.code === code) as Formula;
const hour = 3600;
const mixS = 100 * 86_400 + 5 * hour;
const batch = (code: string, change: Partial<BatchPlan> = {}): BatchPlan => ({
  batchId: `${code}-26-1-X`,
  productCode: code,
  mixerId: 'mixer',
  massG: 5000,
  pieces: 100,
  loads: [],
  tasks: [{ id: 'm', kind: 'mix', batchId: `${code}-26-1-X`, startS: mixS, endS: mixS + 1500, uses: [] }],
  ...change,
});
const prepare = (code: string, shifts?: readonly Availability[], places = demoEquipment.places) =>
  preparationsOf(batch(code), of(code), demoRules, places, shifts);
const room = (airC: number) =>
  demoEquipment.places.map((place) => (place.kind === 'bench' ? { ...place, airC } : place));

describe('what is done for a dough before it is weighed', () => {
  it('butter is out some hours before, eggs one, each with its grams', () => {
    const [butter, eggs, ...more] = prepare('GNG');
    expect(more).toEqual([]);
    expect([butter?.kind, eggs?.kind]).toEqual(['butter-out', 'eggs-out']);
    expect((mixS - (butter?.startS ?? 0)) / hour).toBeGreaterThan(1.5);
    expect((mixS - (butter?.startS ?? 0)) / hour).toBeLessThan(8);
    expect(mixS - (eggs?.startS ?? 0)).toBe(hour);
    const { stages } = of('GNG');
    const total = stages.flatMap(({ lines }) => lines).reduce((sum, { percent }) => sum + percent, 0);
    expect(butter?.massG).toBeCloseTo((5000 * 62) / total, -1);
    expect(butter?.earlyS).toBe(0);
  });

  it('nuts are toasted so early that they are cold to be chopped, cocoa is sifted just before, each kind at once', () => {
    const withReady = (ready: Readonly<Record<string, readonly ReadyWay[]>>): Formula => ({
      ...of('GNG'),
      stages: of('GNG').stages.map((stage) => ({
        ...stage,
        lines: stage.lines.map((line) => {
          const own = ready[line.ingredientId];
          return own ? { ...line, ready: own } : line;
        }),
      })),
    });
    const [first, second] = of('GNG').stages.flatMap(({ lines }) => lines);
    const [a, b] = [first?.ingredientId ?? '', second?.ingredientId ?? ''];
    const asked = preparationsOf(
      batch('GNG'),
      withReady({ [a]: ['toasted', 'chopped'], [b]: ['chopped', 'cold'] }),
      demoRules,
      demoEquipment.places,
    );
    const toast = asked.find(({ kind }) => kind === 'toast');
    const chop = asked.find(({ kind }) => kind === 'chop');
    expect(toast?.ingredientIds).toEqual([a]);
    expect(chop?.ingredientIds).toEqual([a, b]);
    expect(chop?.massG).toBeGreaterThan(toast?.massG ?? 0);
    // Chopped by the time that it is weighed, and cold by the time that it is chopped.
    expect((chop?.startS ?? 0) + (chop?.workS ?? 0)).toBeLessThanOrEqual(mixS);
    const aloneS = readyTime('chopped', toast?.massG ?? 0).workS;
    expect((toast?.startS ?? 0) + (toast?.workS ?? 0) + 45 * 60 + aloneS).toBeLessThanOrEqual(mixS);
    expect(mixS - (chop?.startS ?? 0) - (chop?.workS ?? 0)).toBeLessThan(60);
    // What is kept cold asks for nothing before.
    expect(asked.map(({ kind }) => kind)).toEqual(['butter-out', 'eggs-out', 'toast', 'chop']);
  });

  it('a colder room takes longer, one that never gets there asks for none', () => {
    const at = (airC: number) =>
      mixS -
      (prepare('GNG', undefined, room(airC)).find(({ kind }) => kind === 'butter-out')?.startS ?? mixS);
    expect(at(21)).toBeGreaterThan(at(26));
    expect(prepare('GNG', undefined, room(15)).map(({ kind }) => kind)).toEqual(['eggs-out']);
  });

  it('butter that is browned is browned so early that it cools', () => {
    const kinds = prepare('RYE').map(({ kind }) => kind);
    expect(kinds).toContain('butter-brown');
    expect(kinds).not.toContain('butter-out');
    const brown = prepare('RYE').find(({ kind }) => kind === 'butter-brown');
    expect((mixS - (brown?.startS ?? 0)) / 60).toBeGreaterThan(40);
  });

  it('a dough without egg has none out; melted butter does not come to the room; dough from the cold needs nothing', () => {
    expect(prepare('NIB').map(({ kind }) => kind)).toEqual(['butter-out']);
    const melted = { ...of('GNG'), method: { cream: 'melted', egg: 'fully', finish: 'machine' } } as Formula;
    expect(
      preparationsOf(batch('GNG'), melted, demoRules, demoEquipment.places).map(({ kind }) => kind),
    ).toEqual(['eggs-out']);
    expect(preparationsOf(batch('GNG', { tasks: [] }), of('GNG'), demoRules, demoEquipment.places)).toEqual(
      [],
    );
  });

  it('half of the butter melted is melted so early that it cools, and only the other half comes to the room', () => {
    const made = of('GNG');
    const half = {
      ...made,
      stages: made.stages.map((stage) => ({
        ...stage,
        lines: stage.lines.flatMap((line): FormulaLine[] =>
          line.ingredientId === 'butter'
            ? [
                { ...line, percent: line.percent / 2 },
                { ...line, percent: line.percent / 2, ready: ['melted'] },
              ]
            : [line],
        ),
      })),
    };
    const found = preparationsOf(batch('GNG'), half, demoRules, demoEquipment.places);
    const kindOf = (kind: string) => found.find((own) => own.kind === kind);
    const whole = prepare('GNG').find(({ kind }) => kind === 'butter-out');
    expect(kindOf('butter-out')?.massG).toBeCloseTo((whole?.massG ?? 0) / 2, -1);
    expect(kindOf('melt')).toMatchObject({ ingredientIds: ['butter'] });
    expect((mixS - (kindOf('melt')?.startS ?? 0)) / 60).toBeGreaterThan(30);
    // What is poured in melted spreads the dough half as much as if all were.
    const [none, some, all] = [
      processOf(made),
      processOf(half),
      processOf({ ...made, method: { cream: 'melted', egg: 'fully', finish: 'machine' } }),
    ].map((process) => Math.log(processFactors(process).stiffness)) as [number, number, number];
    expect(some).toBeCloseTo((none + all) / 2, 9);
    const melted = {
      ...half,
      stages: half.stages.map((stage) => ({
        ...stage,
        lines: stage.lines.map((line): FormulaLine =>
          line.ingredientId === 'butter' ? { ...line, ready: ['melted'] } : line,
        ),
      })),
    };
    expect(processOf(melted).cream).toBe('melted');
  });

  it('when nobody is there at that moment, it is done at the end of the shift before, and said', () => {
    const shifts = [
      { fromS: mixS - 16 * hour, toS: mixS - 10 * hour, capacity: 1 },
      { fromS: mixS - 0.5 * hour, toS: mixS + 5 * hour, capacity: 1 },
    ];
    const [butter, eggs] = prepare('GNG', shifts);
    for (const own of [butter, eggs]) {
      expect(own?.startS).toBe(mixS - 10 * hour - 60);
      expect(own?.earlyS).toBeGreaterThan(0);
    }
    // Planned when that evening is over, it is done at once, and no later than it is mixed.
    const at = (nowS: number) =>
      preparationsOf(batch('GNG'), of('GNG'), demoRules, demoEquipment.places, shifts, nowS);
    for (const own of at(mixS - 0.25 * hour)) expect(own.startS).toBe(mixS - 0.25 * hour);
    for (const own of at(mixS + hour)) expect(own.startS).toBe(mixS);
    expect(at(mixS - 12 * hour)).toEqual(prepare('GNG', shifts));
  });
});

describe('on the floor', () => {
  let count = 0;
  const entry = <K extends EntryKind>(kind: K, payload: Payloads[K], atS = mixS - 4 * hour): DraftEntry =>
    ({
      id: `e${(count += 1)}`,
      atMs: atS * 1000,
      who: 'Mix hand',
      device: 'test',
      lot: 'GNG-26-1-X',
      kind,
      payload,
    }) as DraftEntry;
  const open = (...entries: DraftEntry[]) =>
    openActions([batch('GNG')], reduceLedger(entries), prepare('GNG')).map(({ id }) => id);

  it('each is open until it is pressed or the dough is weighed; pressed twice, the second hears it', () => {
    expect(open()).toEqual(['GNG-26-1-X/butter-out', 'GNG-26-1-X/eggs-out', 'GNG-26-1-X/mix']);
    const out = entry('prepared', { what: 'butter-out' });
    expect(open(out)).toEqual(['GNG-26-1-X/eggs-out', 'GNG-26-1-X/mix']);
    const weighed = entry('weighed', { key: 'butter', massG: 1, targetG: 1, scaleId: 'bench' });
    expect(open(weighed)).toEqual(['GNG-26-1-X/mix']);
    const twice = reduceLedger([out, entry('prepared', { what: 'butter-out' })]);
    expect(twice.notices.map(({ code }) => code)).toEqual(['already']);
    const struck = entry('struck', { entryId: out.id, reason: 'pressed by mistake' });
    expect(open(out, struck)).toHaveLength(3);
  });

  it('butter that is late does not stand before a tray that is due', () => {
    const action = (kind: Action['kind'], dueMs: number): Action => ({
      id: kind,
      kind,
      batchId: 'GNG-26-1-X',
      productCode: 'GNG',
      trayIds: [],
      dueMs,
    });
    const [butter, pull, load] = [action('prepare', 0), action('pull', 9e6), action('load', 99e6)];
    expect(mostUrgent([butter, pull, load], 9e6)).toBe(pull);
    expect(mostUrgent([butter, load], 9e6)).toBe(butter);
    expect(mostUrgent([pull, butter], 9e6)).toBe(pull);
    expect(mostUrgent([], 9e6)).toBeUndefined();
  });
});
