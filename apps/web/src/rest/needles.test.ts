import { describe, expect, it } from '@jest/globals';
import {
  demoEquipment,
  demoFormulas,
  demoRules,
  reduceLedger,
  type DraftEntry,
  type EntryKind,
  type Payloads,
} from '@jokul/core';
import { productOf } from '@jokul/core';
import { needleReadings } from './needles';

const place = demoEquipment.places.find(({ id }) => id === 'walk-in');
if (!place) throw new Error('no walk-in');
const nowMs = 1_800_000_000_000;
const minute = 60_000;
let count = 0;
const entry = <K extends EntryKind>(kind: K, minutesAgo: number, payload: Payloads[K], lot = 'GNG-1-A') =>
  ({
    id: `e${count++}`,
    atMs: nowMs - minutesAgo * minute,
    who: 'Mix hand',
    device: 'd',
    lot,
    kind,
    payload,
  }) as DraftEntry;
const into = (minutesAgo: number, lot?: string, placeId = 'walk-in') =>
  entry(
    'rest-in',
    minutesAgo,
    { placeId, form: 'pieces', cover: 'open', startC: 21, massG: 5000, pieces: 100 },
    lot,
  );
const needle = (minutesAgo: number, temperatureC: number, lot?: string) =>
  entry('measured', minutesAgo, { what: 'dough', temperatureC }, lot);
const readings = (entries: readonly DraftEntry[], air: readonly { atMs: number; airC: number }[] = []) =>
  needleReadings(
    place,
    reduceLedger(entries),
    (lot) => demoFormulas.find(({ code }) => code === productOf(lot)),
    demoRules,
    air,
    nowMs,
  );

describe('the cores measured in a place', () => {
  it('are asked of the model as the dough lay there, the newest first', () => {
    const found = readings([into(90), needle(60, 12.5), into(80, 'LEM-1-A'), needle(20, 7, 'LEM-1-A')]);
    expect(found.map(({ coreC, afterS }) => [coreC, afterS])).toEqual([
      [7, 3600],
      [12.5, 1800],
    ]);
    expect(found[1]?.question).toMatchObject({ form: 'pieces', startC: 21, place: { id: 'walk-in' } });
    expect(found[1]?.question.formula.code).toBe('GNG');
  });
  it('of one stay share one question, so that one curve answers them all', () => {
    const [later, sooner] = readings([into(90), needle(60, 12.5), needle(30, 8.5)]);
    expect([later?.coreC, sooner?.coreC]).toEqual([8.5, 12.5]);
    expect(later?.question).toBe(sooner?.question);
  });
  it('of other places, of a dough that just came in, and of an unknown product are left out', () => {
    expect(
      readings([
        into(90, 'RYE-1-A', 'freezer'),
        needle(60, 2, 'RYE-1-A'),
        into(90),
        needle(89, 20),
        into(90, 'ZZZ-1-A'),
        needle(60, 9, 'ZZZ-1-A'),
      ]),
    ).toEqual([]);
  });
  it('take the air of the probe where it goes back far enough', () => {
    const air = (fromMinutes: number) =>
      Array.from({ length: fromMinutes + 1 }, (_, i) => ({
        atMs: nowMs - (fromMinutes - i) * minute,
        airC: 6,
      }));
    const entries = [into(90), needle(30, 9)];
    expect(readings(entries, air(100))[0]?.question.measured?.[0]).toEqual({ afterS: 0, airC: 6 });
    expect(readings(entries, air(45))[0]?.question.measured).toBeUndefined();
  });
});
