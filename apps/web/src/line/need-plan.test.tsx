import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, render, screen, waitFor } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { useJournal } from '../journal/store';
import { setClock } from '../lib/clock';
import { ApiProblem } from '../lib/api';
import { NeedPlan } from './need-plan';

const blank = useJournal.getState();
afterEach(() => {
  cleanup();
  useJournal.setState(blank, true);
});

const shown = async (known: object | null) => {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  setClock({ mode: 'frozen', nowMs: Date.parse('2026-11-27T04:10:00Z'), timeZone: 'UTC' } as never);
  Object.assign(globalThis, {
    fetch: async () => {
      throw new TypeError('Failed to fetch');
    },
  });
  client.setQueryData(['bakery'], { rules: { timeZone: 'UTC' }, clock: {} });
  if (known) client.setQueryData(['day', '2026-11-27'], known);
  render(
    <QueryClientProvider client={client}>
      <MemoryRouter initialEntries={['/mix?day=2026-11-27']}>
        <NeedPlan>
          <p>the weigh sheet</p>
        </NeedPlan>
      </MemoryRouter>
    </QueryClientProvider>,
  );
  await client.refetchQueries({ queryKey: ['day'] });
  await waitFor(() => expect(client.getQueryState(['day', '2026-11-27'])?.error).toBeInstanceOf(ApiProblem));
};

const plan = { date: '2026-11-27', orders: [], plan: { plan: { batches: [] } } };

describe('a station whose floor is not known yet', () => {
  it('offers nothing to press: what went in seems open, and dough past its window new', async () => {
    useJournal.setState({ connection: 'starting', loaded: false });
    await shown(plan);
    expect(screen.queryByText('the weigh sheet')).toBeNull();
    expect(document.body.textContent).toContain('the floor');
    act(() => useJournal.setState({ loaded: true }));
    expect(screen.getByText('the weigh sheet')).toBeTruthy();
  });
});

describe('a station while the server is away', () => {
  beforeEach(() => useJournal.setState({ connection: 'away' }));

  it('goes on showing what it has, however long that lasts', async () => {
    await shown(plan);
    expect(screen.getByText('the weigh sheet')).toBeTruthy();
    expect(screen.queryByRole('alert')).toBeNull();
  });

  it('says so where it has nothing yet', async () => {
    await shown(null);
    expect(await screen.findByText(/server does not answer/)).toBeTruthy();
    expect(screen.queryByText('the weigh sheet')).toBeNull();
  });
});
