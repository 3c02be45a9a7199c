import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { csvCells, csvLine, csvRecords } from './csv-cells.js';

/** The rows of a file that is read so many letters at a time. */
const inPieces = (file: string, size: number): readonly string[] => {
  const records = csvRecords();
  const found: string[] = [];
  for (let i = 0; i < file.length; i += size) found.push(...records.take(file.slice(i, i + size)));
  return [...found, ...records.end()];
};

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
      fc.property(rows, fc.integer({ min: 1, max: 7 }), (table, size) => {
        const file = table.map(csvLine).join('');
        expect(inPieces(file, size).map(csvCells)).toEqual(table);
        // The last line end is often lost, and empty lines are added.
        expect(inPieces(file.replace(/\r\n$/, ''), size).map(csvCells)).toEqual(table);
        expect(inPieces(`\r\n${file}\r\n\n`, size).map(csvCells)).toEqual(table);
      }),
    );
  });

  it('are read with other line ends too', () => {
    const file = csvLine(['a', 'b']) + csvLine(['1', 'two\nlines']);
    expect(inPieces(file.replaceAll('\r\n', '\n'), 3).map(csvCells)).toEqual([
      ['a', 'b'],
      ['1', 'two\nlines'],
    ]);
  });

  it('no spreadsheet takes a text for a formula; figures stay figures', () => {
    expect(csvLine(['=cmd()', '-18.5', '-a', null, ''])).toBe("'=cmd(),-18.5,'-a,\\N,\r\n");
  });
});
