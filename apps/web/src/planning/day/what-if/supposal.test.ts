import { describe, expect, it } from '@jest/globals';
import { demoEquipment } from '@jokul/core';
import { asInput, newRow, wrongWith, type Row } from './supposal';

const today = '2026-11-27';
const order: Row = { kind: 'order', customer: 'Café', productCode: 'GNG', pieces: '300', readyBy: '7:05' };

describe('what is supposed', () => {
  it('offers another oven each time, and names that no oven has', () => {
    const first = newRow('oven-out', demoEquipment, [], today);
    const second = newRow('oven-out', demoEquipment, [first], today);
    expect(second).not.toEqual(first);
    const more = newRow('oven-more', demoEquipment, [], today);
    const again = newRow('oven-more', demoEquipment, [more], today);
    const names = [more, again].flatMap((row) => (row.kind === 'oven-more' ? [row.name] : []));
    expect(new Set([...names, ...demoEquipment.ovens.map(({ name }) => name)]).size).toBe(
      2 + demoEquipment.ovens.length,
    );
  });

  it.each<[string, Row, RegExp | null]>([
    ['a whole order', order, null],
    ['nobody', { ...order, customer: '  ' }, /who/],
    ['no product', { ...order, productCode: '' }, /product/],
    ['half a piece', { ...order, pieces: '12.5' }, /whole number/],
    ['no piece', { ...order, pieces: '0' }, /whole number/],
    ['words for pieces', { ...order, pieces: 'many' }, /whole number/],
    ['too many', { ...order, pieces: '20001' }, /whole number/],
    ['no time', { ...order, readyBy: 'soon' }, /05:40/],
    ['a hand away', { kind: 'away', date: today, shift: 'Early', hands: '1' }, null],
    ['no hands away', { kind: 'away', date: today, shift: 'Early', hands: '' }, /how many/],
    ['no day', { kind: 'away', date: '2026-02-30', shift: 'Early', hands: '1' }, /day/],
    ['an oven without a name', { kind: 'oven-more', likeId: 'port', name: ' ' }, /name/],
  ])('knows what is wrong with %s', (_, row, wrong) => {
    const said = wrongWith(row);
    if (wrong === null) expect(said).toBeNull();
    else expect(said).toMatch(wrong);
  });

  it('is asked as figures and times that the server reads', () => {
    const rows: readonly Row[] = [
      order,
      { kind: 'oven-out', ovenId: 'port' },
      { kind: 'oven-more', likeId: 'port', name: ' Port 2 ' },
      { kind: 'away', date: today, shift: 'Early', hands: ' 2 ' },
    ];
    expect(asInput(rows)).toEqual({
      ovensOut: ['port'],
      ovensMore: [{ likeId: 'port', name: 'Port 2' }],
      away: [{ date: today, shift: 'Early', hands: 2 }],
      orders: [{ customer: 'Café', productCode: 'GNG', pieces: 300, readyBy: '07:05' }],
    });
  });
});
