import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { demoFormulas, demoOrders } from '../demo/index.js';
import { ordersOf, readOrderTable, readPieces, readProduct } from './order-list.js';

const known = demoFormulas.map(({ code, name }) => ({ code, name }));
const read = (text: string, usual = {}) => {
  const table = readOrderTable(text, known);
  return { table, rows: ordersOf(table, table.columns, known, usual) };
};

describe('orders from a spreadsheet', () => {
  it('lines with a heading, by tabs', () => {
    const { table, rows } = read(
      'Customer\tProduct\tPieces\tReady by\nFerry galley\tGNG\t96\t5:40\nPier kiosk\tLemon Poppy Drop\t48\t06:30\n',
    );
    expect(table.columns).toEqual(['customer', 'product', 'pieces', 'readyBy']);
    expect(rows.map(({ order, line }) => [line, order])).toEqual([
      [2, { customer: 'Ferry galley', productCode: 'GNG', pieces: 96, readyBy: '05:40' }],
      [3, { customer: 'Pier kiosk', productCode: 'LEM', pieces: 48, readyBy: '06:30' }],
    ]);
  });

  it('without a heading, semicolons, in another order', () => {
    const { table, rows } = read('96;05.40;Quay Ginger;Ferry galley\n1.200;05.40;NIB;Ferry galley');
    expect(table.heading).toBeNull();
    expect(table.columns).toEqual(['pieces', 'readyBy', 'product', 'customer']);
    expect(rows.map(({ order }) => order?.pieces)).toEqual([96, 1200]);
  });

  it('a customer and a time that are written once count for the lines below', () => {
    const { rows } = read('For,What,How many,By\nFarm shop,RYE,44,9:00 am\n,PNT,80,\n,CLM,90,\n');
    expect(rows.map(({ order }) => [order?.customer, order?.productCode, order?.readyBy])).toEqual([
      ['Farm shop', 'RYE', '09:00'],
      ['Farm shop', 'PNT', '09:00'],
      ['Farm shop', 'CLM', '09:00'],
    ]);
  });

  it('columns that are left out come from what is usual', () => {
    const { rows } = read('GNG\t96\nSES\t48', { customer: 'Ferry galley', readyBy: '05:40' });
    expect(rows.every(({ order }) => order?.customer === 'Ferry galley' && order.readyBy === '05:40')).toBe(
      true,
    );
  });

  it('cells with quotes, commas and lines of their own', () => {
    const { rows } = read(
      'customer,product,pieces,time\n"School kitchen, north","Lemon Poppy Drop","1,200",10:15\n',
    );
    expect(rows[0]?.order).toEqual({
      customer: 'School kitchen, north',
      productCode: 'LEM',
      pieces: 1200,
      readyBy: '10:15',
    });
  });

  it.each([
    ['Ferry galley,Xylo Bar,96,05:40', '"Xylo Bar" is no product, or could be several.'],
    ['Ferry galley,GNG,many,05:40', '"many" is no number of pieces.'],
    ['Ferry galley,GNG,-5,05:40', '"-5" is no number of pieces.'],
    ['Ferry galley,GNG,9.5,05:40', '"9.5" is no number of pieces.'],
    ['Ferry galley,GNG,0,05:40', '"0" is no number of pieces.'],
    ['Ferry galley,GNG,30000,05:40', '30000 pieces are more than one line takes (20,000).'],
    ['Ferry galley,GNG,96,25:00', '"25:00" is no time of day such as 05:40.'],
    [',GNG,96,05:40', 'It does not say who it is for.'],
    ['Ferry galley,,96,05:40', 'It names no product.'],
    ['Ferry galley,GNG,,05:40', 'It has no pieces.'],
    ['Ferry galley,GNG,96,', 'It has no ready-by.'],
  ])('%s is said, and not taken in', (line, trouble) => {
    const { rows } = read(`Customer,Product,Pieces,Ready by\n${line}\nPier kiosk,LEM,48,06:30`);
    expect(rows[0]).toMatchObject({ order: null, troubles: [trouble] });
    expect(rows[1]?.order?.productCode).toBe('LEM');
  });

  it('a line for another day is not put on this one', () => {
    const { table, rows } = read(
      'Date,Customer,Product,Pieces,Time\n2026-11-28,Ferry,GNG,96,05:40\n29 Nov,Ferry,GNG,48,05:40\n,Ferry,LEM,12,05:40\n28.11.2026,Ferry,RYE,24,05:40\n5/6/2026,Ferry,RYE,24,05:40',
      { date: '2026-11-28' },
    );
    expect(table.columns[0]).toBe('date');
    expect(rows.map(({ order, troubles }) => order?.pieces ?? troubles[0])).toEqual([
      96,
      'It is for 2026-11-29: open that day and add it there.',
      'It is for 2026-11-29: open that day and add it there.',
      24,
      '"5/6/2026" is no day such as 2026-11-28.',
    ]);
  });
  it('a delivery date over times of day is the ready-by', () =>
    expect(read('Customer,Product,Pieces,Delivery date\nFerry,GNG,96,05:40').rows[0]?.order?.readyBy).toBe(
      '05:40',
    ));
  it('a date that is neither day nor time stands in the way of no ready-by', () =>
    expect(read('Date,Customer,Product,Pieces,Time\nSat,Ferry,GNG,96,05:40').rows[0]?.order?.readyBy).toBe(
      '05:40',
    ));
  it('a unit in a column of its own counts, and one that nobody knows is asked about', () => {
    const { rows } = read(
      'Customer,Product,Amount,Unit,Ready by\nFerry,GNG,8,dozen,5:40\nFerry,GNG,96,pcs,5:40\nFerry,GNG,4,box,5:40\nFerry,GNG,96,,5:40\nFerry,GNG,2 doz,box,5:40',
    );
    expect(rows.map(({ order, troubles }) => order?.pieces ?? troubles[0])).toEqual([
      96,
      96,
      '"box" is no count of pieces: say how many pieces it is.',
      96,
      24,
    ]);
  });
  it('of several columns of counts none is guessed', () => {
    const { table, rows } = read('Product,Mon,Tue,Wed\nGNG,96,48,24', {
      customer: 'Ferry',
      readyBy: '05:40',
    });
    expect(table.columns).toEqual(['product', 'nothing', 'nothing', 'nothing']);
    expect(rows[0]?.troubles).toEqual(['It has no pieces.']);
  });
  it('half a dozen is six', () =>
    expect(['½ dozen', '1/2 doz', '1.5 dozen', '1 1/2 dozen', '2,5 dz', '0.3 dozen'].map(readPieces)).toEqual(
      [6, 6, 18, 18, 30, null],
    ));
  it('dozens are dozens, in a cell or over a column', () => {
    const pieces = (text: string) => {
      const table = readOrderTable(text, known);
      return ordersOf(table, table.columns, known).map(({ order }) => order?.pieces ?? null);
    };
    expect(pieces('Customer,Product,Dozens,Time\nKiosk,LEM,5,06:30\nKiosk,GNG,24 pcs,06:30')).toEqual([
      60, 24,
    ]);
    expect(pieces('Customer,Product,Qty,Time\nKiosk,LEM,5 dozen,06:30\nKiosk,GNG,2 dz.,06:30')).toEqual([
      60, 24,
    ]);
  });
  it.each([
    'Price',
    'Total EUR',
    'Trays',
    'Boxes',
    'kg',
    'Invoice',
    'Number of trays',
    'Qty (kg)',
    'Invoice number',
    'Count per box',
  ])('figures under "%s" are not taken for pieces', (heading) => {
    const { columns } = readOrderTable(`Customer,Product,${heading},Time\nKiosk,LEM,5,06:30`, known);
    expect(columns).toEqual(['customer', 'product', 'nothing', 'readyBy']);
  });
  it('pieces in boxes are pieces', () => {
    const text = 'Customer,Product,Boxes,Total pieces,Time\nKiosk,LEM,5,60,06:30';
    const table = readOrderTable(text, known);
    expect(ordersOf(table, table.columns, known)[0]?.order?.pieces).toBe(60);
  });
  it('nothing is nothing', () => expect(read('  \n\n').rows).toEqual([]));

  it('the demo list goes out as CSV and comes in the same', () => {
    const lines = demoOrders.flatMap(({ customer, readyBy, pieces }) =>
      Object.entries(pieces).map(([productCode, n]) => ({ customer, productCode, pieces: n, readyBy })),
    );
    const csv = ['Customer,Product,Pieces,Ready by']
      .concat(lines.map((l) => `${l.customer},${l.productCode},${l.pieces},${l.readyBy}`))
      .join('\r\n');
    expect(read(csv).rows.map(({ order }) => order)).toEqual(lines);
  });

  it('no text makes it fail, and what it reads is sound', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (text) => {
        for (const { order } of read(text).rows)
          if (order) {
            expect(order.pieces).toBeGreaterThan(0);
            expect(order.readyBy).toMatch(/^\d\d:\d\d$/);
          }
      }),
    );
  });
});

describe('cells', () => {
  it.each([
    ['1,200', 1200],
    ['1 200', 1200],
    ['1.200', 1200],
    ["1'200", 1200],
    ['96 pcs', 96],
    ['96.0', 96],
    ['1,20', null],
    ['twelve', null],
  ])('the count %s is %s', (text, pieces) => expect(readPieces(text)).toBe(pieces));
  it.each([
    ['gng', 'GNG'],
    ['quay ginger', 'GNG'],
    ['Ginger', 'GNG'],
    ['RYE Burnt-Butter Walnut Rye', 'RYE'],
    ['Drop', undefined],
    ['e', undefined],
  ])('the product %s is %s', (text, code) => expect(readProduct(text, known)?.code).toBe(code));
});
