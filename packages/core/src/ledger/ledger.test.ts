import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { createHash } from 'node:crypto';
import { demoFormulas } from '../demo/index.js';
import type { Formula } from '../formula/index.js';
import { lotRecord } from '../lot/index.js';
import { solvePlan } from '../planning/index.js';
import { calm, smallProblem } from '../planning/problem/problem.testkit.js';
import { mostUrgent, urgencyOf, type Action } from './action.js';
import { canonicalJson, chainText, firstBrokenSeq, genesisHash } from './chain.js';
import { openActions } from './due.js';
import type { DraftEntry, EntryKind, JournalEntry, Payloads } from './entry.js';
import { inTheCold } from './in-the-cold.js';
import { Ledger, reduceLedger } from './ledger.js';

let n = 0;
const entry = <K extends EntryKind>(
  kind: K,
  payload: Payloads[K],
  atMs = n * 1000,
  who = 'Oven hand',
  lot = 'ONE-A',
): DraftEntry =>
  ({
    id: `00000000-0000-4000-8000-${String(++n).padStart(12, '0')}`,
    atMs,
    who,
    device: 'test',
    lot,
    kind,
    payload,
  }) as DraftEntry;

const load = (trayIds: string[], atMs = 0, who?: string) =>
  entry(
    'loaded',
    {
      loadId: 'L1',
      trayIds,
      ovenId: 'oven',
      setC: 170,
      pullS: 600,
      trayRestS: 300,
      pieces: trayIds.map(() => 12),
    },
    atMs,
    who,
  );
type Step = 'turned' | 'pulled' | 'flattened' | 'racked' | 'iced' | 'packed';
const step = (kind: Step, trayIds: string[], atMs = 0, who?: string) =>
  entry(kind, { loadId: 'L1', trayIds }, atMs, who);

describe('the life of a tray', () => {
  it('is loaded, turned, pulled, racked', () => {
    const { trays, notices } = reduceLedger([
      load(['T1'], 0),
      step('turned', ['T1'], 300e3),
      step('pulled', ['T1'], 600e3),
      step('racked', ['T1'], 900e3),
    ]);
    expect(notices).toEqual([]);
    expect(trays.get('T1')).toMatchObject({
      ovenId: 'oven',
      pullS: 600,
      pieces: 12,
      loaded: { atMs: 0 },
      turned: { atMs: 300e3 },
      pulled: { atMs: 600e3 },
      racked: { atMs: 900e3 },
    });
  });
  it.each([
    [
      'loaded twice',
      [load(['T1'], 0, 'Early baker'), load(['T1'], 5000)],
      { code: 'already', step: 'loaded', by: { who: 'Early baker' } },
    ],
    [
      'pulled twice',
      [load(['T1']), step('pulled', ['T1'], 600e3, 'Early baker'), step('pulled', ['T1'], 601e3)],
      { code: 'already', step: 'pulled', subject: 'T1', by: { who: 'Early baker', atMs: 600e3 } },
    ],
    [
      'turned after the pull',
      [load(['T1']), step('pulled', ['T1']), step('turned', ['T1'])],
      { code: 'already', step: 'pulled' },
    ],
    ['racked before the pull', [load(['T1']), step('racked', ['T1'])], { code: 'not-pulled', subject: 'T1' }],
    ...(['flattened', 'iced', 'packed'] as const).flatMap((kind): [string, DraftEntry[], object][] => [
      [`${kind} before the pull`, [load(['T1']), step(kind, ['T1'])], { code: 'not-pulled', subject: 'T1' }],
      [
        `${kind} twice`,
        [load(['T1']), step('pulled', ['T1']), step(kind, ['T1'], 7000), step(kind, ['T1'], 9000)],
        { code: 'already', step: kind, by: { atMs: 7000 } },
      ],
    ]),
    ['pulled but never loaded', [step('pulled', ['T1'])], { code: 'never-loaded', step: 'pulled' }],
    [
      'measured but never loaded',
      [entry('inspected', { trayId: 'T9' })],
      { code: 'never-loaded', step: 'inspected', subject: 'T9' },
    ],
  ])('%s leaves a notice, and the first one counts', (_, entries, told) => {
    const { notices } = reduceLedger(entries);
    expect(notices).toHaveLength(1);
    expect(notices[0]).toMatchObject(told);
  });
  it('two people at one tray: the time of the first stays', () => {
    const { trays } = reduceLedger([
      load(['T1', 'T2']),
      step('pulled', ['T1'], 1000),
      step('pulled', ['T1', 'T2'], 2000),
    ]);
    expect(trays.get('T1')?.pulled?.atMs).toBe(1000);
    expect(trays.get('T2')?.pulled?.atMs).toBe(2000);
  });
  it('measured again keeps the last measure', () => {
    const { trays } = reduceLedger([
      load(['T1']),
      entry('inspected', { trayId: 'T1', diameterMm: 80 }),
      entry('inspected', { trayId: 'T1', diameterMm: 78, note: 'flat' }),
    ]);
    expect(trays.get('T1')?.inspected).toMatchObject({ diameterMm: 78, note: 'flat' });
  });
});

