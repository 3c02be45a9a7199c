import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { toast, Toaster } from 'sonner';
import { demoEquipment, type Action, type Oven } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { queryClient } from '../lib/queries';
import { OvenOut } from './oven-out';

const port = demoEquipment.ovens.find(({ id }) => id === 'port') as Oven;
const bakery = { equipment: demoEquipment, equipmentVersion: 7, formulas: [{}] } as unknown as BakeryView;
const action = (kind: Action['kind'], ovenId: string): Action => ({
  id: `${kind} ${ovenId}`,
  kind,
  batchId: 'GNG-26-1-A',
  productCode: 'GNG',
  trayIds: [],
  ovenId,
  dueMs: 0,
});
const actions = [
  action('load', 'port'),
  action('load', 'port'),
  action('pull', 'port'),
  action('load', 'keel-upper'),
];

/** The server: equipment as it was sent, or a refusal. */
const server = { sent: [] as { ovens: Oven[]; version: number }[], refuse: null as string | null };
beforeEach(() => {
  queryClient.clear();
  Object.assign(server, { sent: [], refuse: null });
  Object.assign(globalThis, {
    fetch: async (_path: string, init: { method?: string; body?: string } = {}) => {
      const say = (status: number, body: object) => ({
        ok: status < 400,
        status,
        text: async () => JSON.stringify(body),
      });
      if (init.method !== 'PUT') return say(200, {});
      if (server.refuse) return say(409, { code: 'changed-meanwhile', message: server.refuse, path: '' });
      const sent = JSON.parse(init.body ?? '{}') as (typeof server.sent)[0];
      server.sent.push(sent);
      return say(200, {
        equipment: { ...demoEquipment, ovens: sent.ovens },
        equipmentVersion: sent.version + 1,
      });
    },
  });
});
afterEach(() => {
  // A toast outlives its page.
  toast.dismiss();
  cleanup();
});
const show = (oven: Oven = port) =>
  render(
    <QueryClientProvider client={queryClient}>
      <OvenOut oven={oven} bakery={bakery} actions={actions} />
      <Toaster />
    </QueryClientProvider>,
  );
const retired = () => server.sent.map(({ ovens }) => ovens.filter((own) => own.retired).map(({ id }) => id));

describe('an oven that is taken out of use on the floor', () => {
  it('says what is planned into it, and is taken out on a second press, with a way back', async () => {
    show();
    await userEvent.click(screen.getByRole('button', { name: 'Take Port out of use' }));
    expect(screen.getByText(/2 loads are still planned into it/)).toBeTruthy();
    expect(server.sent).toEqual([]);
    await userEvent.click(screen.getByRole('button', { name: 'Out of use' }));
    await waitFor(() => expect(retired()).toEqual([['port']]));
    expect(server.sent[0]?.version).toBe(7);
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    await userEvent.click(await screen.findByRole('button', { name: 'Undo' }));
    await waitFor(() => expect(retired()).toEqual([['port'], []]));
  });
  it('stays when it is let be, or refused', async () => {
    show();
    await userEvent.click(screen.getByRole('button', { name: 'Take Port out of use' }));
    await userEvent.click(screen.getByRole('button', { name: 'Cancel' }));
    expect(screen.queryByRole('dialog')).toBeNull();
    server.refuse = 'Somebody else changed this meanwhile.';
    await userEvent.click(screen.getByRole('button', { name: 'Take Port out of use' }));
    await userEvent.click(screen.getByRole('button', { name: 'Out of use' }));
    expect((await screen.findByRole('alert')).textContent).toBe(server.refuse);
    expect(screen.getByRole('dialog')).toBeTruthy();
    expect(server.sent).toEqual([]);
  });
  it('comes back in use with one press', async () => {
    show({ ...port, retired: true });
    await userEvent.click(screen.getByRole('button', { name: 'Back in use' }));
    await waitFor(() => expect(retired()).toEqual([[]]));
  });
});
