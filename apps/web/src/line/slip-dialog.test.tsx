import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { toast, Toaster } from 'sonner';
import type { LateOrder } from '@jokul/core';
import type { ReplanView } from '@jokul/contracts';
import { SlipDialog } from './slip-dialog';

const at = (time: string) => Date.parse(`2026-11-27T${time}:00Z`) / 1000;
const late = (customer: string, latePieces: number, readyS: number | null): LateOrder => ({
  order: { id: customer, customer, productCode: 'GNG', pieces: 96, readyByS: at('05:40') },
  latePieces,
  readyS,
});
const found = (change: Partial<ReplanView> = {}): ReplanView => ({
  id: 'one',
  planVersion: 3,
  changes: [
    {
      loadId: 'GNG-26-1-A-L2',
      batchId: 'GNG-26-1-A',
      productCode: 'GNG',
      pieces: 60,
      from: { ovenId: 'port', startS: at('05:20') },
      to: { ovenId: 'starboard', startS: at('05:31') },
    },
  ],
  before: [late('Ferry galley', 96, at('06:12')), late('Pier kiosk', 12, null)],
  after: [],
  left: [],
  ...change,
});

/** The server: what it offers, and what it says to taking it. */
const server = { offer: found(), asked: 0, taken: [] as string[], refuse: null as string | null };
const answer = (status: number, body: object) => ({
  ok: status < 400,
  status,
  text: async () => JSON.stringify(body),
});
beforeEach(() => {
  Object.assign(server, { offer: found(), asked: 0, taken: [], refuse: null });
  Object.assign(globalThis, {
    fetch: async (path: string) => {
      const [, id] = /replan\/(\w+)$/.exec(path) ?? [];
      if (id === undefined) {
        server.asked += 1;
        return answer(201, server.offer);
      }
      if (server.refuse) return answer(409, { code: 'changed-meanwhile', message: server.refuse, path: '' });
      server.taken.push(id);
      return answer(201, { plan: {}, back: 'back' });
    },
  });
});
afterEach(() => {
  // A toast outlives its page.
  toast.dismiss();
  cleanup();
});

let closed = 0;
const show = () => {
  closed = 0;
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { enabled: false } } })}>
      <MemoryRouter initialEntries={['/floor?day=2026-11-27']}>
        <SlipDialog date="2026-11-27" onClose={() => (closed += 1)} />
      </MemoryRouter>
      <Toaster />
    </QueryClientProvider>,
  );
};
const button = (name: string) => screen.getByRole('button', { name });

describe('what can be done when the day slips', () => {
  it('for pieces without dough nothing moves: it leads to where they are planned anew', async () => {
    const short = [late('Pier kiosk', 24, null), late('Farm shop', 40, null)];
    server.offer = found({ changes: [], before: short, after: short });
    show();
    expect(await screen.findByText(/For 64 pieces there is no dough/)).toBeTruthy();
    expect(screen.getByText(/Plan the day again, and it is mixed where there is time/)).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Go to Day' }).getAttribute('href')).toBe('/day?day=2026-11-27');
    await userEvent.setup().click(screen.getByRole('link', { name: 'Go to Day' }));
    expect(closed).toBe(1);
    cleanup();
    // Where an oven is missing, it is not the dough.
    server.offer = found({ changes: [], before: short, after: short, left: [{ batchId: 'B', pieces: 64 }] });
    show();
    expect(await screen.findByText(/No other order of the loads that was tried helps them/)).toBeTruthy();
    expect(screen.queryByRole('link', { name: 'Go to Day' })).toBeNull();
  });
  it('says that it looks, then every change with where and when, and is taken', async () => {
    show();
    expect(screen.getByRole('status').textContent).toContain('Getting a way out');
    const change = await screen.findByText('GNG-26-1-A-L2, 60 pieces');
    expect(change.closest('li')?.textContent).toBe(
      'GNG GNG-26-1-A-L2, 60 pieces05:20 → 05:31, starboard instead of port',
    );
    expect(
      screen.getByText(/everybody has their pieces in time; as things stand, 108 would be late/),
    ).toBeTruthy();
    expect(screen.getByText('1 load changes; all others stay as planned')).toBeTruthy();
    await userEvent.click(button('Change the plan'));
    await waitFor(() => expect(closed).toBe(1));
    expect(server.taken).toEqual(['one']);
    expect(await screen.findByText('Plan changed: 1 load moves.')).toBeTruthy();
    // The page's toasts can be pressed over a dialog; this bare one has no such style.
    await userEvent.setup({ pointerEventsCheck: 0 }).click(button('Undo'));
    await waitFor(() => expect(server.taken).toEqual(['one', 'back']));
  });
  it('names who is late all the same, and what cannot be baked', async () => {
    server.offer = found({
      after: [late('Ferry galley', 40, at('05:55')), late('Pier kiosk', 96, null)],
      before: [late('Ferry galley', 96, null), late('Pier kiosk', 96, null)],
      left: [{ batchId: 'GNG-26-1-A-L3', pieces: 30 }],
    });
    show();
    expect(
      await screen.findByText(/With these changes 136 pieces are late; as things stand, 192/),
    ).toBeTruthy();
    expect(screen.getByText('40 of 96 GNG for Ferry galley: ready 05:55, due 05:40.')).toBeTruthy();
    expect(screen.getByText('96 GNG for Pier kiosk, due 05:40: not at all as things stand.')).toBeTruthy();
    expect(screen.getByText(/30 pieces cannot be baked/)).toBeTruthy();
  });
  it('says so when nothing helps, and when nothing is wrong', async () => {
    server.offer = found({ after: found().before });
    show();
    expect(await screen.findByText(/No other order of the loads that was tried helps/)).toBeTruthy();
    cleanup();
    server.offer = found({ before: [], after: [], changes: [] });
    show();
    expect(await screen.findByText('Nobody is late as things stand.')).toBeTruthy();
    expect(button('Change the plan').hasAttribute('disabled')).toBe(true);
    await userEvent.click(button('Keep the plan'));
    expect(closed).toBe(1);
    expect(server.taken).toEqual([]);
  });
  it('looks again when the floor went on meanwhile', async () => {
    server.refuse = 'The floor went on meanwhile. Look again at what can be done.';
    show();
    await screen.findByText('GNG-26-1-A-L2, 60 pieces');
    await userEvent.click(button('Change the plan'));
    expect(await screen.findByText(server.refuse)).toBeTruthy();
    expect(closed).toBe(0);
    server.refuse = null;
    await userEvent.click(button('Try again'));
    await screen.findByText('GNG-26-1-A-L2, 60 pieces');
    expect(server.asked).toBe(2);
    await userEvent.click(button('Change the plan'));
    await waitFor(() => expect(server.taken).toEqual(['one']));
  });
});
