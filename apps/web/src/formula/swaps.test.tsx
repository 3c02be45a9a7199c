import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import userEvent from '@testing-library/user-event';
import { demoFormulas, doughLines, type Formula } from '@jokul/core';
import { Swaps } from './swaps';

afterEach(cleanup);
const formula = demoFormulas.find(({ code }) => code === 'SES') as Formula;

const opened = async () => {
  const user = userEvent.setup();
  const onTake = jest.fn<(formula: Formula) => void>();
  render(
    <QueryClientProvider client={new QueryClient()}>
      <Swaps formula={formula} onTake={onTake} />
    </QueryClientProvider>,
  );
  await user.click(screen.getByRole('button', { name: 'Swap something …' }));
  return { user, onTake };
};

describe('swaps', () => {
  it('margarine for butter shows its forecast and its caution before it is taken', async () => {
    const { user, onTake } = await opened();
    await user.click(screen.getByRole('button', { name: /^Margarine.* for butter$/ }));
    expect(screen.getByText(/A forecast by what is typical/)).toBeTruthy();
    expect(screen.getByText(/Check the label for allergens/)).toBeTruthy();
    expect(onTake).not.toHaveBeenCalled();
    await user.click(screen.getByRole('button', { name: 'Use in this edit' }));
    const [taken] = onTake.mock.calls[0] ?? [];
    const ids = doughLines(taken as Formula).map(({ ingredientId }) => ingredientId);
    expect(ids).toContain('margarine');
    expect(ids).not.toContain('butter');
  });
  it('closed with Escape changes nothing, and begins anew', async () => {
    const { user, onTake } = await opened();
    await user.click(screen.getByRole('button', { name: 'Salted butter for unsalted' }));
    await user.keyboard('{Escape}');
    expect(screen.queryByRole('dialog')).toBeNull();
    expect(onTake).not.toHaveBeenCalled();
    await user.click(screen.getByRole('button', { name: 'Swap something …' }));
    expect(screen.getByText(/Choose a swap/)).toBeTruthy();
  });
  it('a blend that cannot be is said, and what was typed stays', async () => {
    const { user } = await opened();
    const protein = screen.getByLabelText('Protein, %');
    await user.clear(protein);
    await user.type(protein, '40');
    await user.click(screen.getByRole('button', { name: 'Show the blend' }));
    expect(screen.getByRole('alert').textContent).toContain('is not between them');
    expect((protein as HTMLInputElement).value).toBe('40');
  });
});