describe('the life of a batch', () => {
  const weigh = (key: string, massG: number) =>
    entry('weighed', { key, massG, targetG: massG, scaleId: 'bench' });
  const coldIn = (placeId: string, atMs: number, lot = 'ONE-A') =>
    entry(
      'rest-in',
      { placeId, form: 'pieces', cover: 'open', startC: 22, massG: 1500, pieces: 44 },
      atMs,
      'Mix hand',
      lot,
    );
  it('keeps each ingredient, the later reading over the earlier', () => {
    const { lots } = reduceLedger([
      weigh('cream/butter', 500),
      weigh('cream/butter', 510),
      weigh('dry/salt', 9),
    ]);
    expect([...(lots.get('ONE-A')?.weighed.keys() ?? [])]).toEqual(['cream/butter', 'dry/salt']);
    expect(lots.get('ONE-A')?.weighed.get('cream/butter')?.massG).toBe(510);
  });
  it('keeps pans, temperatures, stages and what was given to a dough', () => {
    const { lots } = reduceLedger([
      entry('browned', { inG: 900, outG: 742 }),
      entry('measured', { what: 'browned butter', temperatureC: 61 }),
      entry('measured', { what: 'browned butter', temperatureC: 37 }),
      entry('stage-done', { stageId: 'cream', durationS: 182 }),
      entry('adjusted', { look: 'crumbly', ingredientId: 'whole-milk', massG: 10 }),
      entry('adjusted', { look: 'crumbly', ingredientId: 'whole-milk', massG: 5 }),
    ]);
    const batch = lots.get('ONE-A');
    expect(batch?.browned.map(({ outG }) => outG)).toEqual([742]);
    expect(batch?.measured.get('browned butter')?.temperatureC).toBe(37);
    expect(batch?.stages.get('cream')?.durationS).toBe(182);
    expect(batch?.adjusted.reduce((sum, { massG }) => sum + massG, 0)).toBe(15);
  });
  it('is mixed once; what was missing stays with it', () => {
    const mixed = (doughC: number) =>
      entry('mixed', { doughC, massG: 1500, missing: ['Fine salt'], reason: 'none left' });
    const { lots, notices } = reduceLedger([mixed(22), mixed(23)]);
    expect(lots.get('ONE-A')?.mixed).toMatchObject({
      doughC: 22,
      missing: ['Fine salt'],
      reason: 'none left',
    });
    expect(notices[0]).toMatchObject({ code: 'already', step: 'mixed' });
  });
  it('is in the cold until it is taken out', () => {
    const inside = reduceLedger([coldIn('walk-in', 1000)]);
    expect(inTheCold(inside)).toMatchObject([{ batchId: 'ONE-A', placeId: 'walk-in', inMs: 1000 }]);
    const out = reduceLedger([coldIn('walk-in', 1000), entry('rest-out', { placeId: 'walk-in' }, 5000)]);
    expect(inTheCold(out)).toEqual([]);
    expect(out.lots.get('ONE-A')?.stays[0]?.outMs).toBe(5000);
  });
  it('a dough that is measured while it lies in the cold was measured in its core', () => {
    const measured = (temperatureC: number, atMs: number) =>
      entry('measured', { what: 'dough', temperatureC }, atMs);
    const state = reduceLedger([
      measured(22, 500),
      coldIn('walk-in', 1000),
      measured(14, 2000),
      entry('measured', { what: 'room', temperatureC: 24 }, 2500),
      measured(9, 3000),
      entry('rest-out', { placeId: 'walk-in' }, 5000),
      measured(11, 6000),
    ]);
    expect(state.lots.get('ONE-A')?.stays[0]?.cores.map(({ temperatureC }) => temperatureC)).toEqual([14, 9]);
    expect(state.lots.get('ONE-A')?.measured.get('dough')?.temperatureC).toBe(11);
  });
  it('the oldest dough in the cold comes first', () => {
    const state = reduceLedger([coldIn('walk-in', 9000), coldIn('freezer', 2000, 'TWO-A')]);
    expect(inTheCold(state).map((item) => item.batchId)).toEqual(['TWO-A', 'ONE-A']);
  });
  it('taken out of where it is not leaves a notice', () => {
    expect(reduceLedger([entry('rest-out', { placeId: 'freezer' })]).notices[0]).toMatchObject({
      code: 'not-in-there',
      placeId: 'freezer',
    });
  });
  it('has notes', () => {
    expect(reduceLedger([entry('note', { text: 'smells of lemon' })]).lots.get('ONE-A')?.notes[0]?.text).toBe(
      'smells of lemon',
    );
  });
});

