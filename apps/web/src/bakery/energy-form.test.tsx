import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { demoEquipment, demoFormulas, type BatchPlan, type Prices } from '@jokul/core';
import type { BakeryView, PricesInput } from '@jokul/contracts';
import '../ui/browser.testkit';

const saved: PricesInput[] = [];
const server = { error: null as Error | null };
jest.unstable_mockModule('../lib/queries', () => ({
  useSavePrices: () => ({
    isPending: false,
    error: server.error,
    mutate: (input: PricesInput) => saved.push(input),
  }),
}));
const { EnergyForm } = await import('./energy-form');
const { OvenEnergy } = await import('../planning/day/oven-energy');

const user = userEvent.setup();
const bakeryWith = (prices: Prices, powerW?: number) =>
  ({
    prices,
    pricesVersion: 3,
    rules: { loadGapS: 150 },
    formulas: demoFormulas,
    equipment: {
      ...demoEquipment,
      ovens: demoEquipment.ovens.map((oven) => ({ ...oven, ...(powerW && { powerW }) })),
    },
  }) as unknown as BakeryView;
const batch = {
  productCode: 'GNG',
  loads: [
    {
      id: 'L1',
      batchId: 'B',
      ovenId: 'port',
      setC: 150,
      pullS: 900,
      startS: 20_000,
      trays: [{ pieces: 30 }],
    },
  ],
} as unknown as BatchPlan;

beforeEach(() => {
  saved.length = 0;
  server.error = null;
});
afterEach(cleanup);

describe('the price of energy', () => {
  it('is saved beside all other prices, and taken away by an empty field', async () => {
    render(<EnergyForm bakery={bakeryWith({ currency: 'EUR', perKg: { salt: 1 }, packG: { salt: 500 } })} />);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Save' }).disabled).toBe(true);
    await user.type(screen.getByLabelText('Price of a kWh'), '0,28');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    const others = { currency: 'EUR', perKg: { salt: 1 }, packG: { salt: 500 }, version: 3 };
    expect(saved).toEqual([{ ...others, perKWh: 0.28 }]);
    cleanup();
    render(<EnergyForm bakery={bakeryWith({ ...others, perKWh: 0.28 })} />);
    await user.clear(screen.getByLabelText('Price of a kWh'));
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(saved[1]?.perKWh).toBe(0);
  });
  it('refuses what is none, and says why the server did', async () => {
    server.error = new Error('Somebody saved other prices since.');
    render(<EnergyForm bakery={bakeryWith({ currency: '', perKg: {} })} />);
    await user.type(screen.getByLabelText('Price of a kWh'), 'cheap');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(saved).toEqual([]);
    expect(screen.getByText('A figure from 0 up.')).toBeTruthy();
    expect(screen.getByText('Somebody saved other prices since.')).toBeTruthy();
  });
});

describe('what the ovens of a day take', () => {
  const show = (prices: Prices, powerW?: number) =>
    render(<OvenEnergy batches={[batch]} bakery={bakeryWith(prices, powerW)} />).container;
  it('is shown with its arithmetic, in money once a price is known, and not at all without a power', () => {
    expect(show({ currency: 'EUR', perKg: {} }).innerHTML).toBe('');
    cleanup();
    // 128 degrees at 8 a minute are 16 min at 9 kW; 15 min at 2.7 kW; 0.96 kg of dough.
    expect(show({ currency: 'EUR', perKg: {} }, 9000).textContent).toContain('3.2 kWh');
    expect(document.body.textContent).not.toContain('today’s price');
    cleanup();
    expect(show({ currency: 'EUR', perKg: {}, perKWh: 0.3 }, 9000).textContent).toMatch(
      /at today’s price0\.9\d\d EUR/,
    );
  });
});
