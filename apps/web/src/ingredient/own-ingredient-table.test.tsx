import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { ownIngredient, readIngredientTable } from '@jokul/core';
import type { BakeryView, OwnIngredientsInput } from '@jokul/contracts';

const saved: OwnIngredientsInput[] = [];
const files: string[] = [];
jest.unstable_mockModule('../lib/queries', () => ({
  useSaveIngredients: () => ({
    isPending: false,
    error: null,
    mutate: (input: OwnIngredientsInput, then: { onSuccess: () => void }) => {
      saved.push(input);
      then.onSuccess();
    },
  }),
}));
jest.unstable_mockModule('../lib/save-file', () => ({
  saveFile: (_name: string, _type: string, text: string) => void files.push(text),
}));
const { OwnIngredientTable } = await import('./own-ingredient-table');
// The page's window is older than the browsers that it is for.
globalThis.structuredClone ??= (value: unknown) => JSON.parse(JSON.stringify(value));

const heading = 'name,kind,fat %,sugars %,allergens,g/mL,source';
const praline = 'Harbour Praline,nut-butter,40,60,nuts,1.1,the label';
const known = ownIngredient(
  readIngredientTable(`${heading}\n${praline}`)[0]?.ingredient as Parameters<typeof ownIngredient>[0],
);
const bakery = { ownIngredients: [known], ownIngredientsVersion: 3 } as unknown as BakeryView;
const user = userEvent.setup();
const give = async (text: string) => {
  render(<OwnIngredientTable bakery={bakery} />);
  const file = new File([text], 'supplier.csv', { type: 'text/csv' });
  // jsdom's files do not tell their text.
  Object.assign(file, { text: async () => text });
  await user.upload(screen.getByLabelText('CSV of ingredients'), file);
};

beforeEach(() => {
  saved.length = 0;
  files.length = 0;
});
afterEach(cleanup);

describe('a table of ingredients', () => {
  it('shows what it would do, and does it at a press; what is not in it stays', async () => {
    await give(`${heading}\nQuay Toffee,sugar,10,90,milk,0.8,a supplier\nTar,paste,1,1,,,\n`);
    expect(await screen.findByText(/1 new, 0 changed, 1 not read/)).toBeTruthy();
    expect(screen.getByRole('list', { name: 'Not read' }).textContent).toContain('Row 3, Tar');
    expect(saved).toEqual([]);
    await user.click(screen.getByRole('button', { name: 'Take one ingredient' }));
    expect(saved[0]?.version).toBe(3);
    expect(saved[0]?.ingredients.map(({ id }) => id)).toEqual(['own-harbour-praline', 'own-quay-toffee']);
    expect(screen.queryByLabelText('Table of ingredients')).toBeNull();
  });

  it('changes one that is there, and says which', async () => {
    await give(`${heading}\n${praline.replace('nuts', 'nuts; milk')}`);
    expect(await screen.findByText(/0 new, 1 changed/)).toBeTruthy();
    expect(screen.getByText(/Changed: Harbour Praline\./)).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Take one ingredient' }));
    expect(saved[0]?.ingredients).toHaveLength(1);
    expect(saved[0]?.ingredients[0]?.allergens).toEqual(['nuts', 'milk']);
  });

  it('that is none says so, and is left', async () => {
    await give('a holiday picture');
    expect((await screen.findByRole('alert')).textContent).toContain('"name" is not among them');
    expect(screen.queryByRole('button', { name: /^Take/ })).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Leave it' }));
    await waitFor(() => expect(screen.queryByLabelText('Table of ingredients')).toBeNull());
  });

  it('is given out as it can be read again', async () => {
    render(<OwnIngredientTable bakery={bakery} />);
    await user.click(screen.getByRole('button', { name: 'Save our own as CSV' }));
    expect(readIngredientTable(files[0] ?? '')[0]?.ingredient?.name).toBe('Harbour Praline');
  });
});
