import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Toaster } from 'sonner';
import type { BakeryView, SetupChanges, SetupChangeView } from '@jokul/contracts';
import { queryClient } from '../lib/queries';
import { SetupHistory } from './setup-history';

const bakery = {
  name: 'Hollin Quay Bakehouse',
  rules: { timeZone: 'Atlantic/Faroe' },
  equipmentVersion: 2,
  rulesVersion: 3,
  ownIngredientsVersion: 0,
} as unknown as BakeryView;
const row = (id: number, change: Partial<SetupChangeView['what']> = {}): SetupChangeView => ({
  id,
  key: 'rules',
  atMs: Date.parse('2026-11-27T04:10Z'),
  who: 'Lead',
  what: {
    things: [],
    lists: [],
    rules: [{ key: 'testPieces', from: 2, to: 3 }],
    ingredients: [],
    ...change,
  },
});
const changes: SetupChanges = {
  bakery: { name: bakery.name, timeZone: 'Atlantic/Faroe' },
  versions: { equipment: 2, rules: 3, ingredients: 0 },
  things: [],
  lists: [],
  rules: [{ key: 'testPieces', from: 3, to: 2 }],
  ingredients: [],
  formulas: [],
};
const file = { format: 'jokul-setup', version: 1, bakery: changes.bakery };

const server = {
  rows: [] as SetupChangeView[],
  changes,
  taken: [] as object[],
  refuse: null as string | null,
};
beforeEach(() => {
  queryClient.clear();
  Object.assign(server, { rows: [row(7)], changes, taken: [], refuse: null });
  Object.assign(globalThis, {
    fetch: async (path: string, init: { body?: string } = {}) => {
      const say = (body: unknown, status = 200) => ({
        ok: status < 300,
        status,
        text: async () => JSON.stringify(body),
      });
      if (path.endsWith('/setup/changes')) return say(server.rows);
      if (path.endsWith('/setup/file/look')) return say(server.changes);
      if (path.includes('/before'))
        return server.refuse ? say({ code: 'x', message: server.refuse, path: '' }, 404) : say(file);
      if (path.endsWith('/setup/file') && init.body) {
        server.taken.push(JSON.parse(init.body) as object);
        return say(server.changes);
      }
      return say(file);
    },
  });
});
afterEach(cleanup);

const show = () =>
  render(
    <QueryClientProvider client={queryClient}>
      <SetupHistory bakery={bakery} />
      <Toaster />
    </QueryClientProvider>,
  );

describe('what was changed in Setup', () => {
  it('says when nothing was', async () => {
    server.rows = [];
    show();
    expect(await screen.findByText(/Nothing was changed yet/)).toBeTruthy();
  });
  it('says who changed what, and shows the rest when asked', async () => {
    const user = userEvent.setup();
    server.rows = [
      row(20, {
        rules: [],
        things: [{ kind: 'ovens', name: 'Mole', what: 'new' }],
        lists: ['crew'],
        ingredients: [{ name: 'Spelt', what: 'changed' }],
      }),
      ...Array.from({ length: 11 }, (_, i) => row(19 - i)),
    ];
    show();
    expect(await screen.findByText('Mole (oven) new; People changed; Spelt changed')).toBeTruthy();
    expect(screen.getAllByText(/2 → 3/)).toHaveLength(7);
    await user.click(screen.getByRole('button', { name: '4 more' }));
    expect(screen.getAllByText(/2 → 3/)).toHaveLength(11);
  });
  it('is looked at before it is put back', async () => {
    const user = userEvent.setup();
    show();
    await user.click(await screen.findByRole('button', { name: /Put back what was before/ }));
    expect(await screen.findByText('3 → 2')).toBeTruthy();
    expect(server.taken).toEqual([]);
    await user.click(screen.getByRole('button', { name: 'Put back' }));
    await waitFor(() => expect(server.taken).toHaveLength(1));
    expect(server.taken[0]).toMatchObject({ withBakery: true, versions: changes.versions });
    expect(await screen.findByText(/Plans made before are marked as old/)).toBeTruthy();
  });
  it('of prices, packs and limits says of what, in the units of the device', async () => {
    server.rows = [
      row(9, {
        rules: [
          { key: 'price/butter', from: null, to: 8.4 },
          { key: 'pack/salt', from: 500, to: 1000 },
          { key: 'perKWh', from: 0.28, to: 0.3 },
          { key: 'fatHigh', from: 90, to: 110 },
          { key: 'labels', from: 'classes', to: 'sources' },
        ],
      }),
    ];
    show();
    expect(
      await screen.findByText(
        'A kilogram of Butter, unsalted not set → 8.4; A pack of Fine salt 500 g → 1.00 kg; Price of a kWh 0.28 → 0.3; ' +
          'Recipe check: Fat, up to 90 → 110; Allergens on labels gluten (wheat), tree nuts (walnut) → wheat, walnut',
      ),
    ).toBeTruthy();
  });
  it('that is so already cannot be put back', async () => {
    const user = userEvent.setup();
    server.changes = { ...changes, rules: [] };
    show();
    await user.click(await screen.findByRole('button', { name: /Put back what was before/ }));
    expect(await screen.findByText('Nothing: it is as it was then.')).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Put back' }).disabled).toBe(true);
  });
  it('that is kept no more is said', async () => {
    const user = userEvent.setup();
    server.refuse = 'That change is not kept any more.';
    show();
    await user.click(await screen.findByRole('button', { name: /Put back what was before/ }));
    expect(await screen.findByText('That change is not kept any more.')).toBeTruthy();
  });
});
