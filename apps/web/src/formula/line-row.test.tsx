import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { FormulaLine } from '@jokul/core';
import { usePreferences } from '../lib/preferences';
import { LineRow } from './line-row';

afterEach(() => {
  cleanup();
  usePreferences.setState({ units: 'metric' });
});
const changes: (FormulaLine | null)[] = [];
const show = (line: FormulaLine, editing = true) => {
  changes.length = 0;
  return render(
    <table>
      <tbody>
        <LineRow
          line={line}
          amount={undefined}
          grams={120}
          perPercentG={10}
          editing={editing}
          onChange={(next) => changes.push(next)}
        />
      </tbody>
    </table>,
  );
};
const nuts: FormulaLine = { ingredientId: 'hazelnuts', percent: 12 };

describe('a line of a formula', () => {
  it('says what is done to it before it is weighed, and lets that be chosen and let go', async () => {
    const user = userEvent.setup();
    const { unmount } = show(nuts);
    const choice = screen.getByLabelText<HTMLSelectElement>(/^Made ready, Hazelnuts/);
    expect(choice.selectedOptions[0]?.textContent).toBe('as it comes');
    await user.selectOptions(choice, 'toasted and chopped');
    expect(changes).toEqual([{ ...nuts, ready: ['toasted', 'chopped'] }]);
    unmount();
    show({ ...nuts, ready: ['toasted', 'chopped'] });
    await user.selectOptions(screen.getByLabelText(/^Made ready/), 'as it comes');
    expect(changes).toEqual([nuts]);
  });

  it('keeps a choice that came with a file', async () => {
    show({ ...nuts, ready: ['sifted', 'cold'] });
    const choice = screen.getByLabelText<HTMLSelectElement>(/^Made ready/);
    expect(choice.selectedOptions[0]?.textContent).toBe('sifted and kept cold');
    await userEvent.selectOptions(choice, 'chopped');
    await userEvent.selectOptions(choice, 'sifted and kept cold');
    expect(changes.at(-1)).toEqual({ ...nuts, ready: ['sifted', 'cold'] });
  });

  it('only shows it while nobody edits, and not what its name says already', () => {
    show({ ...nuts, ready: ['toasted', 'chopped'] }, false);
    expect(screen.queryByLabelText(/^Made ready/)).toBeNull();
    expect(screen.getByRole('row').textContent).toContain('Hazelnuts, chopped, toasted');
  });

  it.each([
    ['metric', '120', '150', 15],
    ['us', '4.233', '5', 14.175],
  ] as const)('is weighed in the units of the device: %s', async (units, shown, typed, percent) => {
    usePreferences.setState({ units });
    show(nuts);
    const weight = screen.getByLabelText<HTMLInputElement>(/^Weight, Hazelnuts/);
    expect(weight.value).toBe(shown);
    await userEvent.clear(weight);
    await userEvent.type(weight, `${typed}{enter}`);
    expect(changes.at(-1)?.percent).toBeCloseTo(percent, 3);
  });
});