describe('the journal as a whole', () => {
  const pulled = step('pulled', ['T1'], 500);
  it('an entry that is there twice counts once', () => {
    const { notices } = reduceLedger([load(['T1']), pulled, pulled]);
    expect(notices).toEqual([]);
  });
  it('a struck entry has no effect, wherever it stands', () => {
    const strike = entry('struck', { entryId: pulled.id, reason: 'pressed by mistake' });
    expect(reduceLedger([load(['T1']), pulled, strike]).trays.get('T1')?.pulled).toBeNull();
    const again = step('pulled', ['T1'], 900);
    const state = reduceLedger([load(['T1']), pulled, strike, again]);
    expect(state.trays.get('T1')?.pulled?.atMs).toBe(900);
    expect(state.notices).toEqual([]);
  });
  it('never throws, whatever comes in whatever order', () => {
    const any = fc.oneof(
      fc.constantFrom('T1', 'T2').map((t) => load([t])),
      fc
        .tuple(
          fc.constantFrom<Step>('turned', 'pulled', 'flattened', 'racked', 'iced', 'packed'),
          fc.constantFrom('T1', 'T2', 'T3'),
        )
        .map(([kind, t]) => step(kind, [t])),
      fc.constantFrom('walk-in', 'freezer').map((placeId) => entry('rest-out', { placeId })),
      fc.constant(null).map(() => entry('mixed', { doughC: 22, massG: 1, missing: [] })),
    );
    fc.assert(
      fc.property(fc.array(any, { maxLength: 25 }), (entries) => {
        const { trays, notices } = reduceLedger(entries);
        for (const tray of trays.values())
          if (tray.racked ?? tray.flattened ?? tray.iced ?? tray.packed) expect(tray.pulled).not.toBeNull();
        expect(notices.length).toBeLessThanOrEqual(entries.length);
      }),
    );
  });
});

