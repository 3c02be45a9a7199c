import { describe, expect, it } from '@jest/globals';
import { demoEquipment, demoFormulas, demoRules } from '../demo/index.js';
import type { Formula } from '../formula/index.js';
import { inTheCold, reduceLedger, type DraftEntry, type EntryKind, type Payloads } from '../ledger/index.js';
import { lotRecord } from '../lot/index.js';
import { lotAllergens, lotDeclares } from './lot-allergens.js';
import { partOff } from './part.js';
import { coldLabels } from './places.js';
import { kindOfPlace } from './window.js';

/* Yesterday's remainder was made by a version with sesame in it, and goes into today's dough. */

const today = demoFormulas.find(({ code }) => code === 'GNG') as Formula;
const yesterday: Formula = {
  ...today,
  version: 0,
  toppings: [...today.toppings, { ingredientId: 'sesame', percent: 3, on: 'top' }],
};
const made = { massG: 6000, pieces: 180, day: null, mixerId: null };
let n = 0;
const entry = <K extends EntryKind>(lot: string, kind: K, payload: Payloads[K]): DraftEntry =>
  ({
    id: `00000000-0000-4000-8000-${String(++n).padStart(12, '0')}`,
    atMs: n * 60_000,
    who: 'Mix hand',
    device: 'test',
    lot,
    kind,
    payload,
  }) as DraftEntry;
const stay = {
  placeId: 'walk-in',
  form: 'tub',
  cover: 'covered',
  startC: 22,
  massG: 6000,
  pieces: 0,
} as const;
const floorWith = (allergens?: Payloads['merged']['allergens']) =>
  reduceLedger([
    entry('OLD', 'begun', lotRecord(yesterday, made)),
    entry('NEW', 'begun', lotRecord(today, made)),
    entry('NEW', 'rest-in', stay),
    entry('NEW', 'merged', { from: 'OLD', massG: 500, ...(allergens && { allergens }) }),
  ]);
const lotIn = (floor: ReturnType<typeof floorWith>, name: string) => {
  const lot = floor.lots.get(name);
  if (!lot) throw new Error(name);
  return lot;
};

describe('what a lot declares', () => {
  it('is what it pinned, and what came with dough that was worked in', () => {
    expect(lotAllergens(lotIn(floorWith(), 'NEW'), today)).not.toContain('sesame');
    const lot = lotIn(floorWith(['gluten', 'sesame']), 'NEW');
    expect(lotAllergens(lot, today)).toEqual([...(lot.begun?.allergens ?? []), 'sesame'].sort());
  });
  it('stands on the tub, also where an older entry does not say it', () => {
    for (const said of [['sesame' as const], undefined]) {
      const floor = floorWith(said);
      const [item] = inTheCold(floor);
      if (!item) throw new Error('nothing in the cold');
      const [label] = coldLabels(item, lotIn(floor, 'NEW'), today, demoEquipment, demoRules, (name) =>
        floor.lots.get(name),
      );
      expect(label?.allergens).toContain('sesame');
    }
  });
  it('names its nuts, those of dough that was worked in too', () => {
    const old = { ...today, toppings: [{ ingredientId: 'hazelnuts', percent: 5, on: 'top' as const }] };
    const floorOf = (which?: Payloads['merged']['which']) =>
      reduceLedger([
        entry('OLD', 'begun', lotRecord(old, made)),
        entry('NEW', 'begun', lotRecord(today, made)),
        entry('NEW', 'rest-in', stay),
        entry('NEW', 'merged', { from: 'OLD', massG: 500, allergens: ['nuts'], ...(which && { which }) }),
      ]);
    for (const floor of [floorOf(['hazelnut']), floorOf()]) {
      const [item] = inTheCold(floor);
      if (!item) throw new Error('nothing in the cold');
      const [label] = coldLabels(item, lotIn(floor, 'NEW'), today, demoEquipment, demoRules, (name) =>
        floor.lots.get(name),
      );
      expect(label?.allergens).toEqual(expect.arrayContaining(['nuts', 'hazelnut']));
    }
  });
  it('names them by its pinned formula where the entry is of an older Jokul', () => {
    const { which: _w, ...older } = lotRecord(
      { ...today, toppings: [{ ingredientId: 'walnuts', percent: 5, on: 'top' }] },
      made,
    );
    const floor = reduceLedger([entry('NEW', 'begun', older), entry('NEW', 'rest-in', stay)]);
    expect(lotDeclares(lotIn(floor, 'NEW'), today)).toContain('walnut');
  });
  it('goes along with a part', () => {
    const lot = lotIn(floorWith(['sesame']), 'NEW');
    const writes = partOff(
      lot,
      { into: 'NEW.1', massG: 500, pieces: 0 },
      today,
      kindOfPlace(demoEquipment.places),
      n * 60_000,
    );
    const begun = writes.find(({ kind }) => kind === 'begun')?.payload as Payloads['begun'];
    expect(begun.allergens).toContain('sesame');
  });
});
