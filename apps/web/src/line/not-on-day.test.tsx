import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { MemoryRouter, useLocation } from 'react-router';
import type { BatchPlan } from '@jokul/core';
import { isElsewhere } from './batch';
import { DayPicker } from './day-picker';
import { NotOnDay } from './not-on-day';

afterEach(cleanup);
const batches = [{ batchId: 'LEM-26-60-B' }, { batchId: 'constructor' }] as unknown as readonly BatchPlan[];

const Where = () => {
  const { pathname, search } = useLocation();
  return <p role="status">{pathname + search}</p>;
};

describe('another day', () => {
  it.each([
    ['/log', '/log?day=2026-11-28&at=life'],
    [undefined, '/log/LEM-26-60-B?day=2026-11-28&at=life'],
  ])('looked at from a lot of this one, with %s, leads to %s', async (path, leadsTo) => {
    render(
      <MemoryRouter initialEntries={['/log/LEM-26-60-B?day=2026-11-27&at=life']}>
        <QueryClientProvider client={new QueryClient()}>
          <DayPicker date="2026-11-27" {...(path && { path })} />
          <Where />
        </QueryClientProvider>
      </MemoryRouter>,
    );
    await userEvent.click(screen.getByRole('button', { name: 'The day after' }));
    expect(screen.getByRole('status').textContent).toBe(leadsTo);
  });
});

describe('an address of a batch', () => {
  it.each([
    [undefined, false],
    ['LEM-26-60-B', false],
    ['LEM-26-61-C', true],
    ['__proto__', true],
  ])('%s is elsewhere: %s', (id, elsewhere) => expect(isElsewhere(batches, id)).toBe(elsewhere));
  it('that is not here says so, and leads to what is, on the same day', () => {
    render(
      <MemoryRouter initialEntries={['/mix/LEM-26-61-C?day=2026-11-28']}>
        <NotOnDay id="LEM-26-61-C" path="/mix" />
      </MemoryRouter>,
    );
    expect(document.body.textContent).toContain('LEM-26-61-C is not on this day');
    expect(screen.getByRole('link').getAttribute('href')).toBe('/mix?day=2026-11-28');
  });
});
