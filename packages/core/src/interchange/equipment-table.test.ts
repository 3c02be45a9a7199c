import { describe, expect, it } from '@jest/globals';
import { demoEquipment } from '../demo/index.js';
import { checkEquipment } from '../schedule/index.js';
import { equipmentToCsv, readEquipmentTable, withTable } from './equipment-table.js';

const heading = 'what,id,name,fan,places,°C a minute';
const troublesOf = (row: string) => readEquipmentTable(`${heading}\n${row}`)[0]?.troubles.join(' ');

describe('the equipment as a table', () => {
  it('goes out and in again as it was', () => {
    const rows = readEquipmentTable(equipmentToCsv(demoEquipment));
    expect(rows.flatMap(({ troubles }) => troubles)).toEqual([]);
    expect(withTable(demoEquipment, rows)).toEqual(demoEquipment);
    const { mixers, ovens, trays, places, racks, scales } = demoEquipment;
    expect(rows).toHaveLength([mixers, ovens, trays, places, racks, scales].flat().length);
  });
  it('comes from a spreadsheet with semicolons, decimal commas and columns in any order', () => {
    const [row] = readEquipmentTable(
      'Name;WHAT;air °C;kind;W/m²K;tray places;tub places;bag places\nReach-in;place;3,5;walk-in;11;8;2;0\n',
    );
    expect(row?.thing).toEqual({
      id: 'reach-in',
      name: 'Reach-in',
      kind: 'walk-in',
      airC: 3.5,
      hWPerM2K: 11,
      trayPlaces: 8,
      tubPlaces: 2,
      bagPlaces: 0,
    });
  });
  it('changes what is known by its id, adds what is not, and leaves the rest', () => {
    const [port, ...others] = demoEquipment.ovens;
    const next = withTable(
      demoEquipment,
      readEquipmentTable(`${heading}\noven,${port?.id ?? ''},Port,yes,4,12\noven,,Attic oven,no,2,9`),
    );
    expect(next.ovens).toEqual([
      { ...port, fan: true, places: 4, degreesPerMin: 12 },
      ...others,
      { id: 'attic-oven', name: 'Attic oven', fan: false, places: 2, degreesPerMin: 9 },
    ]);
    expect(next.trays).toBe(next.trays);
    expect(next.mixers).toEqual(demoEquipment.mixers);
    checkEquipment(next);
  });
  it('keeps what was learned of a place', () => {
    const [first, ...rest] = demoEquipment.places;
    if (!first) throw new Error('no place');
    const learned = { factor: 0.8, sd: 0.1, cores: 3 } as never;
    const known = { ...demoEquipment, places: [{ ...first, learned }, ...rest] };
    expect(withTable(known, readEquipmentTable(equipmentToCsv(known))).places[0]).toHaveProperty('learned');
  });
  it.each([
    ['kiln,,Big,yes,5,10', 'none of'],
    ['oven,,,yes,5,10', 'name'],
    ['oven,,Big,perhaps,5,10', 'yes or no'],
    ['oven,,Big,yes,5.5,10', 'whole number'],
    ['oven,,Big,yes,0,10', '1 to 60'],
    ['oven,,Big,yes,many,10', '"many"'],
    ['oven,,Big,yes,5,', 'Nothing stands under °C a minute'],
    ['oven,"a b",Big,yes,5,10', 'id'],
  ])('takes no row such as %s, and says why', (row, why) => {
    expect(troublesOf(row)).toContain(why);
    expect(readEquipmentTable(`${heading}\n${row}`)[0]?.thing).toBeNull();
  });
  it('takes no thing twice', () =>
    expect(readEquipmentTable(`${heading}\noven,,Big,yes,5,10\noven,,Big,no,3,10`)[1]?.troubles).toEqual([
      'Big stands in the table twice.',
    ]));
  it('begins no formula of a spreadsheet with a name', () => {
    const [first, ...rest] = demoEquipment.ovens;
    if (!first) throw new Error('no oven');
    const named = { ...demoEquipment, ovens: [{ ...first, name: '=1+1' }, ...rest] };
    const csv = equipmentToCsv(named);
    expect(csv).toContain("'=1+1");
    expect(withTable(named, readEquipmentTable(csv))).toEqual(named);
  });
  it.each(['', 'what;id', 'Name,Weight\nOven,3'])('says what a table needs: %s', (text) =>
    expect(() => readEquipmentTable(text)).toThrow('first row names the columns'),
  );
});
