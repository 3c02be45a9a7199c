import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { toast, Toaster } from 'sonner';
import { demoFormulas } from '@jokul/core';
import type { OrderView } from '@jokul/contracts';
import { MoreOrders } from './more-orders';

/** The server: keeps lines by day, or refuses them. */
const server = {
  refuse: null as string | null,
  days: {} as Record<string, OrderView[]>,
  removed: [] as string[],
};
const line = (n: number, change: Partial<OrderView> = {}): OrderView => ({
  id: `old-${n}`,
  customer: 'Farm shop',
  productCode: 'RYE',
  pieces: 44,
  readyBy: '09:00',
  version: 1,
  ...change,
});
const answer = (status: number, body: object | null) => ({
  ok: status < 400,
  status,
  text: async () => (body === null ? '' : JSON.stringify(body)),
});

beforeEach(() => {
  localStorage.clear();
  Object.assign(server, {
    refuse: null,
    days: { '2026-11-20': [line(1), line(2, { productCode: 'PNT' })] },
    removed: [],
  });
  Object.assign(globalThis, {
    fetch: async (path: string, init?: { method?: string; body?: string }) => {
      const [, day = ''] = /days\/(\d{4}-\d\d-\d\d)/.exec(path) ?? [];
      if (init?.method === 'POST') {
        if (server.refuse) return answer(422, { code: 'x', message: server.refuse, path: '' });
        const { lines } = JSON.parse(init.body ?? '{}') as { lines: OrderView[] };
        const added = lines.map((own) => ({ ...own, version: 1 }));
        server.days[day] = [...(server.days[day] ?? []), ...added];
        return answer(201, { added, already: 0 });
      }
      if (init?.method === 'DELETE') {
        server.removed.push(path);
        return answer(204, null);
      }
      return answer(200, { date: day, orders: server.days[day] ?? [], plan: null });
    },
  });
});
afterEach(() => {
  // A toast outlives its page.
  toast.dismiss();
  cleanup();
});

/** As on the page: closed, it lets go of what lies behind it. */
const Held = ({ onClose }: { onClose: () => void }) => {
  const [open, setOpen] = useState(true);
  const close = () => {
    setOpen(false);
    onClose();
  };
  return <MoreOrders date="2026-11-27" formulas={demoFormulas} open={open} onClose={close} />;
};
const show = () => {
  const onClose = jest.fn();
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <Held onClose={onClose} />
      <Toaster />
    </QueryClientProvider>,
  );
  return { user: userEvent.setup(), onClose };
};
const paste = async (user: ReturnType<typeof userEvent.setup>, text: string) => {
  await user.click(screen.getByLabelText(/^Copy the lines/));
  await user.paste(text);
};
const sheet = () => within(screen.getByRole('region', { name: 'From a spreadsheet' }));

describe('many lines at once', () => {
  it('shows what each column is, what cannot be read, and puts the others on the list', async () => {
    const { user, onClose } = show();
    await paste(
      user,
      'For\tWhat\tPieces\tReady by\nFerry galley\tGNG\t96\t5:40\nFerry galley\tXYZ\t48\t5:40',
    );
    const columns = sheet().getAllByRole<HTMLSelectElement>('combobox');
    expect(columns.map(({ value }) => value)).toEqual(['customer', 'product', 'pieces', 'readyBy']);
    expect(sheet().getByText('"XYZ" is no product, or could be several.')).toBeTruthy();
    expect(sheet().getByRole('status').textContent).toBe('1 of 2 lines are read; 1 will be left out.');
    await user.click(screen.getByRole('button', { name: 'Put 1 on the list' }));
    await waitFor(() => expect(onClose).toHaveBeenCalled());
    expect(server.days['2026-11-27']).toMatchObject([
      { customer: 'Ferry galley', productCode: 'GNG', pieces: 96, readyBy: '05:40' },
    ]);
  });

  it('a column that was guessed wrong is put right, and is right the next time', async () => {
    const { user } = show();
    const text = 'GNG\t96\t12\t05:40\tFerry galley\nSES\t48\t6\t05:40\tFerry galley';
    await paste(user, text);
    const pieces = () => sheet().getAllByRole<HTMLSelectElement>('combobox');
    // Of two columns of counts none is guessed.
    expect(pieces().map(({ value }) => value)[1]).toBe('nothing');
    expect(screen.getByRole('button', { name: 'Put 0 on the list' })).toHaveProperty('disabled', true);
    await user.selectOptions(pieces()[1] as HTMLSelectElement, 'pieces');
    await user.selectOptions(pieces()[2] as HTMLSelectElement, 'pieces');
    // One thing is in one column only.
    expect(pieces().map(({ value }) => value)).toEqual([
      'product',
      'nothing',
      'pieces',
      'readyBy',
      'customer',
    ]);
    await user.click(screen.getByRole('button', { name: 'Put 2 on the list' }));
    await waitFor(() => expect(server.days['2026-11-27']?.map((own) => own.pieces)).toEqual([12, 6]));
    cleanup();
    const again = show();
    await paste(again.user, text);
    expect(pieces().map(({ value }) => value)[2]).toBe('pieces');
  });

  it('asks for what the sheet does not say', async () => {
    const { user } = show();
    await paste(user, 'GNG\t96\nSES\t48');
    expect(screen.getByRole('button', { name: 'Put 0 on the list' })).toHaveProperty('disabled', true);
    await user.type(screen.getByLabelText(/^For, as/), 'Ferry galley');
    await user.type(screen.getByLabelText(/^Ready by, as/), '05:40');
    await user.click(screen.getByRole('button', { name: 'Put 2 on the list' }));
    await waitFor(() => expect(server.days['2026-11-27']).toHaveLength(2));
  });

  it('a refusal is said, and nothing that was pasted is lost', async () => {
    const { user, onClose } = show();
    server.refuse = 'There is no formula "GNG".';
    await paste(user, 'Ferry galley\tGNG\t96\t5:40');
    await user.click(screen.getByRole('button', { name: 'Put 1 on the list' }));
    expect(await screen.findByText('There is no formula "GNG".')).toBeTruthy();
    expect(onClose).not.toHaveBeenCalled();
    expect(screen.getByLabelText<HTMLTextAreaElement>(/^Copy the lines/).value).toContain('GNG');
  });

  it('copies the list of the week before, and takes it back', async () => {
    const { user } = show();
    await user.click(await screen.findByRole('button', { name: 'Copy its 2 lines' }));
    await waitFor(() => expect(server.days['2026-11-27']).toHaveLength(2));
    // Lines of their own: changing one changes nothing of the other day.
    const ids = server.days['2026-11-27']?.map(({ id }) => id) ?? [];
    expect(ids.some((id) => id.startsWith('old-'))).toBe(false);
    await screen.findByText('2 lines put on the list.');
    await user.click(screen.getAllByRole('button', { name: 'Undo' })[0] as HTMLElement);
    await waitFor(() => expect(server.removed).toHaveLength(2));
  });
});
