import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { toast, Toaster } from 'sonner';
import type { BakeryView, SetupChanges } from '@jokul/contracts';
import { queryClient } from '../lib/queries';
import { SetupFilePanel } from './setup-file-panel';

const bakery = {
  name: 'Hollin Quay Bakehouse',
  today: '2026-11-27',
  rules: { timeZone: 'Atlantic/Faroe' },
} as unknown as BakeryView;
const file = {
  format: 'jokul-setup',
  version: 1,
  bakery: { name: 'Pier Ovens', timeZone: 'Europe/Lisbon' },
};
const changes: SetupChanges = {
  bakery: file.bakery,
  versions: { equipment: 3, rules: 4, ingredients: 0 },
  things: [
    { kind: 'ovens', name: 'Mole', what: 'new' },
    { kind: 'ovens', name: 'Keel', what: 'retired' },
  ],
  lists: ['crew'],
  rules: [{ key: 'coolS', from: 1800, to: 2400 }],
  ingredients: [],
  formulas: [{ code: 'GNG', name: 'Quay Ginger', what: 'changed' }],
};

const server = {
  taken: [] as { withBakery: boolean; versions: object; file: { bakery: { name: string } } }[],
  changes,
  refuse: null as string | null,
};
beforeEach(() => {
  queryClient.clear();
  Object.assign(server, { taken: [], changes, refuse: null });
  Object.assign(globalThis, {
    fetch: async (path: string, init: { body?: string } = {}) => {
      const say = (body: object, status = 200) => ({
        ok: status < 300,
        status,
        text: async () => JSON.stringify(body),
      });
      if (path.endsWith('/setup/file/look'))
        return server.refuse
          ? say({ code: 'x', message: server.refuse, path: '' }, 422)
          : say(server.changes);
      if (path.endsWith('/setup/file') && init.body) {
        server.taken.push(JSON.parse(init.body) as never);
        return say(changes);
      }
      if (path.endsWith('/setup/file'))
        return say({ ...file, bakery: { name: 'As it was', timeZone: 'UTC' } });
      return say({});
    },
  });
});
afterEach(() => {
  toast.dismiss();
  cleanup();
});

const show = () =>
  render(
    <QueryClientProvider client={queryClient}>
      <SetupFilePanel bakery={bakery} />
      <Toaster />
    </QueryClientProvider>,
  );
const give = async (text: string, name = 'setup.json') => {
  const given = new File([text], name, { type: 'application/json' });
  // The made-up browser reads no file.
  Object.assign(given, { text: async () => text });
  await userEvent.upload(screen.getByLabelText('Setup file'), given);
};

describe('a setup file', () => {
  it('is shown before anything is changed, then taken in, and back again', async () => {
    show();
    await give(JSON.stringify(file));
    expect(await screen.findByText('What the file would change')).toBeTruthy();
    const text = () => screen.getByRole('dialog').textContent ?? '';
    expect(text()).toContain('Mole (oven) new');
    expect(text()).toContain('Keel (oven) retired: it is not in the file');
    expect(text()).toContain('People changed');
    expect(text()).toContain('On the rack until cold, min 30 → 40');
    expect(text()).toContain('GNG Quay Ginger a new version');
    expect(server.taken).toEqual([]);
    await userEvent.click(screen.getByRole('checkbox', { name: /Pier Ovens, Europe\/Lisbon/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Use this file' }));
    await waitFor(() => expect(server.taken).toHaveLength(1));
    expect(server.taken[0]).toMatchObject({ withBakery: true, versions: changes.versions });
    await userEvent.click(await screen.findByRole('button', { name: 'Undo' }));
    await waitFor(() => expect(server.taken).toHaveLength(2));
    expect(server.taken[1]?.file.bakery.name).toBe('As it was');
  });

  it('that brings nothing new cannot be taken in', async () => {
    server.changes = { ...changes, things: [], lists: [], rules: [], formulas: [] };
    show();
    await give(JSON.stringify({ ...file, bakery: { name: bakery.name, timeZone: 'Atlantic/Faroe' } }));
    expect(await screen.findByText(/^Nothing: all that is in the file/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Use this file' })).toHaveProperty('disabled', true);
  });

  it.each([
    ['what is no JSON', 'salt and flour', null, /cannot be read as JSON/],
    ['what the server refuses', '{}', 'This is no setup file of Jokul.', /no setup file of Jokul/],
  ])('says what is wrong with %s', async (_, text, refuse, sentence) => {
    server.refuse = refuse;
    show();
    await give(text);
    expect(await screen.findByText(sentence)).toBeTruthy();
    expect(screen.queryByRole('dialog')).toBeNull();
  });

  it('too large is not even read', async () => {
    show();
    await give('x'.repeat(1_000_001));
    expect(await screen.findByText(/too large/)).toBeTruthy();
  });
});
