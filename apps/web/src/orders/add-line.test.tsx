import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { demoFormulas } from '@jokul/core';
import { AddLine } from './add-line';

const sent: { path: string; line: Record<string, unknown> }[] = [];
beforeEach(() => {
  sent.length = 0;
  Object.assign(globalThis, {
    fetch: async (path: string, init?: { method?: string; body?: string }) => {
      if (init?.method === 'POST') sent.push({ path, line: JSON.parse(init.body ?? '{}') as never });
      return {
        ok: true,
        status: 201,
        text: async () => JSON.stringify({ ...sent.at(-1)?.line, version: 1 }),
      };
    },
  });
});
afterEach(cleanup);

const shown = (date: string) =>
  render(
    <QueryClientProvider client={new QueryClient()}>
      <AddLine date={date} formulas={demoFormulas} customers={[]} />
    </QueryClientProvider>,
  );
const value = (label: string) => screen.getByLabelText<HTMLInputElement>(label).value;

describe('a line that is typed', () => {
  it('stays while another day is brought up, and goes on its list', async () => {
    const user = userEvent.setup();
    const { unmount } = shown('2026-11-27');
    await user.type(screen.getByLabelText('For'), 'Farm shop');
    await user.selectOptions(screen.getByLabelText('Product'), 'RYE');
    await user.type(screen.getByLabelText('Pieces'), '44');
    // The page of the other day is fetched: the form is gone meanwhile.
    unmount();
    shown('2026-11-28');
    expect([value('For'), value('Product'), value('Pieces')]).toEqual(['Farm shop', 'RYE', '44']);
    await user.type(screen.getByLabelText('Ready by'), '09:00');
    await user.click(screen.getByRole('button', { name: 'Add' }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]?.path).toContain('2026-11-28');
    // The next line is often for the same customer and time.
    await waitFor(() => expect(value('Pieces')).toBe(''));
    expect([value('For'), value('Product'), value('Ready by')]).toEqual(['Farm shop', '', '09:00']);
  });
});
