/** @jest-environment jsdom */
import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { demoFormulas, shapeForecast, type Formula, type OwnLimits } from '@jokul/core';

const shape =
  jest.fn<
    (formula: Formula, reference: Formula, limits?: OwnLimits) => Promise<ReturnType<typeof shapeForecast>>
  >();
jest.unstable_mockModule('../workers/core', () => ({ core: () => ({ shape }) }));
const { Texture } = await import('./texture');
const { usePreferences } = await import('../lib/preferences');

afterEach(() => {
  cleanup();
  shape.mockReset();
});

const lem = demoFormulas.find(({ code }) => code === 'LEM') as Formula;
const other = demoFormulas.find(({ code }) => code === 'GNG') as Formula;
const show = () => {
  usePreferences.getState().set({ referenceCode: other.code });
  return render(
    <QueryClientProvider client={new QueryClient()}>
      <Texture formula={lem} formulas={[other, lem]} />
    </QueryClientProvider>,
  );
};

describe('the texture of a formula', () => {
  it('says that spread and thickness are being baked, then what the bake model found, and why', async () => {
    const found = shapeForecast(lem, other);
    let answer: (shape: typeof found) => void = () => undefined;
    shape.mockReturnValue(new Promise((resolve) => (answer = resolve)));
    show();
    expect(screen.getAllByText('baking …')).toHaveLength(2);
    // The others need no bake.
    expect(screen.getByRole('button', { name: /^chew \d/ })).toBeTruthy();
    answer(found);
    const spread = await screen.findByRole('button', {
      name: `spread ${found.scores.spread.toFixed(1)} of 10, the reference is 5`,
    });
    expect(shape).toHaveBeenCalledWith(lem, other, undefined);
    await userEvent.setup().click(spread);
    const [first] = found.because.spread;
    expect(screen.getByText(first?.name ?? 'none')).toBeTruthy();
    expect(screen.getByText('More spread')).toBeTruthy();
  });
  it('says so where the model cannot bake it, and keeps the rest', async () => {
    shape.mockRejectedValue(new Error('The water of the dough is outside'));
    show();
    expect(await screen.findAllByText('the bake model cannot say')).toHaveLength(2);
    expect(screen.getByRole('button', { name: /^colour \d/ })).toBeTruthy();
  });
});
