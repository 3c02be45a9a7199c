import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { toast, Toaster } from 'sonner';
import type { ReadPlanView } from '@jokul/contracts';
import { queryClient } from '../../lib/queries';
import { ReadPlanDialog } from './read-plan';

const change: ReadPlanView['changes'][number] = {
  loadId: 'GNG-26-1-A-L2',
  batchId: 'GNG-26-1-A',
  productCode: 'GNG',
  pieces: 30,
  from: { ovenId: 'port', startS: 1_795_760_000 },
  to: { ovenId: 'port', startS: 1_795_760_300 },
};
const fault = {
  code: 'capacity' as const,
  where: 'racks',
  message: 'Cooling racks: 20 are needed, 18 are there.',
};
const server = { read: [] as unknown[], taken: [] as unknown[], answer: {} as Partial<ReadPlanView> };
beforeEach(() => {
  queryClient.clear();
  Object.assign(server, { read: [], taken: [], answer: {} });
  Object.assign(globalThis, {
    fetch: async (path: string, init: { body?: string } = {}) => {
      const say = (body: object) => ({ ok: true, status: 201, text: async () => JSON.stringify(body) });
      const body = JSON.parse(init.body ?? '{}') as object;
      if (path.endsWith('/plan/file')) {
        server.read.push(body);
        const found = { id: 'file', planVersion: 1, changes: [change], before: [], after: [], faults: [] };
        return say({ ...found, ...server.answer });
      }
      const [, id] = /replan\/(\w+)$/.exec(path) ?? [];
      if (id) server.taken.push({ id, ...body });
      return say({ back: 'back' });
    },
  });
});
afterEach(() => {
  toast.dismiss();
  cleanup();
});

const show = (text = '{"date":"2026-11-27","batches":[]}') => {
  const onClose = jest.fn();
  const file = new File([text], 'friday-plan.json', { type: 'application/json' });
  Object.assign(file, { text: async () => text });
  const Page = () => {
    const [open, setOpen] = useState(true);
    const close = () => {
      onClose();
      setOpen(false);
    };
    return (
      <QueryClientProvider client={queryClient}>
        {open && <ReadPlanDialog date="2026-11-27" file={file} onClose={close} />}
        <Toaster />
      </QueryClientProvider>
    );
  };
  render(<Page />);
  return { onClose, user: userEvent.setup() };
};
const button = () => screen.findByRole('button', { name: 'Change the plan' });

describe('a plan read from a file', () => {
  it('shows what it changes before it is taken, and can be undone', async () => {
    const { user, onClose } = show();
    expect(await screen.findByText(/1 load changes/)).toBeTruthy();
    expect(screen.getByText(/everybody has their pieces in time, as by the one in use/)).toBeTruthy();
    expect(server.read).toEqual([{ date: '2026-11-27', batches: [] }]);
    expect(server.taken).toEqual([]);
    await user.click(await button());
    await waitFor(() => expect(onClose).toHaveBeenCalled());
    await user.click(await screen.findByRole('button', { name: 'Undo' }));
    await waitFor(() => expect(server.taken).toEqual([{ id: 'file' }, { id: 'back' }]));
  });

  it('asks why where it breaks a rule of the floor', async () => {
    server.answer = { faults: [fault] };
    const { user } = show();
    expect(await screen.findByText(/20 are needed/)).toBeTruthy();
    expect(await button()).toHaveProperty('disabled', true);
    await user.type(screen.getByLabelText('Why all the same'), 'a second rack comes');
    await user.click(await button());
    await waitFor(() => expect(server.taken).toEqual([{ id: 'file', reason: 'a second rack comes' }]));
  });

  it('is not to be taken where it cannot be, or changes nothing', async () => {
    server.answer = { id: null, faults: [fault] };
    show();
    expect(await screen.findByText('It cannot be done so:')).toBeTruthy();
    expect(await button()).toHaveProperty('disabled', true);
    expect(screen.queryByLabelText('Why all the same')).toBeNull();
    cleanup();
    server.answer = { changes: [] };
    show();
    expect(await screen.findByText('Nothing changes.')).toBeTruthy();
    expect(await button()).toHaveProperty('disabled', true);
  });

  it('says so when it is no file of ours', async () => {
    show('<xml>');
    expect(await screen.findByText(/friday-plan.json cannot be read/)).toBeTruthy();
    expect(server.read).toEqual([]);
  });
});