const sha256 = (text: string) => createHash('sha256').update(text).digest('hex');
const chain = (drafts: readonly DraftEntry[]): JournalEntry[] => {
  let prevHash = genesisHash;
  return drafts.map((draft, i) => {
    const hash = sha256(chainText(prevHash, draft));
    const linked = { ...draft, seq: i + 1, prevHash, hash };
    prevHash = hash;
    return linked;
  });
};

describe('the hash chain', () => {
  const sound = chain([
    load(['T1']),
    step('turned', ['T1']),
    step('pulled', ['T1']),
    entry('note', { text: 'ok' }),
  ]);
  it('of untouched entries is whole', () => expect(firstBrokenSeq(sound, sha256)).toBeNull());
  it('shows a changed entry', () => {
    const changed = sound.map((e, i) => (i === 1 ? { ...e, who: 'Somebody else' } : e));
    expect(firstBrokenSeq(changed, sha256)).toBe(2);
  });
  it('shows a removed entry', () => {
    expect(
      firstBrokenSeq(
        sound.filter((e) => e.seq !== 3),
        sha256,
      ),
    ).toBe(4);
  });
  it('goes on from any link', () => {
    expect(firstBrokenSeq(sound.slice(2), sha256, sound[1]?.hash)).toBeNull();
  });
  it('does not depend on the order of keys', () => {
    expect(canonicalJson({ b: 1, a: [{ d: null, c: 'x' }] })).toBe('{"a":[{"c":"x","d":null}],"b":1}');
    expect(canonicalJson({ a: undefined, b: 2 })).toBe('{"b":2}');
    // Of RFC 8785, appendix B and section 3.2.3.
    expect(canonicalJson([1e30, 4.5, 2e-3, 1e-27, -0])).toBe('[1e+30,4.5,0.002,1e-27,0]');
    expect(canonicalJson({ '\u20ac': 1, '\r': 2, '1': 3, '\ud83d\ude00': 4, '\ufb33': 5 })).toBe(
      '{"\\r":2,"1":3,"\u20ac":1,"\ud83d\ude00":4,"\ufb33":5}',
    );
  });
});

