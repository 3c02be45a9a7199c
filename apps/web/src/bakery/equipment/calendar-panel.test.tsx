import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { Toaster } from 'sonner';
import { demoEquipment, demoRules, type Calendar, type Equipment } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { CalendarPanel } from './calendar-panel';

const puts: Equipment[] = [];
beforeEach(() => {
  puts.length = 0;
  Object.assign(globalThis, {
    fetch: async (_path: string, init?: { method?: string; body?: string }) => {
      const equipment = JSON.parse(init?.body ?? '{}') as Equipment;
      if (init?.method === 'PUT') puts.push(equipment);
      const body = { equipment, equipmentVersion: 2, formulas: [] };
      return { ok: true, status: 200, text: async () => JSON.stringify(body) };
    },
  });
});
afterEach(cleanup);

const show = (calendar: Calendar) => {
  const bakery = {
    name: 'x',
    equipment: { ...demoEquipment, calendar },
    equipmentVersion: 1,
    rules: demoRules,
    formulas: [],
    today: '2026-11-27',
  } as unknown as BakeryView;
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <CalendarPanel bakery={bakery} />
        <Toaster />
      </MemoryRouter>
    </QueryClientProvider>,
  );
  return userEvent.setup();
};
const open: Calendar = { closedWeekdays: [], closedDays: [] };
const save = (user: ReturnType<typeof userEvent.setup>) =>
  user.click(screen.getByRole('button', { name: 'Save the calendar' }));

describe('closed days, and who is away', () => {
  it('says nothing of people while nobody is away', async () => {
    const user = show(open);
    await user.click(screen.getByLabelText(/^Mon/));
    await save(user);
    await waitFor(() => expect(puts).toHaveLength(1));
    expect(puts[0]?.calendar).toEqual({ closedWeekdays: [1], closedDays: [] });
  });

  it('takes who is away, the first day first, and lets them come back', async () => {
    const [shift] = demoEquipment.shifts;
    const user = show({
      ...open,
      away: [{ date: '2026-12-02', shift: 'Long gone', hands: 2, why: 'Course' }],
    });
    // A shift that is not there any more is said, not hidden.
    expect(screen.getByText('Long gone (no such shift any more)')).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Add who is away' }));
    await save(user);
    expect(screen.getByRole('alert').textContent).toMatch(/needs the day, how many hands, and why/);
    await user.type(screen.getByLabelText('Why on day 2'), ' Ill ');
    await save(user);
    await waitFor(() => expect(puts).toHaveLength(1));
    expect(puts[0]?.calendar?.away).toEqual([
      { date: '2026-11-27', shift: shift?.name, hands: 1, why: 'Ill' },
      { date: '2026-12-02', shift: 'Long gone', hands: 2, why: 'Course' },
    ]);
    await user.click(screen.getByRole('button', { name: 'Back on 2026-12-02' }));
    await save(user);
    await waitFor(() => expect(puts).toHaveLength(2));
    expect(puts[1]?.calendar?.away).toHaveLength(1);
  });

  it.each(['0', '-1', '1.5', 'two', ''])('refuses %j hands', async (hands) => {
    const user = show({ ...open, away: [{ date: '2026-12-02', shift: 'x', hands: 1, why: 'Ill' }] });
    const field = screen.getByLabelText('Hands away on day 1');
    await user.clear(field);
    if (hands) await user.type(field, hands);
    await save(user);
    expect(screen.getByRole('alert')).toBeTruthy();
    expect(puts).toEqual([]);
  });
});
