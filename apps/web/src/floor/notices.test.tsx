import { afterEach, describe, expect, it } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Notice } from '@jokul/core';
import { useJournal } from '../journal/store';
import { Notices } from './notices';

const blank = useJournal.getState();
afterEach(() => {
  cleanup();
  act(() => useJournal.setState(blank, true));
});

const notice = (entryId: string, subject: string): Notice =>
  ({ code: 'not-pulled', entryId, subject, who: 'Aud', atMs: 1_000_000 }) as unknown as Notice;
const tell = (...notices: Notice[]) =>
  act(() => useJournal.setState(({ floor }) => ({ floor: { ...floor, notices } })));
const show = () =>
  render(
    <QueryClientProvider client={new QueryClient()}>
      <Notices />
    </QueryClientProvider>,
  );

describe('what the wall has to say', () => {
  it('is nothing while there is nothing', () => {
    show();
    expect(screen.queryByRole('alert')).toBeNull();
  });
  it('shows one at a time, the oldest first, with how many wait', async () => {
    const user = userEvent.setup();
    show();
    tell(notice('a', 'T1'), notice('b', 'T2'), notice('c', 'T3'));
    expect(screen.getByRole('alert').textContent).toContain('T1');
    expect(screen.getByRole('alert').textContent).toContain('2 more');
    await user.click(screen.getByRole('button', { name: 'Dismiss' }));
    expect(screen.getByRole('alert').textContent).toContain('T2');
    expect(screen.getByRole('alert').textContent).toContain('1 more');
  });
  it('a new one is not hidden by what was dismissed, and does not push itself in front', async () => {
    const user = userEvent.setup();
    show();
    tell(notice('a', 'T1'));
    await user.click(screen.getByRole('button', { name: 'Dismiss' }));
    expect(screen.queryByRole('alert')).toBeNull();
    tell(notice('a', 'T1'), notice('d', 'T4'));
    expect(screen.getByRole('alert').textContent).toContain('T4');
    tell(notice('a', 'T1'), notice('d', 'T4'), notice('e', 'T5'));
    expect(screen.getByRole('alert').textContent).toContain('T4');
  });
  it('two faults of one entry are two notices', async () => {
    const user = userEvent.setup();
    show();
    tell(notice('a', 'T1'), notice('a', 'T2'));
    await user.click(screen.getByRole('button', { name: 'Dismiss' }));
    expect(screen.getByRole('alert').textContent).toContain('T2');
  });
});