describe('what is due', () => {
  const batch = solvePlan(smallProblem(), calm).batches[0];
  if (!batch) throw new Error('no plan');
  const kinds = (entries: readonly DraftEntry[]) =>
    openActions([batch], reduceLedger(entries)).map((a) => a.kind);
  const [first] = [...batch.loads].sort((a, b) => a.startS - b.startS);
  if (!first) throw new Error('no load');
  const mixed = entry('mixed', { doughC: 22, massG: 1500, missing: [] });
  const portioned = entry('portioned', { pieces: 44, scoop: 30, samplesG: [], targetG: 34, remainderG: 0 });
  const resting = entry('rest-in', {
    placeId: 'walk-in',
    form: 'pieces',
    cover: 'open',
    startC: 22,
    massG: 1500,
    pieces: 44,
  });
  const ids = first.trays.map((t) => t.id);
  const loadedAt = (atMs: number) =>
    entry(
      'loaded',
      {
        loadId: first.id,
        trayIds: ids,
        ovenId: 'oven',
        setC: 170,
        pullS: 720,
        trayRestS: 300,
        pieces: [12, 12],
      },
      atMs,
    );

  it('goes through the steps of the line', () => {
    expect(kinds([])).toEqual(['mix', 'load', 'load']);
    expect(kinds([mixed])).toEqual(['portion', 'load', 'load']);
    expect(kinds([mixed, portioned])).toEqual(['rest-in', 'load', 'load']);
    expect(kinds([mixed, portioned, resting])).toEqual(['load', 'load']);
  });
  it('a loaded tray is turned at half time and pulled at the end, counted from the loading', () => {
    const at = first.startS * 1000 + 90_000;
    const actions = openActions([batch], reduceLedger([mixed, portioned, resting, loadedAt(at)]));
    const due = (kind: string) => actions.find((a) => a.kind === kind)?.dueMs;
    expect(due('turn')).toBe(at + 360_000);
    expect(due('pull')).toBe(at + 720_000);
    expect(actions.find((a) => a.kind === 'pull')?.trayIds).toEqual(ids);
  });
  it('a pulled tray leaves for the rack after its rest, and then nothing is left of it', () => {
    const done = [
      mixed,
      portioned,
      resting,
      loadedAt(0),
      entry('turned', { loadId: first.id, trayIds: ids }, 1),
      entry('pulled', { loadId: first.id, trayIds: ids }, 720_000),
    ];
    const rack = openActions([batch], reduceLedger(done)).find((a) => a.kind === 'rack');
    expect(rack?.dueMs).toBe(720_000 + 300_000);
    const after = kinds([...done, entry('racked', { loadId: first.id, trayIds: ids }, 1_100_000)]);
    expect(after).toEqual(['load']);
  });
  it('half a load stays open for the other half', () => {
    const half = entry(
      'loaded',
      {
        loadId: first.id,
        trayIds: ids.slice(0, 1),
        ovenId: 'oven',
        setC: 170,
        pullS: 720,
        trayRestS: 300,
        pieces: [12],
      },
      0,
    );
    const waiting = openActions([batch], reduceLedger([mixed, portioned, resting, half])).find(
      (a) => a.kind === 'load' && a.load?.id === first.id,
    );
    expect(waiting?.trayIds).toEqual(ids.slice(1));
  });
  it('what the product asks for after the oven comes in its order, and no sooner than it is cold', () => {
    const problem = smallProblem();
    const after = { flattenPieceS: 1, icePieceS: 4, dryS: 1800, packPieceS: 3 };
    const [iced] = solvePlan(
      {
        ...problem,
        products: problem.products.map((product) => ({ ...product, after })),
      },
      calm,
    ).batches;
    const [load1] = [...(iced?.loads ?? [])].sort((a, b) => a.startS - b.startS);
    if (!iced || !load1) throw new Error('no plan');
    const trayIds = load1.trays.map(({ id }) => id);
    const planned = (kind: string) =>
      iced.tasks.find((task) => task.loadId === load1.id && task.kind === kind)?.startS ?? Number.NaN;
    const at = (atS: number, kind: Step) => entry(kind, { loadId: load1.id, trayIds }, atS * 1000);
    const loaded = entry(
      'loaded',
      {
        loadId: load1.id,
        trayIds,
        ovenId: 'oven',
        setC: 170,
        pullS: 720,
        trayRestS: 300,
        pieces: load1.trays.map(({ pieces }) => pieces),
      },
      load1.startS * 1000,
    );
    const pulledS = load1.startS + 720;
    const of = (entries: readonly DraftEntry[], nowS?: number) =>
      openActions([iced], reduceLedger(entries), [], nowS === undefined ? undefined : nowS * 1000)
        .filter((action) => action.load?.id === load1.id)
        .map(({ kind, dueMs }) => [kind, dueMs / 1000]);
    const out = [loaded, at(pulledS - 360, 'turned'), at(pulledS, 'pulled')];
    expect(of(out)).toEqual([
      ['flatten', pulledS],
      ['rack', pulledS + 300],
    ]);
    const racked = [...out, at(pulledS + 30, 'flattened'), at(pulledS + 300, 'racked')];
    expect(of(racked)).toEqual([['ice', planned('ice')]]);
    // A rack that is twenty minutes late is cold twenty minutes later.
    const late = [...out, at(pulledS + 30, 'flattened'), at(pulledS + 1500, 'racked')];
    expect(of(late)).toEqual([['ice', planned('ice') + 1200]]);
    const glazed = [...racked, at(planned('ice') + 60, 'iced')];
    expect(of(glazed)).toEqual([['pack', planned('pack') + 60]]);
    expect(of([...glazed, at(planned('pack') + 90, 'packed')])).toEqual([]);
    // Nobody asks for what left the bakery hours ago.
    expect(of(glazed, load1.dueS + 3600)).toHaveLength(1);
    expect(of(glazed, load1.dueS + 7300)).toEqual([]);
    // Pressed flat hot or not at all: once it is on the rack it is too late.
    expect(of([...out, at(pulledS + 300, 'racked')]).map(([kind]) => kind)).toEqual(['ice']);
  });

  it('what waits to be packed does not stand before a tray that is due', () => {
    const action = (kind: 'pack' | 'ice' | 'pull', dueMs: number) =>
      ({ id: kind, kind, batchId: 'B', productCode: 'P', trayIds: [], dueMs }) as const;
    expect(mostUrgent([action('pack', 0), action('pull', 9e6)], 9e6)?.kind).toBe('pull');
    expect(mostUrgent([action('ice', 0), action('pull', 99e6)], 9e6)?.kind).toBe('ice');
  });

  it.each([
    [-700e3, 'later'],
    [-500e3, 'soon'],
    [-10e3, 'now'],
    [20e3, 'now'],
    [40e3, 'late'],
  ])('a pull at %d ms from its time is %s', (off, urgency) => {
    expect(urgencyOf({ kind: 'pull', dueMs: 1e9 } as Action, 1e9 + off)).toBe(urgency);
  });
});

