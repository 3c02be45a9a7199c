import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { toast, Toaster } from 'sonner';
import { demoFormulas } from '@jokul/core';
import type { StandingOrderView } from '@jokul/contracts';
import { queryClient } from '../lib/queries';
import { StandingOrders } from './standing-orders';

const order = (change: Partial<StandingOrderView> = {}): StandingOrderView => ({
  id: 'one',
  customer: 'Pier kiosk',
  productCode: 'LEM',
  pieces: 48,
  readyBy: '06:30',
  weekdays: [1, 2, 3, 4, 5],
  from: '2026-11-02',
  until: null,
  version: 3,
  ...change,
});
/** The server: keeps standing orders, or refuses them. */
const server = {
  orders: [] as StandingOrderView[],
  refuse: null as string | null,
  sent: [] as { method: string; path: string; body: Partial<StandingOrderView> }[],
};
const answer = (status: number, body: unknown) => ({
  ok: status < 400,
  status,
  text: async () => (body === null ? '' : JSON.stringify(body)),
});
beforeEach(() => {
  queryClient.clear();
  Object.assign(server, { orders: [order()], refuse: null, sent: [] });
  Object.assign(globalThis, {
    fetch: async (path: string, init: { method?: string; body?: string } = {}) => {
      if (path.includes('standing?from=')) return answer(200, server.orders);
      if (!path.includes('standing')) return answer(404, { code: 'x', message: 'none', path: '' });
      const body = JSON.parse(init.body ?? '{}') as StandingOrderView;
      const method = init.method ?? 'GET';
      if (server.refuse) return answer(422, { code: 'same-line', message: server.refuse, path: '' });
      server.sent.push({ method, path, body });
      if (method === 'DELETE') server.orders = [];
      const saved = { ...body, id: body.id ?? 'new', until: body.until ?? null, version: 1 };
      if (method === 'POST') server.orders = [...server.orders, saved];
      return answer(method === 'DELETE' ? 204 : 200, method === 'DELETE' ? null : saved);
    },
  });
});
afterEach(() => {
  // A toast outlives its page.
  toast.dismiss();
  cleanup();
});

const show = () =>
  render(
    <QueryClientProvider client={queryClient}>
      <StandingOrders
        date="2026-11-27"
        formulas={demoFormulas}
        customers={['Farm shop']}
        onClose={() => {}}
      />
      <Toaster />
    </QueryClientProvider>,
  );
const adding = () => screen.findByRole('form', { name: 'Add a standing order' });

describe('standing orders', () => {
  it('are listed by customer, with their days', async () => {
    server.orders = [
      order(),
      order({ id: 'two', productCode: 'RYE', weekdays: [6, 7], until: '2026-12-24' }),
    ];
    show();
    expect(await screen.findByRole('heading', { name: 'Pier kiosk' })).toBeTruthy();
    const said = screen.getAllByRole('listitem').map(({ textContent }) => textContent);
    expect(said[0]).toContain('48 LEM by 06:30');
    expect(said[0]).toContain('Mon to Fri');
    expect(said[1]).toContain('Sat and Sun, until Thu 24 Dec');
  });
  it('a new one says what is wrong, loses nothing, and is sent with a key of its own', async () => {
    server.orders = [];
    show();
    const form = await adding();
    const field = (name: string) => within(form).getByLabelText(name);
    await userEvent.type(field('For'), 'Farm shop');
    for (const day of ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday'])
      await userEvent.click(within(form).getByRole('checkbox', { name: day }));
    await userEvent.click(within(form).getByRole('button', { name: 'Add it' }));
    const said = (await within(form).findAllByRole('alert')).map(({ textContent }) => textContent);
    expect(said).toContain('Choose a product.');
    expect(said).toContain('Ready-by is a time of day such as 05:40.');
    expect(said).toContain('Choose the days of the week, each once.');
    expect(server.sent).toEqual([]);
    expect((field('For') as HTMLInputElement).value).toBe('Farm shop');

    await userEvent.selectOptions(field('Product'), 'RYE');
    await userEvent.type(field('Pieces'), '44');
    await userEvent.type(field('Ready by'), '09:00');
    await userEvent.click(within(form).getByRole('checkbox', { name: 'Saturday' }));
    server.refuse = 'Farm shop already has a standing order of RYE at 09:00 on one of these days.';
    await userEvent.click(within(form).getByRole('button', { name: 'Add it' }));
    expect(await within(form).findByText(server.refuse)).toBeTruthy();
    server.refuse = null;
    await userEvent.click(within(form).getByRole('button', { name: 'Add it' }));
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]).toMatchObject({
      method: 'POST',
      body: {
        customer: 'Farm shop',
        productCode: 'RYE',
        pieces: 44,
        readyBy: '09:00',
        weekdays: [6],
        from: '2026-11-27',
      },
    });
    expect(server.sent[0]?.body.id).toMatch(/^[0-9a-f-]{36}$/);
    expect(await screen.findByText('44 for Farm shop, Sat, from Fri 27 Nov.')).toBeTruthy();
    // The next line is often for the same customer.
    expect((field('For') as HTMLInputElement).value).toBe('Farm shop');
    expect((field('Pieces') as HTMLInputElement).value).toBe('');
  });
  it('one is changed from the day that is looked at on', async () => {
    show();
    await userEvent.click(await screen.findByRole('button', { name: 'Change LEM for Pier kiosk' }));
    const form = screen.getByRole('form', { name: 'Change a standing order' });
    expect(within(form).getByLabelText<HTMLInputElement>('Changed from').value).toBe('2026-11-27');
    await userEvent.clear(within(form).getByLabelText('Pieces'));
    await userEvent.type(within(form).getByLabelText('Pieces'), '60');
    await userEvent.click(within(form).getByRole('button', { name: 'Save the change' }));
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]).toMatchObject({
      method: 'PUT',
      body: { pieces: 60, weekdays: [1, 2, 3, 4, 5], from: '2026-11-27', version: 3 },
    });
    expect(server.sent[0]?.body).not.toHaveProperty('until');
    expect(await adding()).toBeTruthy();
  });
  it('one is ended from that day on, and the end taken back', async () => {
    show();
    await userEvent.click(await screen.findByRole('button', { name: 'End LEM for Pier kiosk' }));
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]).toMatchObject({ method: 'DELETE' });
    expect(server.sent[0]?.path).toContain('standing/one?from=2026-11-27&version=3');
    // The page's toasts can be pressed over a dialog; this bare one has no such style.
    const bare = userEvent.setup({ pointerEventsCheck: 0 });
    await bare.click(await screen.findByRole('button', { name: 'Undo' }));
    await waitFor(() => expect(server.sent).toHaveLength(2));
    expect(server.sent[1]).toMatchObject({
      method: 'POST',
      body: { pieces: 48, weekdays: [1, 2, 3, 4, 5], from: '2026-11-27' },
    });
  });
  it('says when they cannot be had', async () => {
    Object.assign(globalThis, {
      fetch: async () => answer(404, { code: 'x', message: 'There is nothing.', path: '' }),
    });
    show();
    expect(await screen.findByText('There is nothing.')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Try again' })).toBeTruthy();
  });
});
