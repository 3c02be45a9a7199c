import { createHash } from 'node:crypto';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { solvePlan } from '../schedule/index.js';
import { smallProblem } from '../schedule/problem.testkit.js';
import { canonicalJson, chainText, firstBrokenSeq, genesisHash } from './chain.js';
import { inTheCold, openActions, urgencyOf, type Action } from './due.js';
import type { DraftEntry, EntryKind, JournalEntry, Payloads } from './entry.js';
import { reduceJournal } from './reduce.js';

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
const step = (kind: 'turned' | 'pulled' | 'racked', trayIds: string[], atMs = 0, who?: string) =>
  entry(kind, { loadId: 'L1', trayIds }, atMs, who);

describe('the life of a tray', () => {
  it('is loaded, turned, pulled, racked', () => {
    const { trays, notices } = reduceJournal([
      load(['T1'], 0),
      step('turned', ['T1'], 300e3),
      step('pulled', ['T1'], 600e3),
      step('racked', ['T1'], 900e3),
    ]);
    expect(notices).toEqual([]);
    expect(trays.T1).toMatchObject({
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
    ['loaded twice', [load(['T1'], 0, 'Early baker'), load(['T1'], 5000)], 'already loaded by Early baker'],
    [
      'pulled twice',
      [load(['T1']), step('pulled', ['T1'], 600e3, 'Early baker'), step('pulled', ['T1'], 601e3)],
      'already pulled by Early baker (00:10 UTC)',
    ],
    [
      'turned after the pull',
      [load(['T1']), step('pulled', ['T1']), step('turned', ['T1'])],
      'already pulled',
    ],
    ['racked before the pull', [load(['T1']), step('racked', ['T1'])], 'was not pulled'],
    ['pulled but never loaded', [step('pulled', ['T1'])], 'never loaded'],
    [
      'measured but never loaded',
      [entry('inspected', { trayId: 'T9' })],
      'T9 was measured, but it was never loaded',
    ],
  ])('%s leaves a notice, and the first one counts', (_, entries, sentence) => {
    const { notices } = reduceJournal(entries);
    expect(notices).toHaveLength(1);
    expect(notices[0]?.message).toContain(sentence);
  });
  it('two people at one tray: the time of the first stays', () => {
    const { trays } = reduceJournal([
      load(['T1', 'T2']),
      step('pulled', ['T1'], 1000),
      step('pulled', ['T1', 'T2'], 2000),
    ]);
    expect(trays.T1?.pulled?.atMs).toBe(1000);
    expect(trays.T2?.pulled?.atMs).toBe(2000);
  });
  it('measured again keeps the last measure', () => {
    const { trays } = reduceJournal([
      load(['T1']),
      entry('inspected', { trayId: 'T1', diameterMm: 80 }),
      entry('inspected', { trayId: 'T1', diameterMm: 78, note: 'flat' }),
    ]);
    expect(trays.T1?.inspected).toMatchObject({ diameterMm: 78, note: 'flat' });
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
    const { batches } = reduceJournal([
      weigh('cream/butter', 500),
      weigh('cream/butter', 510),
      weigh('dry/salt', 9),
    ]);
    expect(Object.keys(batches['ONE-A']?.weighed ?? {})).toEqual(['cream/butter', 'dry/salt']);
    expect(batches['ONE-A']?.weighed['cream/butter']?.massG).toBe(510);
  });
  it('keeps pans, temperatures, stages and what was given to a dough', () => {
    const { batches } = reduceJournal([
      entry('browned', { inG: 900, outG: 742 }),
      entry('measured', { what: 'browned butter', temperatureC: 61 }),
      entry('measured', { what: 'browned butter', temperatureC: 37 }),
      entry('stage-done', { stageId: 'cream', durationS: 182 }),
      entry('adjusted', { look: 'crumbly', ingredientId: 'whole-milk', massG: 10 }),
      entry('adjusted', { look: 'crumbly', ingredientId: 'whole-milk', massG: 5 }),
    ]);
    const batch = batches['ONE-A'];
    expect(batch?.browned.map(({ outG }) => outG)).toEqual([742]);
    expect(batch?.measured['browned butter']?.temperatureC).toBe(37);
    expect(batch?.stages.cream?.durationS).toBe(182);
    expect(batch?.adjusted.reduce((sum, { massG }) => sum + massG, 0)).toBe(15);
  });
  it('is mixed once; what was missing stays with it', () => {
    const mixed = (doughC: number) =>
      entry('mixed', { doughC, massG: 1500, missing: ['Fine salt'], reason: 'none left' });
    const { batches, notices } = reduceJournal([mixed(22), mixed(23)]);
    expect(batches['ONE-A']?.mixed).toMatchObject({
      doughC: 22,
      missing: ['Fine salt'],
      reason: 'none left',
    });
    expect(notices[0]?.message).toContain('already mixed');
  });
  it('is in the cold until it is taken out', () => {
    const inside = reduceJournal([coldIn('walk-in', 1000)]);
    expect(inTheCold(inside)).toMatchObject([{ batchId: 'ONE-A', placeId: 'walk-in', inMs: 1000 }]);
    const out = reduceJournal([coldIn('walk-in', 1000), entry('rest-out', { placeId: 'walk-in' }, 5000)]);
    expect(inTheCold(out)).toEqual([]);
    expect(out.batches['ONE-A']?.stays[0]?.outMs).toBe(5000);
  });
  it('a dough that is measured while it lies in the cold was measured in its core', () => {
    const measured = (temperatureC: number, atMs: number) =>
      entry('measured', { what: 'dough', temperatureC }, atMs);
    const state = reduceJournal([
      measured(22, 500),
      coldIn('walk-in', 1000),
      measured(14, 2000),
      entry('measured', { what: 'room', temperatureC: 24 }, 2500),
      measured(9, 3000),
      entry('rest-out', { placeId: 'walk-in' }, 5000),
      measured(11, 6000),
    ]);
    expect(state.batches['ONE-A']?.stays[0]?.cores.map(({ temperatureC }) => temperatureC)).toEqual([14, 9]);
    expect(state.batches['ONE-A']?.measured.dough?.temperatureC).toBe(11);
  });
  it('the oldest dough in the cold comes first', () => {
    const state = reduceJournal([coldIn('walk-in', 9000), coldIn('freezer', 2000, 'TWO-A')]);
    expect(inTheCold(state).map((item) => item.batchId)).toEqual(['TWO-A', 'ONE-A']);
  });
  it('taken out of where it is not leaves a notice', () => {
    expect(reduceJournal([entry('rest-out', { placeId: 'freezer' })]).notices[0]?.message).toContain(
      'was not in there',
    );
  });
  it('has notes', () => {
    expect(reduceJournal([entry('note', { text: 'smells of lemon' })]).batches['ONE-A']?.notes[0]?.text).toBe(
      'smells of lemon',
    );
  });
});

describe('the journal as a whole', () => {
  const pulled = step('pulled', ['T1'], 500);
  it('an entry that is there twice counts once', () => {
    const { notices } = reduceJournal([load(['T1']), pulled, pulled]);
    expect(notices).toEqual([]);
  });
  it('a struck entry has no effect, wherever it stands', () => {
    const strike = entry('struck', { entryId: pulled.id, reason: 'pressed by mistake' });
    expect(reduceJournal([load(['T1']), pulled, strike]).trays.T1?.pulled).toBeNull();
    const again = step('pulled', ['T1'], 900);
    const state = reduceJournal([load(['T1']), pulled, strike, again]);
    expect(state.trays.T1?.pulled?.atMs).toBe(900);
    expect(state.notices).toEqual([]);
  });
  it('never throws, whatever comes in whatever order', () => {
    const any = fc.oneof(
      fc.constantFrom('T1', 'T2').map((t) => load([t])),
      fc
        .tuple(
          fc.constantFrom('turned' as const, 'pulled' as const, 'racked' as const),
          fc.constantFrom('T1', 'T2', 'T3'),
        )
        .map(([kind, t]) => step(kind, [t])),
      fc.constantFrom('walk-in', 'freezer').map((placeId) => entry('rest-out', { placeId })),
      fc.constant(null).map(() => entry('mixed', { doughC: 22, massG: 1, missing: [] })),
    );
    fc.assert(
      fc.property(fc.array(any, { maxLength: 25 }), (entries) => {
        const { trays, notices } = reduceJournal(entries);
        for (const tray of Object.values(trays)) if (tray.racked) expect(tray.pulled).not.toBeNull();
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
  });
});

describe('what is due', () => {
  const batch = solvePlan(smallProblem()).batches[0];
  if (!batch) throw new Error('no plan');
  const kinds = (entries: readonly DraftEntry[]) =>
    openActions([batch], reduceJournal(entries)).map((a) => a.kind);
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
    const actions = openActions([batch], reduceJournal([mixed, portioned, resting, loadedAt(at)]));
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
    const rack = openActions([batch], reduceJournal(done)).find((a) => a.kind === 'rack');
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
    const waiting = openActions([batch], reduceJournal([mixed, portioned, resting, half])).find(
      (a) => a.kind === 'load' && a.load?.id === first.id,
    );
    expect(waiting?.trayIds).toEqual(ids.slice(1));
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