describe('two people, one press', () => {
  const restIn = (placeId: string, atMs: number, who: string) =>
    entry(
      'rest-in',
      { placeId, form: 'tub', cover: 'covered', startC: 22, massG: 6000, pieces: 0 },
      atMs,
      who,
    );
  it('one stay, with a notice to the second; struck, it is gone', () => {
    const first = restIn('walk-in', 1000, 'Mix hand');
    const second = restIn('walk-in', 2000, 'Early baker');
    const state = reduceLedger([first, second]);
    expect(state.lots.get('ONE-A')?.stays).toHaveLength(1);
    expect(state.notices).toMatchObject([
      {
        code: 'already',
        step: 'rest-in',
        placeId: 'walk-in',
        who: 'Early baker',
        by: { who: 'Mix hand', atMs: 1000 },
      },
    ]);
    const strike = (of: DraftEntry) => entry('struck', { entryId: of.id, reason: 'pressed twice' });
    expect(reduceLedger([first, second, strike(second)]).notices).toEqual([]);
    expect(inTheCold(reduceLedger([first, second, strike(first), strike(second)]))).toEqual([]);
    // Without the first the second counts.
    expect(inTheCold(reduceLedger([first, second, strike(first)]))[0]?.inMs).toBe(2000);
  });
  it('put into another place it has left the first: it lies in one place', () => {
    const state = reduceLedger([restIn('walk-in', 1000, 'Mix hand'), restIn('freezer', 5000, 'Mix hand')]);
    expect(inTheCold(state).map(({ placeId }) => placeId)).toEqual(['freezer']);
    expect(state.lots.get('ONE-A')?.stays[0]?.outMs).toBe(5000);
    expect(state.notices).toEqual([]);
  });
  it('taken out twice: the first counts and is named', () => {
    const out = (who: string, atMs: number) => entry('rest-out', { placeId: 'walk-in' }, atMs, who);
    const { notices } = reduceLedger([
      restIn('walk-in', 1000, 'Mix hand'),
      out('Oven hand', 5000),
      out('Early baker', 6000),
    ]);
    expect(notices).toMatchObject([{ code: 'already', step: 'rest-out', by: { who: 'Oven hand' } }]);
  });
  it('a part is taken out and the rest stays', () => {
    const bag = entry(
      'rest-in',
      { placeId: 'freezer', form: 'bag', cover: 'covered', startC: 20, massG: 5400, pieces: 300 },
      1000,
    );
    const state = reduceLedger([
      bag,
      entry('rest-out', { placeId: 'freezer', pieces: 96, massG: 1728 }, 2000),
    ]);
    expect(inTheCold(state)).toMatchObject([{ pieces: 204, massG: 3672 }]);
    const rest = entry('rest-out', { placeId: 'freezer', pieces: 204, massG: 3672 }, 3000);
    expect(
      inTheCold(
        reduceLedger([bag, entry('rest-out', { placeId: 'freezer', pieces: 96, massG: 1728 }, 2000), rest]),
      ),
    ).toEqual([]);
  });
});

