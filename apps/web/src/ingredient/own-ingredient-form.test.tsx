import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { ingredient, ingredients } from '@jokul/core';
import type { BakeryView, OwnIngredientsInput } from '@jokul/contracts';
import '../ui/browser.testkit';

const saved: OwnIngredientsInput[] = [];
const refusal = { error: null as Error | null };
jest.unstable_mockModule('../lib/queries', () => ({
  useLibrary: () => ingredients,
  useSaveIngredients: () => ({
    isPending: false,
    error: refusal.error,
    mutateAsync: async (input: OwnIngredientsInput) => {
      if (refusal.error) throw refusal.error;
      saved.push(input);
    },
  }),
}));
const { usePreferences } = await import('../lib/preferences');
const { OwnIngredientForm } = await import('./own-ingredient-form');
globalThis.structuredClone ??= (value: unknown) => JSON.parse(JSON.stringify(value));

const bakery = { ownIngredients: [], ownIngredientsVersion: 2 } as unknown as BakeryView;
const user = userEvent.setup();
const open = (id: string) =>
  render(
    <MemoryRouter>
      <OwnIngredientForm from={ingredient(id)} bakery={bakery} onDone={() => undefined} />
    </MemoryRouter>,
  );
const type = async (label: string, text: string) => {
  await user.clear(screen.getByLabelText(label));
  await user.type(screen.getByLabelText(label), text);
};
const box = (name: string) => screen.getByRole<HTMLInputElement>('checkbox', { name });
const save = () => user.click(screen.getByRole('button', { name: 'Save ingredient' }));

beforeEach(() => {
  saved.length = 0;
  refusal.error = null;
});
afterEach(() => {
  cleanup();
  usePreferences.setState({ units: 'metric' });
});

describe('an ingredient of one’s own', () => {
  it('asks which nuts, and sends them', async () => {
    open('dark-chocolate');
    expect(screen.queryByRole('group', { name: 'Which of them' })).toBeNull();
    await user.click(box('tree nuts'));
    expect(screen.getByText('Say which nuts: the label must name them.')).toBeTruthy();
    await user.click(within(screen.getByRole('group', { name: 'Which of them' })).getByLabelText('hazelnut'));
    expect(screen.queryByText(/Say which nuts/)).toBeNull();
    await type('Source', 'the label');
    await save();
    expect(saved[0]?.ingredients[0]).toMatchObject({
      allergens: expect.arrayContaining(['nuts']),
      which: ['hazelnut'],
    });
  });

  it('lets a nut go with its class', async () => {
    open('walnuts');
    expect(box('walnut').checked).toBe(true);
    await user.click(box('tree nuts'));
    await type('Source', 'the label');
    await save();
    expect(saved[0]?.ingredients[0]).toMatchObject({ allergens: [], which: [] });
  });

  it('may be mixed from others: what they declare it declares, whatever is ticked', async () => {
    open('cinnamon-sugar');
    expect(screen.queryByLabelText('Water')).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Mixed from others: add one' }));
    await user.type(screen.getByPlaceholderText('Name of the ingredient …'), 'ground almonds');
    await user.click(screen.getByRole('option', { name: /Ground almonds/ }));
    expect(screen.getByText(/must add up to 100 %/)).toBeTruthy();
    await type('White sugar, %', '80');
    await type('Ground almonds, %', '10');
    expect(screen.getByText('Adds up to 100.0 %.')).toBeTruthy();
    expect([box('tree nuts').checked, box('tree nuts').disabled, box('almond').checked]).toEqual([
      true,
      true,
      true,
    ]);
    await type('Source', 'our own mix');
    await save();
    expect(saved[0]?.ingredients[0]?.parts).toEqual([
      { ingredientId: 'white-sugar', share: 0.8 },
      { ingredientId: 'cinnamon', share: 0.1 },
      { ingredientId: 'ground-almonds', share: 0.1 },
    ]);
  });

  it('is typed in ounces and cups where the device speaks them; what nobody changed stays as it was', async () => {
    usePreferences.setState({ units: 'us' });
    open('butter');
    const pieces = screen.getByLabelText<HTMLInputElement>('Ounces of one piece');
    expect(pieces.value).toContain('stick 4');
    expect(screen.getByLabelText<HTMLInputElement>('Ounces a cup, by packing').value).toMatch(/^packed 8\.0/);
    await user.type(pieces, '; pat 0.5');
    await type('Source', 'the label');
    await save();
    const [row] = saved[0]?.ingredients ?? [];
    expect(row?.densityGPerMl).toEqual(ingredient('butter').densityGPerMl);
    expect(row?.pieceG).toMatchObject(ingredient('butter').pieceG);
    expect(row?.pieceG.pat).toBeCloseTo(14.17, 2);
  });

  it('says why it was not taken, and loses nothing', async () => {
    refusal.error = new Error('Flour would be made of itself.');
    open('wheat-flour');
    await type('Source', 'the label');
    await save();
    expect(screen.getByRole('alert').textContent).toContain('made of itself');
    expect(screen.getByLabelText<HTMLInputElement>('Source').value).toBe('the label');
  });
});
