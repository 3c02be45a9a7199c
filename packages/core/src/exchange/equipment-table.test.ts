import { describe, expect, it } from '@jest/globals';
import { demoEquipment } from '../demo/index.js';
import { checkEquipment } from '../bakery/index.js';
import { equipmentToCsv, readEquipmentTable as readTable, withTable } from './equipment-table.js';

const readEquipmentTable = (text: string, equipment = demoEquipment) => readTable(text, equipment);
const heading = 'what,id,name,fan,places,°C a minute';
const troublesOf = (row: string) => readEquipmentTable(`${heading}\n${row}`)[0]?.troubles.join(' ');

describe('the equipment as a table', () => {
  it('goes out and in again as it was', () => {
    const rows = readEquipmentTable(equipmentToCsv(demoEquipment));
    expect(rows.flatMap(({ troubles }) => troubles)).toEqual([]);
    expect(withTable(demoEquipment, rows)).toEqual(demoEquipment);
    const { mixers, ovens, trays, liners, places, racks, scales } = demoEquipment;
    expect(rows).toHaveLength([mixers, ovens, trays, liners, places, racks, scales].flat().length);
  });
  it('has liners with what was measured of them, and leaves open what was not', () => {
    const liners = [
      { id: 'mats', name: 'Mats', kind: 'mat' as const, count: 12, contactWPerM2K: 45, drag: 0.5 },
      { id: 'roll', name: 'Roll', kind: 'parchment' as const },
    ];
    const own = { ...demoEquipment, liners };
    expect(withTable(own, readEquipmentTable(equipmentToCsv(own), own)).liners).toEqual(liners);
    const [row] = readEquipmentTable('what,name,kind,count\nliner,Sand,sand,4');
    expect(row?.troubles.join(' ')).toContain('write one of bare, greased, parchment');
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
    expect(withTable(known, readEquipmentTable(equipmentToCsv(known), known)).places[0]).toHaveProperty(
      'learned',
    );
  });
  it.each([
    ['kiln,,Big,yes,5,10', 'one of oven, tray'],
    ['oven,,,yes,5,10', 'name'],
    ['oven,,Big,perhaps,5,10', 'yes or no'],
    ['oven,,Big,yes,5.5,10', 'whole number'],
    ['oven,,Big,yes,0,10', '1 to 60'],
    ['oven,,Big,yes,many,10', '"many"'],
    ['oven,,Big,yes,5,', '"°C a minute" is empty'],
    ['oven,"a b",Big,yes,5,10', 'id'],
    ['oven,constructor,Big,yes,5,10', 'id'],
    ['oven,,Big,constructor,5,10', 'yes or no'],
    ['oven,,Big,__proto__,5,10', 'yes or no'],
    ['toString,,Big,yes,5,10', 'one of'],
  ])('takes no row such as %s, and says why', (row, why) => {
    expect(troublesOf(row)).toContain(why);
    expect(readEquipmentTable(`${heading}\n${row}`)[0]?.thing).toBeNull();
  });
  it('takes no thing twice', () =>
    expect(readEquipmentTable(`${heading}\noven,,Big,yes,5,10\noven,,Big,no,3,10`)[1]?.troubles).toEqual([
      'Big stands in the table twice.',
    ]));
  it('of a name that it knows is that thing, without an id too; a new one has a free id', () => {
    const [port] = demoEquipment.ovens;
    const rows = readEquipmentTable(
      `${heading}\noven,,${port?.name.toUpperCase() ?? ''},yes,4,12\noven,,constructor,yes,4,12\noven,,печь,yes,4,12`,
    );
    expect(rows.map(({ thing }) => thing?.id)).toEqual([port?.id, 'constructor-1', 'thing']);
  });
  it.each([
    ['mixers', 'what,name,bowl L,least fill,most fill,carries g\nmixer,Big,40,10,70,"50,000"'],
    ['mixers', 'what;name;bowl L;least fill;most fill;carries g\nmixer;Big;40;10;70;250.000'],
    ['racks', 'what,name,places\nrack,Tall,"1,200"'],
  ])(
    'asks about a figure of %s whose mark may be one of thousands, and takes none wrong in silence',
    (_, text) => {
      const [row] = readEquipmentTable(text);
      const read = row?.thing;
      // "50,000" is no 50 g mixer: below its limits, it is refused as well.
      expect(read).toBeNull();
      expect(row?.troubles.join(' ')).toMatch(/two ways|write a figure from/);
    },
  );
  it('writes a figure so that it is read as that, and a frost as a figure', () => {
    const [scale, ...scales] = demoEquipment.scales;
    if (!scale) throw new Error('no scale');
    const own = { ...demoEquipment, scales: [{ ...scale, maxMassG: 453.592 }, ...scales] };
    expect(withTable(own, readEquipmentTable(equipmentToCsv(own), own))).toEqual(own);
    expect(equipmentToCsv(own)).toMatch(/freezer,-20,/);
  });
  it('leaves out of use what it does not say to be in use again', () => {
    const [port, ...others] = demoEquipment.ovens;
    if (!port) throw new Error('no oven');
    const own = { ...demoEquipment, ovens: [{ ...port, retired: true }, ...others] };
    const row = `oven,${port.id},Port,yes,5,8`;
    expect(withTable(own, readEquipmentTable(`${heading}\n${row}`, own)).ovens[0]).toHaveProperty(
      'retired',
      true,
    );
    expect(
      withTable(own, readEquipmentTable(`${heading},out of use\n${row},no`, own)).ovens[0],
    ).not.toHaveProperty('retired');
  });
  it('begins no formula of a spreadsheet with a name', () => {
    const [first, ...rest] = demoEquipment.ovens;
    if (!first) throw new Error('no oven');
    const named = { ...demoEquipment, ovens: [{ ...first, name: '=1+1' }, ...rest] };
    const csv = equipmentToCsv(named);
    expect(csv).toContain("'=1+1");
    expect(withTable(named, readEquipmentTable(csv, named))).toEqual(named);
  });
  it.each(['', 'what;id', 'Name,Weight\nOven,3'])('says what a table needs: %s', (text) =>
    expect(() => readEquipmentTable(text)).toThrow('first row names the columns'),
  );
});
