import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { exampleFormulas, starterEquipment, type Formula } from '@jokul/core';
import { MemoryRouter, Route, Routes, useLocation } from 'react-router';

/* The setting up of a bakery: the server is stood in for by what it would answer. */
const server = {
  name: 'My bakery',
  formulas: [] as Formula[],
  orders: [] as unknown[],
};
const idle = { isPending: false, mutate: () => undefined, mutateAsync: async () => undefined };
jest.unstable_mockModule('../lib/queries', () => ({
  useBakery: () => ({
    data: {
      kind: 'own',
      other: true,
      name: server.name,
      formulas: server.formulas,
      equipment: starterEquipment,
      equipmentVersion: 1,
      rules: { timeZone: 'UTC', trayId: 'tray', liner: 'parchment' },
      rulesVersion: 1,
    },
  }),
  useDay: () => ({ data: { date: '2026-11-28', orders: server.orders, plan: null } }),
  useOrdersOf: () => ({ data: { date: '2026-11-28', orders: server.orders, plan: null } }),
  useToday: () => '2026-11-27',
  useDayDate: () => '2026-11-28',
  useSaveEquipment: () => idle,
  useSaveRules: () => idle,
  useNameBakery: () => idle,
  useMakePlan: () => idle,
  useAddOrder: () => idle,
  useNewFormula: () => ({
    ...idle,
    mutate: (body: Formula) => void server.formulas.push({ ...body, version: 1 }),
  }),
  queryClient: {},
  refreshRows: async () => undefined,
}));
const { BeginPage } = await import('./begin-page');
const { beginStore } = await import('./use-begin');

// The page's window is older than the browsers that it is for.
globalThis.structuredClone ??= (value: unknown) => JSON.parse(JSON.stringify(value));

const address = { pathname: '', search: '' };
const Address = () => {
  Object.assign(address, useLocation());
  return null;
};
const show = (at: string) =>
  render(
    <MemoryRouter initialEntries={[at]}>
      <Address />
      <Routes>
        <Route path="/begin/:step?" element={<BeginPage />} />
      </Routes>
    </MemoryRouter>,
  );
const next = () => userEvent.click(screen.getByRole('button', { name: /^Next/ }));
const title = () => screen.getByRole('heading', { level: 1 }).textContent;

beforeEach(() => {
  Object.assign(server, { name: 'My bakery', formulas: [], orders: [] });
  beginStore.setState({ progress: {} });
});
afterEach(cleanup);

describe('setting up a bakery of one’s own', () => {
  it('begins at the first step that is not done, for a day that leaves time to mix', async () => {
    beginStore.setState({ progress: { own: { looked: ['ovens'], finished: false } } });
    server.name = 'Kestrel Lane';
    show('/begin');
    await screen.findByText(/on them\?/);
    expect(address.pathname).toBe('/begin/trays');
    expect(address.search).toBe('?day=2026-11-28');
  });
  it('asks once before what was typed is left behind', async () => {
    show('/begin/bakery');
    await userEvent.type(screen.getByLabelText('Name'), ' of the hill');
    await next();
    expect((await screen.findByRole('alert')).textContent).toMatch(/not saved yet/);
    expect(title()).toMatch(/called/);
    await next();
    expect(title()).toMatch(/chambers or decks/);
  });
  it('takes ready-made things as something to change', async () => {
    show('/begin/mixers');
    await userEvent.click(screen.getByRole('button', { name: 'Add Planetary mixer, 60 L' }));
    const dialog = screen.getByRole('dialog');
    expect(dialog.querySelector<HTMLInputElement>('input')?.value).toBe('Planetary mixer, 60 L');
  });
  it('takes an example as the first formula, which counts as done', async () => {
    show('/begin/formula');
    const [example] = exampleFormulas;
    await userEvent.click(screen.getByRole('button', { name: `Use ${example?.formula.name}` }));
    expect(server.formulas.map(({ code }) => code)).toEqual([example?.formula.code]);
  });
  it('does not count an order that nobody wrote', async () => {
    server.formulas = exampleFormulas.map(({ formula }) => formula);
    show('/begin/order');
    await next();
    expect(beginStore.getState().progress.own?.looked).not.toContain('order');
    expect(title()).toMatch(/each batch start/);
    expect(screen.getByText('No order for this day yet.')).toBeTruthy();
  });
});
