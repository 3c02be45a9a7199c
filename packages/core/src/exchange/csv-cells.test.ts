import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { csvLine, csvRows } from './csv-cells.js';

describe('tables as CSV', () => {
  it('come back cell for cell, whatever stands in them', () => {
    const text = fc.oneof(
      fc.string({ unit: 'binary' }),
      fc.constantFrom(
        '',
        '\\N',
        "'=1",
        '=1+1',
        '-18',
        '-a',
        '@x',
        "''",
        '"',
        'a\r\nb',
        'a\nb',
        ',',
        ' x ',
        '\\',
        '\uFEFF',
      ),
    );
    const rows = fc
      .integer({ min: 2, max: 5 })
      .chain((columns) =>
        fc.array(fc.array(fc.option(text), { minLength: columns, maxLength: columns }), { maxLength: 6 }),
      );
    fc.assert(
      fc.property(rows, (table) => {
        const head = csvLine(['a', 'b']);
        expect(csvRows(head + table.map(csvLine).join('')).slice(1)).toEqual(table);
      }),
    );
  });

  it('no spreadsheet takes a text for a formula; figures stay figures', () => {
    expect(csvLine(['=cmd()', '-18.5', '-a', null, ''])).toBe("'=cmd(),-18.5,'-a,\\N,\r\n");
  });
});
