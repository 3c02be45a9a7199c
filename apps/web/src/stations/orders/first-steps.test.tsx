import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen, within } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import type { BakeryView } from '@jokul/contracts';
import { FirstSteps } from './first-steps';

afterEach(cleanup);
const show = (part: Partial<BakeryView>, ordered = false) => {
  const bakery = { name: 'My bakery', equipmentVersion: 1, formulas: [], ...part } as unknown as BakeryView;
  render(
    <MemoryRouter>
      <FirstSteps bakery={bakery} ordered={ordered} />
    </MemoryRouter>,
  );
  return within(screen.getByRole('region', { name: 'First steps' }))
    .getAllByRole('listitem')
    .map((item) => /\(done\)/.test(item.textContent ?? ''));
};

describe('the first steps of a bakery', () => {
  it('are all open at the beginning, and lead where they are done', () => {
    expect(show({})).toEqual([false, false, false, false]);
    expect(screen.getAllByRole('link').map((link) => link.getAttribute('href'))).toEqual([
      '/setup',
      '/setup',
      '/formula/new',
      '/orders',
    ]);
  });
  it.each<[string, Partial<BakeryView>, boolean, readonly boolean[]]>([
    ['named', { name: 'Hill End Bakery' }, false, [true, false, false, false]],
    ['set up', { equipmentVersion: 2 }, false, [false, true, false, false]],
    [
      'with a formula',
      { formulas: [{}] as unknown as BakeryView['formulas'] },
      false,
      [false, false, true, false],
    ],
    ['ordered from', {}, true, [false, false, false, true]],
  ])('%s, that step is done', (_, part, ordered, done) => expect(show(part, ordered)).toEqual(done));
});
