import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { demoFormulas } from '@jokul/core';
import type { OrderView } from '@jokul/contracts';
import { usePreferences } from '../lib/preferences';
import { OrderRow } from './order-row';

const order: OrderView = {
  id: 'one',
  customer: 'Pier kiosk',
  productCode: 'LEM',
  pieces: 60,
  readyBy: '06:30',
  version: 3,
};
const sent: { method: string; body: Partial<OrderView> }[] = [];
beforeEach(() => {
  sent.length = 0;
  Object.assign(globalThis, {
    fetch: async (_path: string, init?: { method?: string; body?: string }) => {
      const body = init?.body ? (JSON.parse(init.body) as Partial<OrderView>) : {};
      if (init?.method && init.method !== 'GET') sent.push({ method: init.method, body });
      return { ok: true, status: 200, text: async () => JSON.stringify({ ...order, ...body, version: 4 }) };
    },
  });
});
afterEach(() => {
  cleanup();
  usePreferences.setState({ hours: '24' });
});
const show = () =>
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <table>
        <tbody>
          <OrderRow order={order} date="2026-11-27" formulas={demoFormulas} newTime />
        </tbody>
      </table>
    </QueryClientProvider>,
  );
const field = () => screen.getByLabelText<HTMLInputElement>('Ready by, Pier kiosk, LEM');
const type = async (text: string) => {
  await userEvent.clear(field());
  await userEvent.type(field(), `${text}{enter}`);
};

describe('a line of the bake list', () => {
  it.each([
    ['7:15 am', '07:15'],
    ['5.40 pm', '17:40'],
    ['0545', '05:45'],
  ])('takes %s for a time, and keeps %s', async (text, readyBy) => {
    show();
    await type(text);
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ method: 'PUT', body: { readyBy, pieces: 60, version: 3 } });
  });
  it('the same time written otherwise is no change', async () => {
    show();
    await type('6:30 am');
    expect(sent).toEqual([]);
    expect(screen.queryByRole('alert')).toBeNull();
  });
  it('what is no time is said, and stays as typed', async () => {
    show();
    await type('later');
    expect(screen.getByText(/"later" is no time of day/)).toBeTruthy();
    expect(field().value).toBe('later');
    expect(sent).toEqual([]);
  });
  it('speaks by the clock of the device', () => {
    usePreferences.setState({ hours: '12' });
    show();
    expect(field().value).toBe('6:30 am');
  });
});
