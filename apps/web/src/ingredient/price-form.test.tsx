import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { demoFormulas, ingredient, type Prices } from '@jokul/core';
import type { BakeryView, PricesInput } from '@jokul/contracts';
import '../ui/browser.testkit';

const saved: PricesInput[] = [];
const server = { error: null as Error | null, prices: { currency: '', perKg: {} } as Prices };
jest.unstable_mockModule('../lib/queries', () => ({
  useBakery: () => ({ data: { prices: server.prices } }),
  useSavePrices: () => ({
    isPending: false,
    error: server.error,
    mutate: (input: PricesInput) => saved.push(input),
  }),
}));
const { usePreferences } = await import('../lib/preferences');
const { PriceForm } = await import('./price-form');
const { IngredientCosts } = await import('../formula/ingredient-costs');

const user = userEvent.setup();
const open = (id: string, prices: Prices = server.prices) =>
  render(<PriceForm food={ingredient(id)} bakery={{ prices, pricesVersion: 4 } as unknown as BakeryView} />);
const type = async (label: string, text: string) => {
  await user.clear(screen.getByLabelText(label));
  if (text) await user.type(screen.getByLabelText(label), text);
};
const button = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Save' });

beforeEach(() => {
  saved.length = 0;
  Object.assign(server, { error: null, prices: { currency: '', perKg: {} } });
});
afterEach(() => {
  cleanup();
  usePreferences.setState({ units: 'metric' });
});

describe('the price of an ingredient', () => {
  it('is typed beside the others, with a comma too, and in whose money', async () => {
    open('butter', { currency: '', perKg: { salt: 0.5 } });
    expect(button().disabled).toBe(true);
    await type('Price of a kilogram', '8,40');
    await type('Currency of all prices', 'eur');
    await user.click(button());
    expect(saved).toEqual([{ currency: 'EUR', perKg: { salt: 0.5, butter: 8.4 }, version: 4 }]);
  });
  it('is that of a pound where the device speaks pounds, and stays to the last digit untouched', async () => {
    usePreferences.setState({ units: 'us' });
    open('butter', { currency: 'USD', perKg: { butter: 8.4 } });
    const field = screen.getByLabelText<HTMLInputElement>('Price of a pound');
    expect(field.value).toBe('3.81018');
    await type('Currency of all prices', 'CAD');
    await user.click(button());
    expect(saved[0]?.perKg.butter).toBe(8.4);
    cleanup();
    open('butter', { currency: 'USD', perKg: { butter: 8.4 } });
    await type('Price of a pound', '4');
    await user.click(button());
    expect(saved[1]?.perKg.butter).toBeCloseTo(8.818, 3);
  });
  it('is taken away by an empty field; what is none cannot be saved', async () => {
    open('butter', { currency: 'EUR', perKg: { butter: 8.4, salt: 1 } });
    await type('Price of a kilogram', '');
    await user.click(button());
    expect(saved[0]?.perKg).toEqual({ salt: 1 });
    for (const wrong of ['much', '-3']) {
      await type('Price of a kilogram', wrong);
      expect(button().disabled).toBe(true);
    }
    expect(screen.getByText('A figure from 0 up.')).toBeTruthy();
    await type('Currency of all prices', 'E1');
    expect(screen.getByText('Three letters, such as EUR.')).toBeTruthy();
  });
  it('stands beside what a pack holds, in the unit that is typed, and one goes without the other', async () => {
    open('butter', { currency: 'EUR', perKg: { butter: 8 }, packG: { salt: 500 }, perKWh: 0.3 });
    await type('A pack holds, g', '2.5 kg');
    await user.click(button());
    expect(saved[0]).toEqual({
      currency: 'EUR',
      perKg: { butter: 8 },
      packG: { salt: 500, butter: 2500 },
      perKWh: 0.3,
      version: 4,
    });
    cleanup();
    usePreferences.setState({ units: 'us' });
    open('salt', { currency: 'EUR', perKg: {}, packG: { salt: 453.59237 } });
    expect(screen.getByLabelText<HTMLInputElement>('A pack holds, oz').value).toBe('16');
    await type('A pack holds, oz', '');
    await user.click(button());
    expect(saved[1]?.packG).toEqual({});
    await type('A pack holds, oz', 'a sack');
    expect(screen.getByText('From 1 g to 1 t.')).toBeTruthy();
    expect(button().disabled).toBe(true);
  });
  it('of what is mixed is that of its parts, until it has its own', () => {
    open('cinnamon-sugar', { currency: 'EUR', perKg: { 'white-sugar': 1, cinnamon: 21 } });
    expect(screen.getByLabelText<HTMLInputElement>('Price of a kilogram').placeholder).toBe('3 by its parts');
  });
});

describe('what the ingredients of a formula cost', () => {
  const [formula] = demoFormulas;
  if (!formula) throw new Error('no demo');
  it('is nothing to show without a price', () => {
    const { container } = render(<IngredientCosts formula={formula} />);
    expect(container.innerHTML).toBe('');
  });
  it('is said of a piece and of a kilogram, with what has no price', () => {
    const lines = formula.stages.flatMap((stage) => stage.lines);
    const ids = [...new Set([...lines, ...formula.toppings].map(({ ingredientId }) => ingredientId))];
    server.prices = { currency: 'EUR', perKg: Object.fromEntries(ids.slice(1).map((id) => [id, 2])) };
    render(<IngredientCosts formula={formula} />);
    expect(document.body.textContent).toMatch(/One piece0\.0\d\d EUR/);
    expect(document.body.textContent).toMatch(/One kilogram of dough1\.\d\d EUR/);
    expect(document.body.textContent).toContain('1 ingredient that has no price: ');
    cleanup();
    server.prices = { currency: 'EUR', perKg: Object.fromEntries(ids.map((id) => [id, 2])) };
    render(<IngredientCosts formula={formula} />);
    expect(document.body.textContent).toContain('Toppings with it');
  });
});
