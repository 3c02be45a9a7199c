import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, renderHook, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { act, type ReactNode } from 'react';
import {
  assembleFormula,
  bakeInputOf,
  readRecipe,
  sheetDirections,
  starterEquipment,
  targetAfter,
  type Formula,
} from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { usePreferences } from '../lib/preferences';
import type { WhatIf } from '../workers/core.worker';
import { RecipeProposals, type ProposalKey } from './recipe-proposals';

// The worker's part is the core's own; here it runs beside the page.
jest.unstable_mockModule('../workers/core', () => ({
  core: () => ({
    targetAfter: async (formula: Formula, on: WhatIf, pullS: number) =>
      targetAfter(bakeInputOf(formula, on), pullS),
  }),
}));
const { useProposals } = await import('./use-proposals');

afterEach(() => {
  cleanup();
  usePreferences.setState({ units: 'metric' });
});
const text = [
  '280 g plain flour',
  '225 g unsalted butter',
  '300 g light brown sugar',
  '2 eggs (50 g each)',
  '5 g baking soda',
  '300 g dark chocolate',
  'Chill for 2 hours. Bake at 350 °F for 12 minutes.',
  'Makes 24 cookies',
].join('\n');
const lines = assembleFormula(readRecipe(text, { measures: 'us', schools: {} }), {
  code: 'TST',
  name: 'A test',
});
const bakery = {
  equipment: starterEquipment,
  rules: { trayId: 'tray', liner: 'parchment' },
} as unknown as BakeryView;
const client = new QueryClient();
const wrapper = ({ children }: { children: ReactNode }) => (
  <QueryClientProvider client={client}>{children}</QueryClientProvider>
);
const hook = async () => {
  const { result } = renderHook(() => useProposals(sheetDirections(text), lines, 1210, bakery), { wrapper });
  await waitFor(() => expect(result.current.target).not.toBeNull());
  return result;
};

describe('what an imported recipe says of baking', () => {
  it('becomes the formula’s, with the doneness that its minutes come to', async () => {
    const { current } = await hook();
    expect(current.made).toMatchObject({
      piece: { massG: 50 },
      rest: { minS: 7200 },
      bake: { setC: expect.closeTo(176.67, 2), fan: false, target: current.target },
    });
    expect(current.target).not.toBeNull();
  });
  it('is left out one by one, and taken again', async () => {
    const result = await hook();
    act(() => result.current.leave('oven', true));
    expect(result.current.made?.bake).toMatchObject({ setC: lines.bake.setC, fan: lines.bake.fan });
    expect(result.current.made?.piece.massG).toBe(50);
    act(() => result.current.leave('minutes', true));
    expect(result.current.made?.bake.target).toBe(lines.bake.target);
    act(() => result.current.leave('oven', false));
    expect(result.current.made?.bake.setC).toBeCloseTo(176.67, 2);
  });
  it('waits for the open lines', () => {
    const { result } = renderHook(() => useProposals(sheetDirections(text), null, 500, bakery), { wrapper });
    expect([result.current.made, result.current.target]).toEqual([null, null]);
    expect(result.current.proposals.oven).toEqual({ setC: expect.closeTo(176.67, 2), fan: false });
  });
  it('is said in the units of the device, and each can be unticked', async () => {
    usePreferences.setState({ units: 'us' });
    const asked: [ProposalKey, boolean][] = [];
    const { proposals } = (await hook()).current;
    render(
      <RecipeProposals
        proposals={proposals}
        target="chewy"
        left={new Set(['piece'])}
        onLeave={(key, leave) => asked.push([key, leave])}
      />,
    );
    const box = (name: RegExp) => screen.getByRole<HTMLInputElement>('checkbox', { name });
    expect(box(/Oven 350 °F, still/).checked).toBe(true);
    expect(box(/12 min: chewy by the forecast/).checked).toBe(true);
    expect(box(/Rests 2 h or more, chilled/).checked).toBe(true);
    expect(box(/Makes 24: pieces of 1\.76 oz/).checked).toBe(false);
    await userEvent.click(box(/Oven/));
    await userEvent.click(box(/Makes/));
    expect(asked).toEqual([
      ['oven', true],
      ['piece', false],
    ]);
  });
  it('that says nothing says so', () => {
    render(<RecipeProposals proposals={{}} target={null} left={new Set()} onLeave={() => undefined} />);
    expect(screen.getByText(/Nothing of oven, rest or size/)).toBeTruthy();
  });
});
