import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { atWallClock } from '@jokul/core';
import type { WeekDay, WeekView, WeekWork } from '@jokul/contracts';
import { usePreferences } from '../../lib/preferences';
import { queryClient } from '../../lib/queries';
import type { Slip } from '../../line/use-slip';
import { lanesOf } from './lanes';

const going = { slip: null as Slip | null };
jest.unstable_mockModule('../../line/use-slip', () => ({ useSlip: () => going.slip }));
const { WeekPage } = await import('./week-page');

const zone = 'Atlantic/Faroe';
const at = (date: string, time: string) => atWallClock(date, time, zone);
const bakery = {
  name: 'Hollin Quay Bakehouse',
  today: '2026-11-27',
  rules: { timeZone: zone },
  ownIngredients: [],
  formulas: [{ code: 'GNG', name: 'Quay Ginger' }],
  equipment: {
    mixers: [{ id: 'twenty', name: '20 qt planetary' }],
    ovens: [
      { id: 'port', name: 'Port' },
      { id: 'attic', name: 'Attic' },
    ],
    places: [],
  },
  clock: { mode: 'real', nowMs: Date.parse('2026-11-27T04:10Z') },
};
const day = (date: string, change: Partial<WeekDay> = {}): WeekDay => ({
  date,
  closed: null,
  lines: 2,
  pieces: 120,
  plan: { stale: false, undone: 0, loads: 1, firstLoadS: at(date, '04:26'), readyS: at(date, '05:40') },
  ...change,
});
const work = (change: Partial<WeekWork> = {}): WeekWork => ({
  kind: 'bake',
  bakeDay: '2026-11-27',
  batchId: 'GNG-26-57-Z',
  loadId: 'GNG-26-57-Z-L1',
  productCode: 'GNG',
  placeId: 'port',
  pieces: 120,
  startS: at('2026-11-27', '04:26'),
  endS: at('2026-11-27', '04:50'),
  ...change,
});
const week: WeekView = {
  from: '2026-11-27',
  days: [
    day('2026-11-27'),
    day('2026-11-28', { plan: null }),
    day('2026-11-29', { closed: 'Sunday', lines: 0, pieces: 0, plan: null }),
    day('2026-11-30', {
      plan: { stale: false, undone: 36, loads: 3, firstLoadS: null, readyS: null },
    }),
    day('2026-12-01', { plan: { stale: true, undone: 0, loads: 1, firstLoadS: null, readyS: null } }),
    day('2026-12-02', { lines: 0, pieces: 0, plan: null }),
    day('2026-12-03', { lines: 1, pieces: 40 }),
  ],
  work: [
    work(),
    work({
      kind: 'mix',
      placeId: 'twenty',
      startS: at('2026-11-26', '23:50'),
      endS: at('2026-11-27', '00:15'),
    }),
  ],
};

const server = { week: week as WeekView | null, asked: [] as string[] };
beforeEach(() => {
  queryClient.clear();
  Object.assign(server, { week, asked: [] });
  Object.assign(globalThis, {
    ResizeObserver: class {
      observe = () => undefined;
      disconnect = () => undefined;
    },
    fetch: async (path: string) => {
      const say = (body: unknown, status = 200) => ({
        ok: status < 300,
        status,
        text: async () => JSON.stringify(body),
      });
      if (path.endsWith('/bakery')) return say(bakery);
      if (path.includes('/clock')) return say(bakery.clock);
      if (path.includes('/weeks/')) {
        server.asked.push(path.split('/').at(-1) ?? '');
        return server.week
          ? say({ ...server.week, from: path.split('/').at(-1) })
          : say({ code: 'bad-date', message: 'The date is written 2026-11-27.', path: 'date' }, 400);
      }
      return say({});
    },
  });
});
afterEach(cleanup);

const show = (path = '/week') =>
  render(
    <QueryClientProvider client={queryClient}>
      <MemoryRouter initialEntries={[path]}>
        <WeekPage />
      </MemoryRouter>
    </QueryClientProvider>,
  );

describe('the week', () => {
  it('says of each day how it stands', async () => {
    show();
    expect(await screen.findAllByText('Planned: all in time')).toHaveLength(2);
    for (const words of [
      'Not planned yet',
      'Closed: Sunday',
      '36 pieces are not in time',
      'The list changed since it was planned',
      'No list',
      '40 pieces, 1 order',
    ])
      expect(screen.getByText(words)).toBeTruthy();
    expect(screen.getByRole('img', { name: 'Fri 27 Nov: 1 mixing, 1 load' })).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Sat 28 Nov' }).getAttribute('href')).toBe('/day?day=2026-11-28');
  });
  it('says who is late as the day goes, and not what the plan had promised', async () => {
    going.slip = { date: '2026-11-27', late: [{}, {}] as unknown as Slip['late'], lostOvens: [] };
    show();
    expect(await screen.findByText('2 orders running late')).toBeTruthy();
    expect(screen.getAllByText('Planned: all in time')).toHaveLength(1);
    going.slip = null;
  });
  it('goes from week to week, and back to today', async () => {
    const user = userEvent.setup();
    show();
    await screen.findAllByText('Planned: all in time');
    await user.click(screen.getByRole('button', { name: 'A week later' }));
    await user.click(await screen.findByRole('button', { name: /to today/ }));
    expect(await screen.findByRole('button', { name: 'From today' })).toBeTruthy();
    expect(server.asked).toEqual(expect.arrayContaining(['2026-11-27', '2026-12-04']));
  });
  it('begins with the day of the week that this device begins with', async () => {
    act(() => usePreferences.getState().set({ weekStart: 'monday' }));
    server.asked.length = 0;
    const user = userEvent.setup();
    show();
    expect((await screen.findByRole<HTMLButtonElement>('button', { name: 'This week' })).disabled).toBe(true);
    await user.click(screen.getByRole('button', { name: 'A week earlier' }));
    await user.click(await screen.findByRole('button', { name: 'From Mon 16 Nov: to today' }));
    expect(await screen.findByRole('button', { name: 'This week' })).toBeTruthy();
    expect(new Set(server.asked)).toEqual(new Set(['2026-11-23', '2026-11-16']));
    act(() => usePreferences.getState().set({ weekStart: 'day' }));
  });
  it('with nothing on its lists leads to the orders', async () => {
    server.week = {
      ...week,
      work: [],
      days: week.days.map(({ date }) => day(date, { lines: 0, pieces: 0, plan: null })),
    };
    show();
    expect(await screen.findByText(/Nothing is on the lists of this week/)).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Orders' }).getAttribute('href')).toBe('/orders?day=2026-11-27');
  });
  it('that cannot be had says why', async () => {
    server.week = null;
    show('/week?day=x');
    expect(await screen.findByText(/The date is written 2026-11-27/)).toBeTruthy();
  });
});

describe('the lanes of a day', () => {
  const places = [...bakery.equipment.mixers, ...bakery.equipment.ovens];
  it('are those of all that is busy in the week; work over midnight is on both days', () => {
    const midnight = at('2026-11-27', '00:00');
    const lanes = (fromS: number) =>
      lanesOf(places, week.work, fromS, fromS + 86_400).map(({ id, works }) => [id, works.length]);
    expect(lanes(midnight - 86_400)).toEqual([
      ['twenty', 1],
      ['port', 0],
    ]);
    expect(lanes(midnight)).toEqual([
      ['twenty', 1],
      ['port', 1],
    ]);
  });
});
