import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import { Toaster } from 'sonner';
import userEvent from '@testing-library/user-event';
import type { BackupsView } from '@jokul/contracts';

/* The server is stood in for by what it would answer. */
const usual = '/jokul/backups';
const server = {
  view: null as BackupsView | null,
  refuses: '',
  asked: [] as [string, unknown][],
  brokenSeq: null as number | null,
};
const view = (change: Partial<BackupsView> = {}): BackupsView => ({
  folder: usual,
  usual,
  named: false,
  keep: 14,
  missing: null,
  count: 0,
  files: [],
  ...change,
});
jest.unstable_mockModule('../lib/api', () => ({
  ApiProblem: class extends Error {},
  get: async () => ({ backups: server.view }),
  call: async (method: string, path: string, body: { folder: string | null; keep: number }) => {
    server.asked.push([method, body]);
    if (server.refuses) throw new Error(server.refuses);
    if (path === 'backups/tables')
      return { file: '/jokul/backups/jokul-tables', tables: 12, rows: 3400, brokenSeq: server.brokenSeq };
    if (method === 'POST') return { file: 'x', entries: 1234, rows: 2000, brokenSeq: null };
    server.view = view({ folder: body.folder ?? usual, keep: body.keep });
    return { backups: server.view };
  },
}));
const { queryClient } = await import('../lib/queries');
const { BackupsPanel } = await import('./backups-panel');

beforeEach(() => {
  Object.assign(server, { view: view(), refuses: '', asked: [], brokenSeq: null });
  queryClient.clear();
});
afterEach(cleanup);
const show = () =>
  render(
    <QueryClientProvider client={queryClient}>
      <BackupsPanel />
    </QueryClientProvider>,
  );
const user = userEvent.setup();
const folder = () => screen.findByLabelText<HTMLInputElement>(/^Folder on the machine/);

describe('backups in Setup', () => {
  it('go into the folder that is typed, and back into the usual one', async () => {
    show();
    expect(await screen.findByText('None in this folder yet.')).toBeTruthy();
    await user.clear(await folder());
    await user.type(await folder(), '/mnt/stick');
    await user.clear(screen.getByLabelText('Nights kept'));
    await user.type(screen.getByLabelText('Nights kept'), '30');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(server.asked).toEqual([['PUT', { folder: '/mnt/stick', keep: 30 }]]));
    await user.click(await screen.findByRole('button', { name: 'Usual folder' }));
    await user.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(server.asked[1]).toEqual(['PUT', { folder: null, keep: 30 }]));
  });

  it('say why a folder does not do, and keep what was typed', async () => {
    server.refuses = 'There is no such folder.';
    show();
    await user.type(await folder(), '-no');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect((await screen.findByRole('alert')).textContent).toBe('There is no such folder.');
    expect((await folder()).value).toBe(`${usual}-no`);
  });

  it.each(['', '0', '401', '2.5', 'many'])('are not kept for "%s" nights', async (nights) => {
    show();
    const field = await screen.findByLabelText('Nights kept');
    await user.clear(field);
    if (nights) await user.type(field, nights);
    expect(screen.getByText('1 to 400 nights.')).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Save' }).disabled).toBe(true);
  });

  it('are made at a press; the newest are shown with how to put one back', async () => {
    const files = [{ name: 'jokul-nightly-2026-11-27-023000.jsonl.gz', bytes: 1_240_000, madeMs: 0 }];
    server.view = view({ count: 12, files });
    show();
    expect(await screen.findByText(/1\.2 MB/)).toBeTruthy();
    expect(screen.getByText('11 older ones are there too.')).toBeTruthy();
    expect(screen.getByText(/npm run restore/)).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Back up now' }));
    await waitFor(() => expect(server.asked).toEqual([['POST', {}]]));
  });

  it('all records are written as tables at a press, and where they are is said', async () => {
    show();
    render(<Toaster />);
    await user.click(await screen.findByRole('button', { name: 'All records as tables' }));
    expect(
      await screen.findByText('3,400 rows in 12 tables are in /jokul/backups/jokul-tables.'),
    ).toBeTruthy();
  });

  it('tell of a folder that is gone, of one that was named at the start, and of a server that was not told', async () => {
    server.view = view({ missing: '/mnt/stick' });
    const { unmount } = show();
    expect((await screen.findByRole('alert')).textContent).toContain('/mnt/stick is not there.');
    expect((await folder()).value).toBe('/mnt/stick');
    unmount();
    queryClient.clear();
    server.view = view({ named: true });
    const second = show();
    expect((await folder()).disabled).toBe(true);
    second.unmount();
    queryClient.clear();
    server.view = null;
    show();
    expect(await screen.findByText(/nobody told it where backups go/)).toBeTruthy();
  });
});
