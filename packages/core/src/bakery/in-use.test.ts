import { describe, expect, it } from '@jest/globals';
import { demoEquipment } from '../demo/index.js';
import { linerStock, type Equipment } from './equipment.js';
import { checkEquipment } from './check-equipment.js';
import { freeId, inUse } from './in-use.js';

const retire = (
  kind: 'ovens' | 'mixers' | 'scales' | 'places' | 'trays' | 'racks',
  which: (id: string) => boolean,
): Equipment => ({
  ...demoEquipment,
  [kind]: demoEquipment[kind].map((item) => (which(item.id) ? { ...item, retired: true } : item)),
});

describe('equipment in use', () => {
  it('leaves out what is retired, unless a load is still on it', () => {
    const equipment = retire('ovens', (id) => id === 'port');
    expect(inUse(equipment).ovens.map(({ id }) => id)).toEqual(['starboard', 'keel-upper', 'keel-lower']);
    expect(inUse(equipment, (id) => id === 'port').ovens).toHaveLength(4);
    expect(equipment.ovens).toHaveLength(4);
  });
  it('the demo’s can be planned on', () => expect(() => checkEquipment(demoEquipment)).not.toThrow());
  it('needs no liner: there is as much of each as is wanted', () => {
    expect(() => checkEquipment({ ...demoEquipment, liners: [] })).not.toThrow();
    const given = { id: 'a', name: 'Blue mats', kind: 'mat' as const, retired: true };
    const liners = [given, { ...given, id: 'b', name: 'Red mats', retired: false }];
    expect(() => checkEquipment({ ...demoEquipment, liners })).not.toThrow();
    expect(linerStock({ liners }, 'mat')?.name).toBe('Red mats');
  });
  it.each<[string, Equipment, string]>([
    ['the last oven retired', retire('ovens', () => true), 'none-left'],
    [
      'places for a tray that is not there',
      {
        ...demoEquipment,
        ovens: demoEquipment.ovens.map((oven) => ({
          ...oven,
          placesFor: [{ trayId: 'lost', places: 3 }],
        })),
      },
      'unknown-tray',
    ],
    [
      'two liners of one kind',
      {
        ...demoEquipment,
        liners: [
          { id: 'a', name: 'Blue mats', kind: 'mat' },
          { id: 'b', name: 'Red mats', kind: 'mat' },
        ],
      },
      'same-liner',
    ],
    ['the last scale retired', retire('scales', () => true), 'none-left'],
    ['no cold left', retire('places', (id) => id !== 'bench'), 'no-cold'],
    ['no shift', { ...demoEquipment, shifts: [] }, 'no-shift'],
    ['nobody', { ...demoEquipment, crew: [] }, 'no-crew'],
    [
      'two of a name',
      { ...demoEquipment, ovens: demoEquipment.ovens.map((oven) => ({ ...oven, name: 'Port' })) },
      'same-name',
    ],
    ['one id twice', { ...demoEquipment, racks: [{ id: 'port', name: 'Rack', places: 4 }] }, 'same-id'],
    [
      'fills the wrong way round',
      { ...demoEquipment, mixers: demoEquipment.mixers.map((m) => ({ ...m, minFill: 0.8 })) },
      'bad-fill',
    ],
    [
      'a scale that cannot be',
      { ...demoEquipment, scales: [{ id: 's', maxMassG: 50, resolutionG: 10 }] },
      'bad-scale',
    ],
    [
      'a shift of no length',
      { ...demoEquipment, shifts: [{ name: 'None', from: '04:00', to: '04:00', hands: 1 }] },
      'bad-shift',
    ],
    ['a scoop that there is none of', { ...demoEquipment, scoops: [3] }, 'out-of-range'],
  ])('%s is refused', (_, equipment, code) =>
    expect(() => checkEquipment(equipment)).toThrow(expect.objectContaining({ code })),
  );
  it('a retired thing may share its name with the one that took its place', () => {
    const [port, ...others] = demoEquipment.ovens;
    if (!port) throw new Error('no oven');
    const ovens = [{ ...port, retired: true }, ...others, { ...port, id: 'port-2' }];
    expect(() => checkEquipment({ ...demoEquipment, ovens })).not.toThrow();
  });
  it('a name becomes an id that nothing has', () => {
    expect(freeId('Big Öven No. 2', demoEquipment)).toBe('big-oven-no-2');
    expect(freeId('Port', demoEquipment)).toBe('port-2');
    expect(freeId('***', demoEquipment)).toBe('thing');
    expect(freeId('Constructor', demoEquipment)).toBe('constructor-1');
  });
});
