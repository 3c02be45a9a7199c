import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import {
  alongWay,
  demoEquipment,
  demoFormulas,
  demoRules,
  emptyLot,
  type Formula,
  type LotState,
} from '@jokul/core';

/* How warm a dough is now: along the way that it came, computed beside the page. */

let broken = false;
let away = false;
const along = jest.fn(async (...asked: Parameters<typeof alongWay>) => {
  if (broken) throw new Error('The computation broke off.');
  return alongWay(...asked);
});
jest.unstable_mockModule('../workers/core', () => ({ core: () => ({ along }) }));
const { useDoughNow } = await import('./dough-now');
const { setClock } = await import('../lib/now');

const nowMs = Date.UTC(2026, 10, 27, 4, 10);
const hour = 3600e3;
const formula = demoFormulas[0] as Formula;
const clock = { mode: 'frozen' as const, nowMs, serverMs: nowMs };
beforeEach(() => {
  broken = false;
  away = false;
  along.mockClear();
  setClock(clock);
  const answers: Record<string, unknown> = {
    bakery: { equipment: demoEquipment, rules: demoRules, formulas: [formula], ownIngredients: [], clock },
    clock,
    probes: { version: 1, places: [] },
  };
  Object.assign(globalThis, {
    fetch: async (path: string) => {
      if (away && path.includes('probes')) throw new TypeError('Failed to fetch');
      return {
        ok: true,
        status: 200,
        text: async () =>
          JSON.stringify(Object.entries(answers).find(([name]) => path.includes(name))?.[1] ?? {}),
      };
    },
  });
});
afterEach(cleanup);

const wrapper = ({ children }: { children: ReactNode }) => (
  <QueryClientProvider client={new QueryClient()}>
    <MemoryRouter>{children}</MemoryRouter>
  </QueryClientProvider>
);
const stay = (fromH: number, toH: number | null) => ({
  atMs: nowMs - fromH * hour,
  who: 'x',
  entryId: `e${fromH}`,
  placeId: 'walk-in',
  form: 'pieces' as const,
  cover: 'open' as const,
  startC: 23,
  massG: 6000,
  pieces: 180,
  outMs: toH === null ? null : nowMs - toH * hour,
  out: null,
  taken: [],
  cores: [],
});
const lot: LotState = {
  ...emptyLot('GNG-26-1-A'),
  mixed: { atMs: nowMs - 14 * hour, who: 'x', entryId: 'm', doughC: 23, massG: 6000, missing: [] },
  stays: [stay(13, 0.25)],
};
const shown = (of: Parameters<typeof useDoughNow>[0]) => renderHook(() => useDoughNow(of), { wrapper });

describe('how warm a dough is now', () => {
  it('that lay in the cold for a night and stood for a quarter of an hour is cold, and not as it was mixed', async () => {
    const { result } = shown({ lot, formula });
    expect(result.current).toBeUndefined();
    await waitFor(() => expect(result.current).toBeTruthy());
    expect(result.current?.meanC).toBeGreaterThan(4.5);
    expect(result.current?.meanC).toBeLessThan(12);
    // No probe told the air of the walk-in.
    expect(result.current?.assumed).toBe(true);
  });
  it('is not known of one of which nobody wrote down where it began', async () => {
    const { result } = shown({ lot: emptyLot('GNG-26-2-B'), formula });
    await waitFor(() => expect(result.current).toBeNull());
    expect(along).not.toHaveBeenCalled();
  });
  it('is not known either where it cannot be computed: nobody is kept from putting it away', async () => {
    broken = true;
    const { result } = shown({ lot, formula });
    await waitFor(() => expect(result.current).toBeNull());
  });
  it('is found without the server too, by air that is assumed', async () => {
    away = true;
    const { result } = shown({ lot, formula });
    await waitFor(() => expect(result.current).toBeTruthy());
    expect(result.current?.assumed).toBe(true);
  });
  it('is asked anew when its core was measured', async () => {
    const { result, rerender } = renderHook((of: LotState) => useDoughNow({ lot: of, formula }), {
      initialProps: lot,
      wrapper,
    });
    await waitFor(() => expect(result.current).toBeTruthy());
    const dough = { atMs: nowMs, who: 'x', entryId: 'd', what: 'dough' as const, temperatureC: 15 };
    rerender({ ...lot, measured: new Map([['dough', dough]]) });
    await waitFor(() => expect(result.current?.meanC).toBeCloseTo(15, 0));
  });
  it('is not asked of what is not to be asked about', () => {
    const { result } = shown(null);
    expect(result.current).toBeNull();
    expect(along).not.toHaveBeenCalled();
  });
});
