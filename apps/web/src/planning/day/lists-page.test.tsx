/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { useJournal } from '../../journal/store';
import {
  demoDay,
  demoEquipment,
  demoFormulas,
  demoRules,
  noPrices,
  solvePlan,
  type BatchPlan,
  type LotState,
  type PlanProblem,
  type Prices,
} from '@jokul/core';
import { queryClient } from '../../lib/queries';
import { ListsPage } from './lists-page';

const at = (time: string) => Date.parse(`${demoDay.date}T${time}:00Z`) / 1000;
const problem: PlanProblem = {
  nowS: at('03:30'),
  products: [
    {
      code: 'CLM',
      name: 'Coconut Lime Cooler',
      rest: { form: 'pieces', placeKind: 'walk-in', minS: 3600, bestS: 4500, maxS: 10_800, temperS: 0 },
      demands: [{ name: 'Farm shop', readyByS: at('09:00'), pieces: 40 }],
      batches: [{ id: 'CLM-26-1-5', mixerId: demoEquipment.mixers[0]?.id ?? '', massG: 1900, pieces: 40 }],
      perTray: 20,
      restingPerTray: 40,
      bakes: [{ ovenId: 'port', setC: 160, pullS: 620 }],
      mixS: 1500,
      portionSetUpS: 240,
      portionSPerPiece: 5,
      trayRestS: 480,
      coolS: 2100,
      packS: 600,
      after: { icePieceS: 4, dryS: 1800, packPieceS: 3 },
    },
  ],
  resources: [
    {
      id: 'hands',
      name: 'Hands',
      capacity: 2,
      when: [{ fromS: at('03:30'), toS: at('11:00'), capacity: 2 }],
    },
    { id: 'trays', name: 'Trays', capacity: 20 },
    { id: 'racks', name: 'Racks', capacity: 20 },
    { id: 'walk-in/trays', name: 'Walk-in', capacity: 20 },
    ...demoEquipment.mixers.map(({ id, name }) => ({ id, name, capacity: 1 })),
  ],
  ovens: [{ id: 'port', name: 'Port', places: 5, degreesPerMin: 6 }],
  ovenHours: [{ fromS: at('03:30'), toS: at('11:00'), capacity: 1 }],
  loadGapS: 150,
  fixed: [],
};

const show = (batches: readonly BatchPlan[] | null, prices: Prices = noPrices) => {
  const body = batches && {
    plan: { batches, unplaced: [], boundS: 0 },
    preparations: [],
    batchFormula: {},
    forecasts: {},
    batchForecasts: {},
  };
  const bakery = {
    equipment: demoEquipment,
    rules: demoRules,
    formulas: demoFormulas,
    ownIngredients: [],
    prices,
    clock: { nowMs: at('04:10') * 1000, kind: 'demo', stepMs: 0 },
  };
  Object.assign(globalThis, {
    fetch: async (path: string) => ({
      ok: true,
      status: 200,
      headers: new Map(),
      text: async () =>
        JSON.stringify(
          path.includes('/days/')
            ? { date: demoDay.date, orders: [{ id: '1', productCode: 'CLM', pieces: 40 }], plan: body }
            : bakery,
        ),
    }),
  });
  return render(
    <QueryClientProvider client={queryClient}>
      <MemoryRouter initialEntries={[`/day/lists?day=${demoDay.date}`]}>
        <ListsPage />
      </MemoryRouter>
    </QueryClientProvider>,
  );
};

beforeEach(() => queryClient.clear());
afterEach(cleanup);

beforeEach(() => useJournal.setState({ loaded: true }));

describe('the work lists of a day', () => {
  it('give each person and each oven a sheet, with what a glaze is made of', async () => {
    show(solvePlan(problem).batches);
    const person = await screen.findByRole('region', { name: 'Early baker' });
    const rows = within(person)
      .getAllByRole('row')
      .map((row) => row.textContent ?? '');
    expect(rows.map((row) => /(Mix|Portion|Ice|Pack) Coconut/.exec(row)?.[1])).toEqual(
      expect.arrayContaining(['Mix', 'Portion', 'Ice', 'Pack']),
    );
    expect(rows.find((row) => row.includes('Ice'))).toMatch(
      /40 pieces, [\d.]+ g icing sugar, [\d.]+ g lime juice/,
    );
    const oven = screen.getByRole('region', { name: 'Port' });
    expect(oven.textContent).toContain('on from');
    expect(oven.textContent).toContain('160 °C');
  });

  it('say what the doughs of the day take, what is opened for them and what is left', async () => {
    show(solvePlan(problem).batches, { currency: '', perKg: {}, packG: { butter: 250 } });
    const sheet = await screen.findByRole('region', { name: 'Ingredients' });
    const rows = within(sheet).getAllByRole('row');
    const butter = rows.find((row) => row.textContent?.startsWith('Butter'))?.textContent ?? '';
    expect(butter).toMatch(/^Butter, unsalted[\d.]+ g\d packs of 250 gCLM$/);
    // Icing sugar and lime juice of the glaze are fetched too.
    expect(rows.some((row) => row.textContent?.startsWith('Icing sugar'))).toBe(true);
    expect(sheet.textContent).toMatch(/Left over: [\d.]+ g of butter, unsalted, of a pack of 250 g\./);
    fireEvent.change(screen.getByLabelText('Whose'), { target: { value: 'ingredients' } });
    expect(screen.getAllByRole('region').map((own) => own.getAttribute('aria-label'))).toEqual([
      'Ingredients',
    ]);
  });

  it('ask for nothing of a dough that is mixed', async () => {
    const { batches } = solvePlan(problem);
    const [batch] = batches;
    const { floor } = useJournal.getState();
    const mixed = { mixed: { atMs: 1 } } as unknown as LotState;
    useJournal.setState({ floor: { ...floor, lots: new Map([[batch?.batchId ?? '', mixed]]) } });
    show(batches);
    await screen.findByRole('region', { name: 'Early baker' });
    expect(screen.queryByRole('region', { name: 'Ingredients' })).toBeNull();
    useJournal.setState({ floor });
  });

  it('show one of them alone, which can be saved as a calendar', async () => {
    show(solvePlan(problem).batches);
    await screen.findByRole('region', { name: 'Early baker' });
    expect(screen.queryByRole('button', { name: 'As a calendar' })).toBeNull();
    fireEvent.change(screen.getByLabelText('Whose'), { target: { value: 'hand Early baker' } });
    expect(screen.getAllByRole('region').map((own) => own.getAttribute('aria-label'))).toEqual([
      'Early baker',
    ]);
    expect(screen.getByRole('button', { name: 'As a calendar' })).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Whose'), { target: { value: 'oven port' } });
    expect(screen.getAllByRole('region').map((own) => own.getAttribute('aria-label'))).toEqual(['Port']);
  });

  it('say so where nothing could be placed, and where there is no plan', async () => {
    show([]);
    expect(await screen.findByText(/No load could be placed/)).toBeTruthy();
    cleanup();
    queryClient.clear();
    show(null);
    expect(await screen.findByText('This day is not planned yet')).toBeTruthy();
  });
});
