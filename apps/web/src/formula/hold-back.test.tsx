import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { demoFormulas, type Formula } from '@jokul/core';
import { undo, useDraft } from './draft-store';
import { HoldBack } from './hold-back';

const rye = demoFormulas.find(({ code }) => code === 'RYE') as Formula;
const lineOf = (id: string) => {
  const line = useDraft
    .getState()
    .draft?.stages.flatMap(({ lines }) => lines)
    .find(({ ingredientId }) => ingredientId === id);
  if (!line) throw new Error(`no line of ${id}`);
  return line;
};
const Shown = ({ id }: { id: string }) => {
  useDraft((s) => s.draft);
  return <HoldBack line={lineOf(id)} />;
};
const held = () =>
  useDraft.getState().draft?.toppings.filter(({ ingredientId }) => ingredientId === 'walnuts');

describe('held back for the top', () => {
  beforeEach(() => useDraft.getState().open(rye));
  afterEach(cleanup);

  it('takes a share of the nuts out of the dough, changes it, undoes it, puts it back', async () => {
    const user = userEvent.setup();
    render(<Shown id="walnuts" />);
    const choice = screen.getByLabelText<HTMLSelectElement>('Walnuts, chopped, held back for the top');
    expect(choice.selectedOptions[0]?.textContent).toBe('all into the dough');
    await user.selectOptions(choice, '25 % held back for the top');
    expect(held()).toEqual([{ ingredientId: 'walnuts', percent: 13, on: 'top' }]);
    expect(lineOf('walnuts').percent).toBe(39);
    await user.selectOptions(choice, '50 % held back for the top');
    expect(held()?.map(({ percent }) => percent)).toEqual([26]);
    undo();
    expect(held()?.map(({ percent }) => percent)).toEqual([13]);
    await user.selectOptions(choice, 'all into the dough');
    expect(held()).toEqual([]);
    expect(lineOf('walnuts').percent).toBe(52);
  });
  it('shows a share that is none of the usual ones', () => {
    useDraft.getState().change({
      toppings: [{ ingredientId: 'walnuts', percent: 10, on: 'top' }],
    });
    render(<Shown id="walnuts" />);
    expect(screen.getByRole<HTMLSelectElement>('combobox').selectedOptions[0]?.textContent).toBe(
      '16 % held back for the top',
    );
  });
  it('is not offered for flour', () => {
    render(<Shown id="dark-rye-flour" />);
    expect(screen.queryByRole('combobox')).toBeNull();
  });
});
