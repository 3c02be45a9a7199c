import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import userEvent from '@testing-library/user-event';
import { toast, Toaster } from 'sonner';
import { demoEquipment, demoFormulas, demoRules } from '@jokul/core';
import type { BakeryView, WhatIfInput } from '@jokul/contracts';
import { queryClient } from '../../../lib/queries';
import { side } from './side.testkit';
import { WhatIfDialog } from './what-if-dialog';

const bakery = {
  equipment: demoEquipment,
  rules: demoRules,
  formulas: demoFormulas,
  today: '2026-11-27',
} as unknown as BakeryView;

const server = { asked: [] as WhatIfInput[], posted: [] as string[], refuses: null as string | null };
beforeEach(() => {
  queryClient.clear();
  Object.assign(server, { asked: [], posted: [], refuses: null });
  Object.assign(globalThis, {
    fetch: async (path: string, init: { body?: string } = {}) => {
      const say = (status: number, body: object) => ({
        ok: status < 300,
        status,
        text: async () => JSON.stringify(body),
      });
      if (path.endsWith('/plan/what-if')) {
        server.asked.push(JSON.parse(init.body ?? '{}') as WhatIfInput);
        return say(201, {
          id: 'offer',
          before: side({}),
          after: side({ undonePieces: 24, cost: 320 }),
          again: { undonePieces: 24, cost: 300 },
          ovens: demoEquipment.ovens.map(({ id, name }) => ({ id, name })),
        });
      }
      const [, what] = /\/plan\/(what-if\/.*)$/.exec(path) ?? [];
      // After it the page looks again at all that it shows.
      if (!what) return say(200, {});
      server.posted.push(what);
      return server.refuses
        ? say(409, { code: 'changed-meanwhile', message: server.refuses, path: '' })
        : say(201, { plan: {}, back: 'back' });
    },
  });
});
afterEach(() => {
  toast.dismiss();
  cleanup();
});

let closed = 0;
const Shown = () => {
  const [open, setOpen] = useState(true);
  const onClose = () => {
    closed += 1;
    setOpen(false);
  };
  return open && <WhatIfDialog date="2026-11-27" today="2026-11-27" bakery={bakery} onClose={onClose} />;
};
const show = () => {
  closed = 0;
  render(
    <QueryClientProvider client={queryClient}>
      <Shown />
      <Toaster />
    </QueryClientProvider>,
  );
  return userEvent.setup();
};
const press = async (user: ReturnType<typeof userEvent.setup>, name: string | RegExp) =>
  user.click(screen.getByRole('button', { name }));

describe('the copy of a day', () => {
  it('asks nothing before something is supposed, and says what is wrong without losing it', async () => {
    const user = show();
    expect(screen.getByRole('button', { name: 'Try it' })).toHaveProperty('disabled', true);
    await press(user, 'One more order');
    await user.type(screen.getByLabelText('Pieces'), '96');
    await press(user, 'Try it');
    expect(screen.getByRole('alert').textContent).toBe('Say who it is for.');
    expect(screen.getByLabelText('Pieces')).toHaveProperty('value', '96');
    expect(server.asked).toEqual([]);
  });

  it('shows what would be beside what is, and forgets it when something else is supposed', async () => {
    const user = show();
    await press(user, 'An oven is out');
    await press(user, 'Try it');
    await screen.findByText(/24 pieces of 400 would not be in time/);
    expect(screen.getByText(/20 min of work more/)).toBeTruthy();
    expect(server.asked[0]?.ovensOut).toEqual([demoEquipment.ovens[0]?.id]);
    await user.selectOptions(screen.getByLabelText('Which oven'), demoEquipment.ovens[1]?.id ?? '');
    expect(screen.queryByText(/would not be in time/)).toBeNull();
    expect(screen.getByRole('button', { name: 'Try it' })).toBeTruthy();
  });

  it('is taken, and back', async () => {
    const user = show();
    await press(user, 'Somebody is away');
    await press(user, 'Try it');
    await screen.findByText(/It goes into Setup/);
    await press(user, 'Make it so');
    await waitFor(() => expect(closed).toBe(1));
    expect(server.posted).toEqual(['what-if/offer']);
    await user.click(await screen.findByRole('button', { name: 'Undo' }));
    await waitFor(() => expect(server.posted).toEqual(['what-if/offer', 'what-if/back/undo']));
  });

  it('stays open and says why when it cannot be taken', async () => {
    const user = show();
    await press(user, 'One more oven');
    await press(user, 'Try it');
    await screen.findByText(/would not be in time/);
    server.refuses = 'The bakery or its plan changed meanwhile.';
    await press(user, 'Make it so');
    expect((await screen.findByRole('alert')).textContent).toBe(server.refuses);
    expect(closed).toBe(0);
  });
});