describe('parts of a lot', () => {
  const made = entry('mixed', { doughC: 22, massG: 6000, missing: [] }, 0);
  const inside = entry(
    'rest-in',
    { placeId: 'walk-in', form: 'tub', cover: 'covered', startC: 22, massG: 6000, pieces: 0 },
    1000,
  );
  const split = entry('split', { into: 'ONE-A.2', massG: 2000, pieces: 0 }, 2000);
  it('what is split off or discarded lies there no more', () => {
    const discard = entry('discarded', { massG: 500, pieces: 0, reason: 'fell on the floor' }, 3000);
    const state = reduceLedger([made, inside, split, discard]);
    expect(inTheCold(state)[0]?.massG).toBe(3500);
    expect(state.lots.get('ONE-A')?.splits).toMatchObject([{ into: 'ONE-A.2', massG: 2000 }]);
  });
  it('split twice by two presses it is split once', () => {
    const again = entry('split', { into: 'ONE-A.2', massG: 2000, pieces: 0 }, 2500, 'Early baker');
    const state = reduceLedger([made, inside, split, again]);
    expect(inTheCold(state)[0]?.massG).toBe(4000);
    expect(state.notices).toMatchObject([{ code: 'already', step: 'split' }]);
  });
  it('all of it discarded, it has left', () =>
    expect(
      inTheCold(
        reduceLedger([
          made,
          inside,
          entry('discarded', { massG: 6000, pieces: 0, reason: 'warm for a night' }),
        ]),
      ),
    ).toEqual([]));
});

describe('names that people give', () => {
  const nasty = ['constructor', 'toString', '__proto__', 'hasOwnProperty', 'valueOf', 'length'];
  it.each(nasty)('a lot, a tray, an ingredient, a stage named %s is one like any other', (name) => {
    const of = <K extends EntryKind>(kind: K, payload: Payloads[K]) => entry(kind, payload, 5, 'x', name);
    const state = reduceLedger([
      of('note', { text: 'hello' }),
      of('weighed', { key: name, massG: 1, targetG: 1, scaleId: name }),
      of('stage-done', { stageId: name, durationS: 1 }),
      of('loaded', {
        loadId: name,
        trayIds: [name],
        ovenId: name,
        setC: 170,
        pullS: 600,
        trayRestS: 60,
        pieces: [1],
      }),
      of('pulled', { loadId: name, trayIds: [name] }),
    ]);
    const lot = state.lots.get(name);
    expect(lot?.notes.map(({ text }) => text)).toEqual(['hello']);
    expect(lot?.weighed.get(name)?.massG).toBe(1);
    expect(lot?.stages.get(name)?.durationS).toBe(1);
    expect(state.trays.get(name)?.pulled?.atMs).toBe(5);
    expect(state.notices).toEqual([]);
  });
  it('an entry that cannot be read hides itself and nothing else', () => {
    const broken = { ...entry('loaded', {} as Payloads['loaded']), lot: 'BAD' } as DraftEntry;
    const state = reduceLedger([broken, entry('note', { text: 'fine' })]);
    expect(state.lots.get('ONE-A')?.notes).toHaveLength(1);
    expect(state.notices).toMatchObject([{ code: 'unreadable', lot: 'BAD' }]);
  });
  it('what a lot pins hides itself where it is made of something that nobody knows', () => {
    const ginger = demoFormulas[0] as Formula;
    const record = lotRecord(ginger, { massG: 6000, pieces: 180, day: null, mixerId: null });
    const ghost = { ingredientId: 'own-ghost', percent: 5 };
    const entries = [
      entry('begun', { ...record, formula: { ...ginger, toppings: [ghost] } }, 0, 'x', 'LOT-1'),
      entry('begun', record, 1, 'x', 'LOT-1'),
    ];
    const lot = reduceLedger(entries).lots.get('LOT-1');
    expect(lot?.notices).toMatchObject([{ code: 'unreadable' }]);
    // What comes after it counts.
    expect(lot?.begun?.massG).toBe(6000);
    expect(lot?.begun?.formula).toEqual(ginger);
  });
});

