import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { atWallClock, demoFormulas, demoEquipment, demoRules, type PlanQuality } from '@jokul/core';
import { HowGood, HowSure, spreadWords, WaysOut } from './plan-quality';

const posts: object[] = [];
beforeEach(() => {
  posts.length = 0;
  Object.assign(globalThis, {
    fetch: async (_path: string, init?: { method?: string; body?: string }) => {
      if (init?.method === 'POST') posts.push(JSON.parse(init.body ?? '{}') as object);
      const body = { plan: { batches: [], unplaced: [] } };
      return { ok: true, status: 200, text: async () => JSON.stringify(body) };
    },
  });
});
afterEach(cleanup);

const at = (time: string) => atWallClock('2026-11-27', time, demoRules.timeZone);
const quality = (change: Partial<PlanQuality> = {}): PlanQuality => ({
  undonePieces: 0,
  orderedPieces: 1470,
  leastUndone: 0,
  cost: { minutes: 630, terms: [{ name: 'hot ovens', minutes: 130 }] },
  leastCost: 600,
  sure: [],
  short: [],
  wanted: null,
  ...change,
});
const show = (part: React.ReactNode) => {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: Infinity } } });
  client.setQueryData(['bakery'], {
    name: 'x',
    day: '2026-11-27',
    formulas: demoFormulas,
    equipment: demoEquipment,
    rules: demoRules,
  });
  render(
    <QueryClientProvider client={client}>
      <MemoryRouter initialEntries={['/day?day=2026-11-27']}>{part}</MemoryRouter>
    </QueryClientProvider>,
  );
  return userEvent.setup();
};

describe('how good a plan is', () => {
  it.each<[string, Partial<PlanQuality>, string]>([
    ['all in time', {}, 'All 1470 pieces in time; the work is at most 5.0 % above the best possible.'],
    [
      'some not, which is proved',
      { undonePieces: 30, leastUndone: 30 },
      '30 of 1470 pieces are not ready in time, and no plan could have more; the work is at most 5.0 % above the best possible.',
    ],
    [
      'some not, which is not proved',
      { undonePieces: 30 },
      '30 of 1470 pieces are not ready in time; it is not proved that they could not be.',
    ],
    [
      'some not, of which part is proved',
      { undonePieces: 30, leastUndone: 12 },
      '30 of 1470 pieces are not ready in time; at least 12 cannot be.',
    ],
  ])('%s', (_, change, sentence) => {
    show(<HowGood quality={quality(change)} />);
    expect(screen.getByText(sentence)).toBeTruthy();
  });
  it('opens the arithmetic of its cost', () => {
    show(<HowGood quality={quality()} />);
    for (const text of ['hot ovens', '130 min', '630 min', '600 min'])
      expect(screen.getByText(text)).toBeTruthy();
  });
});

describe('how sure it is', () => {
  const sure = (probability: number, customer = 'Ferry galley') => ({
    productCode: 'GNG',
    customer,
    readyByS: at('05:40'),
    probability,
  });
  it('names what is in doubt, the least sure first, and how many more there are', async () => {
    show(
      <HowSure
        quality={quality({
          sure: [sure(0.99), ...[0.9, 0.2, 0.5, 0.6, 0.7, 0.8, 0.3].map((p, i) => sure(p, `Customer ${i}`))],
        })}
      />,
    );
    await screen.findAllByText(/Quay Ginger for Customer/);
    const items = screen.getAllByRole('listitem').map(({ textContent }) => textContent);
    expect(items[0]).toBe('Quay Ginger for Customer 1, 05:4020 days');
    expect(items).toHaveLength(5);
    expect(screen.getByText('and 2 more below 95.')).toBeTruthy();
  });
  it('says what the days were spread by: estimates, too few records, or the log', () => {
    const learned = { workShare: 0.2, pullShare: 0.031, coolShare: 0.1, lateS: 150, works: 30 };
    expect(spreadWords(undefined)).toMatch(/by estimates \(work 12 %, pulls 5 %, 1 min 30 s late/);
    expect(spreadWords({ ...learned, loads: 4 })).toMatch(/not yet by your log: it has only 4 loads/);
    expect(spreadWords({ ...learned, loads: 212 })).toBe(
      'Durations are spread as in your log of the last six weeks (work 20 %, pulls 3 %, 2 min 30 s late on average): 212 loads, 30 mixings.',
    );
  });
  it('says when all is sure', () => {
    show(<HowSure quality={quality({ sure: [sure(0.97)] })} />);
    expect(screen.getByText('Each ready-by holds on at least 95 of 100 simulated days.')).toBeTruthy();
  });
  it('plans safer, and as late as can be again, at a press', async () => {
    const user = show(<HowSure quality={quality({ sure: [sure(0.4)] })} />);
    await user.click(screen.getByRole('button', { name: 'Plan it safer: 90 days of 100' }));
    await waitFor(() => expect(posts).toEqual([{ chance: 0.9 }]));
    cleanup();
    const again = show(<HowSure quality={quality({ sure: [sure(0.4)], wanted: 0.9 })} />);
    await again.click(screen.getByRole('button', { name: 'Plan as late as possible' }));
    await waitFor(() => expect(posts).toEqual([{ chance: 0.9 }, { chance: 0 }]));
  });
});

describe('ways out', () => {
  it('are said for the order that they help', async () => {
    show(
      <WaysOut
        quality={quality({
          short: [
            {
              productCode: 'RYE',
              customer: 'Farm shop',
              readyByS: at('09:00'),
              ordered: 60,
              pieces: 20,
              ways: [
                { kind: 'fewer', say: 'Take 20 instead of 60: so many are ready in time.', amount: 20 },
                { kind: 'more-trays', say: 'Find 4 more trays.', amount: 4 },
              ],
            },
          ],
        })}
      />,
    );
    expect(await screen.findByText('Burnt-Butter Walnut Rye for Farm shop, 09:00')).toBeTruthy();
    expect(screen.getByText('Find 4 more trays.')).toBeTruthy();
  });
  it('where there are none nothing is shown', () => {
    show(<WaysOut quality={quality()} />);
    expect(screen.queryByText('What would help')).toBeNull();
  });
});