describe('entry by entry', () => {
  it('comes to the same floor as all at once, in whatever order they arrive', () => {
    const lots = ['A', 'B'];
    const some = fc.oneof(
      fc
        .tuple(fc.constantFrom(...lots), fc.constantFrom('T1', 'T2'))
        .map(([lot, t]) => ({ ...load([`${lot}${t}`]), lot })),
      fc
        .tuple(
          fc.constantFrom(...lots),
          fc.constantFrom('turned' as const, 'pulled' as const),
          fc.constantFrom('T1', 'T2'),
        )
        .map(([lot, kind, t]) => ({ ...step(kind, [`${lot}${t}`]), lot })),
      fc.tuple(fc.constantFrom(...lots), fc.constantFrom('walk-in', 'freezer')).map(([lot, placeId]) => ({
        ...entry('rest-in', { placeId, form: 'tub', cover: 'open', startC: 20, massG: 1, pieces: 0 }),
        lot,
      })),
      fc.constantFrom(...lots).map((lot) => ({ ...entry('rest-out', { placeId: 'walk-in' }), lot })),
    ) as fc.Arbitrary<DraftEntry>;
    fc.assert(
      fc.property(
        fc.array(some, { maxLength: 20 }),
        fc.array(fc.nat(19), { maxLength: 4 }),
        fc.nat(1000),
        (base, hit, seed) => {
          const strikes = hit
            .filter((i) => i < base.length)
            .map((i) => ({
              ...entry('struck', { entryId: base[i]?.id ?? '', reason: 'no' }),
              lot: base[i]?.lot ?? 'A',
            }));
          const all = [...base, ...strikes];
          const whole = reduceLedger(all);
          const ledger = new Ledger();
          // First some as pending, then all confirmed in a shuffled order, looking in between.
          all.slice(0, seed % 5).forEach((e) => ledger.put(e));
          const order = all.map((e, i) => ({ e, i, k: (i * 7919 + seed) % 101 })).sort((a, b) => a.k - b.k);
          for (const { e, i } of order) {
            ledger.put(e, i);
            if (i % 3 === 0) ledger.floor();
          }
          const floor = ledger.floor();
          expect(floor.lots).toEqual(whole.lots);
          expect(floor.trays).toEqual(whole.trays);
          expect(floor.notices.length).toBe(whole.notices.length);
        },
      ),
    );
  });
  it('an entry that was refused is gone again', () => {
    const ledger = new Ledger();
    const note = entry('note', { text: 'x' });
    ledger.put(note);
    expect(ledger.floor().lots.size).toBe(1);
    ledger.remove(note.id);
    expect(ledger.floor().lots.size).toBe(0);
  });
  it('a lot that nothing was added to stays the same object', () => {
    const ledger = new Ledger();
    ledger.put({ ...entry('note', { text: 'x' }), lot: 'A' }, 1);
    ledger.put({ ...entry('note', { text: 'y' }), lot: 'B' }, 2);
    const before = ledger.floor();
    ledger.put({ ...entry('note', { text: 'z' }), lot: 'B' }, 3);
    const after = ledger.floor();
    expect(after.lots.get('A')).toBe(before.lots.get('A'));
    expect(after.lots.get('B')).not.toBe(before.lots.get('B'));
    expect(ledger.floor()).toBe(after);
  });
});
