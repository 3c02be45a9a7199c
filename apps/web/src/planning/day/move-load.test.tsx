import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { toast, Toaster } from 'sonner';
import { demoEquipment, demoRules, type Load } from '@jokul/core';
import type { BakeryView, MoveView } from '@jokul/contracts';
import { queryClient } from '../../lib/queries';
import { MoveLoad } from './move-load';

const at = (time: string) => Date.parse(`2026-11-27T${time}:00Z`) / 1000;
const load: Load = {
  id: 'GNG-26-1-A-L2',
  batchId: 'GNG-26-1-A',
  ovenId: 'port',
  setC: 165,
  pullS: 700,
  startS: at('06:00'),
  readyS: at('06:50'),
  dueS: at('07:00'),
  trays: [{ id: 'GNG-26-1-A-L2-T1', position: 1, pieces: 30 }],
};
const bakery = {
  equipment: {
    ...demoEquipment,
    ovens: demoEquipment.ovens.map((oven) => (oven.id === 'starboard' ? { ...oven, retired: true } : oven)),
  },
  rules: demoRules,
} as unknown as BakeryView;

interface Asked {
  readonly ovenId: string;
  readonly startS: number;
}
/** The server: what follows from a move, and what was taken. */
const server = {
  asked: [] as Asked[],
  taken: [] as string[],
  reasons: [] as string[],
  answer: {} as Partial<MoveView>,
};
beforeEach(() => {
  queryClient.clear();
  Object.assign(server, { asked: [], taken: [], reasons: [], answer: {} });
  Object.assign(globalThis, {
    fetch: async (path: string, init: { body?: string } = {}) => {
      const say = (body: object) => ({ ok: true, status: 201, text: async () => JSON.stringify(body) });
      if (path.endsWith('/plan/move')) {
        const asked = JSON.parse(init.body ?? '{}') as Asked;
        server.asked.push(asked);
        const change = {
          loadId: load.id,
          batchId: load.batchId,
          productCode: 'GNG',
          pieces: 30,
          from: { ovenId: 'port', startS: load.startS },
          to: { ovenId: asked.ovenId, startS: asked.startS },
        };
        return say({
          id: 'move',
          loadId: load.id,
          planVersion: 1,
          changes: [change],
          before: [],
          after: [],
          faults: [],
          ...server.answer,
        });
      }
      const [, id] = /replan\/(\w+)$/.exec(path) ?? [];
      if (id) server.taken.push(id);
      const { reason } = JSON.parse(init.body ?? '{}') as { reason?: string };
      if (id && reason) server.reasons.push(reason);
      return say({ plan: {}, back: 'back' });
    },
  });
});
afterEach(() => {
  // A toast outlives its page.
  toast.dismiss();
  cleanup();
});

let closed = 0;
const show = () => {
  closed = 0;
  render(
    <QueryClientProvider client={queryClient}>
      <MoveLoad
        proposal={{ load, ovenId: load.ovenId, startS: load.startS }}
        date="2026-11-27"
        planVersion={1}
        bakery={bakery}
        onClose={() => (closed += 1)}
      />
      <Toaster />
    </QueryClientProvider>,
  );
};
const button = (name: string) => screen.getByRole('button', { name });
const disabled = (name: string) => button(name).hasAttribute('disabled');

describe('a load that is moved by hand', () => {
  it.each(['06:25', '6:25 am', '6.25'])('takes a time as it is written: %s', async (written) => {
    const user = userEvent.setup();
    show();
    const time = screen.getByLabelText('Load at');
    await user.clear(time);
    await user.type(time, written);
    await waitFor(() => expect(server.asked.at(-1)?.startS).toBe(at('06:25')));
    expect(screen.queryByText('A time such as 05:40.')).toBeNull();
    await waitFor(() => expect(disabled('Move it')).toBe(false));
  });

  it('where it is asks nothing, and an oven that is out of use is not offered', () => {
    show();
    expect(screen.getByText('That is where it is.')).toBeTruthy();
    expect(disabled('Move it')).toBe(true);
    expect(screen.getAllByRole('option').map(({ textContent }) => textContent?.split(',')[0])).toEqual([
      'Port',
      'Keel upper deck',
      'Keel lower deck',
    ]);
    expect(server.asked).toEqual([]);
  });
  it('by keys goes along its oven and into others, and is moved and taken back', async () => {
    show();
    button('1 min later').focus();
    await userEvent.keyboard('{ArrowRight}{Shift>}{ArrowRight}{/Shift}{ArrowLeft}{ArrowDown}');
    await waitFor(() =>
      expect(server.asked.at(-1)).toMatchObject({ ovenId: 'keel-upper', startS: at('06:10') }),
    );
    expect(await screen.findByText('It breaks no rule, and nobody is late.')).toBeTruthy();
    await waitFor(() => expect(disabled('Move it')).toBe(false));
    await userEvent.click(button('Move it'));
    await waitFor(() => expect(closed).toBe(1));
    expect(server.taken).toEqual(['move']);
    expect(await screen.findByText(/its batch stays there when the day is planned again/i)).toBeTruthy();
    // The page's toasts can be pressed over a dialog; this bare one has no such style.
    await userEvent.setup({ pointerEventsCheck: 0 }).click(button('Undo'));
    await waitFor(() => expect(server.taken).toEqual(['move', 'back']));
  });
  it('of a night goes over midnight to the nearest time that is typed', async () => {
    const night = { ...load, startS: at('23:50') };
    render(
      <QueryClientProvider client={queryClient}>
        <MoveLoad
          proposal={{ load: night, ovenId: night.ovenId, startS: night.startS }}
          date="2026-11-28"
          planVersion={1}
          bakery={bakery}
          onClose={() => {}}
        />
      </QueryClientProvider>,
    );
    await userEvent.clear(screen.getByLabelText('Load at'));
    await userEvent.type(screen.getByLabelText('Load at'), '00:10');
    await waitFor(() => expect(server.asked.at(-1)?.startS).toBe(at('23:50') + 20 * 60));
  });
  it('says which rule stands against it, and cannot be done then', async () => {
    server.answer = {
      id: null,
      faults: [{ code: 'oven', where: load.id, message: '3 trays in Keel upper deck, which has 2 places.' }],
    };
    show();
    await userEvent.selectOptions(screen.getByLabelText('Oven'), 'keel-upper');
    expect(await screen.findByText('3 trays in Keel upper deck, which has 2 places.')).toBeTruthy();
    expect(disabled('Move it')).toBe(true);
  });
  it('names who is late by it, and is done only knowingly', async () => {
    const order = { id: 'a', customer: 'Pier kiosk', productCode: 'GNG', pieces: 60, readyByS: at('06:30') };
    const other = { ...order, id: 'b', customer: 'Ferry galley' };
    server.answer = {
      before: [{ order: other, latePieces: 5, readyS: at('06:40') }],
      after: [
        { order, latePieces: 30, readyS: at('07:20') },
        { order: other, latePieces: 5, readyS: at('06:40') },
      ],
    };
    show();
    await userEvent.clear(screen.getByLabelText('Load at'));
    await userEvent.type(screen.getByLabelText('Load at'), '06:3');
    expect(screen.getByText('A time such as 05:40.')).toBeTruthy();
    await userEvent.type(screen.getByLabelText('Load at'), '0');
    expect(await screen.findByText('30 of 60 GNG for Pier kiosk: ready 07:20, due 06:30.')).toBeTruthy();
    expect(screen.queryByText(/Ferry galley/)).toBeNull();
    expect(server.asked.at(-1)?.startS).toBe(at('06:30'));
    expect(button('Move it anyway')).toBeTruthy();
  });
  it('breaks a rule only with a reason, which goes along', async () => {
    const message = 'GNG-26-1-A: it rests 26 h; its window is 2 h to 24 h.';
    server.answer = { loadId: load.id, faults: [{ code: 'rest-window', where: load.batchId, message }] };
    show();
    await userEvent.click(button('10 min later'));
    expect(await screen.findByText('It breaks a rule of the floor:')).toBeTruthy();
    await waitFor(() => expect(screen.getByLabelText('Why all the same')).toBeTruthy());
    expect(disabled('Move it anyway')).toBe(true);
    await userEvent.type(screen.getByLabelText('Why all the same'), 'Tasted, still good');
    await waitFor(() => expect(disabled('Move it anyway')).toBe(false));
    await userEvent.click(button('Move it anyway'));
    await waitFor(() => expect(closed).toBe(1));
    expect(server.reasons).toEqual(['Tasted, still good']);
  });
  it('lets some of its trays go as a load of their own', async () => {
    const wide = {
      ...load,
      trays: [1, 2, 3].map((position) => ({ id: `${load.id}-T${position}`, position, pieces: 10 })),
    };
    server.answer = { loadId: 'GNG-26-1-A-L5' };
    render(
      <QueryClientProvider client={queryClient}>
        <MoveLoad
          proposal={{ load: wide, ovenId: wide.ovenId, startS: wide.startS }}
          date="2026-11-27"
          planVersion={1}
          bakery={bakery}
          onClose={() => (closed += 1)}
        />
        <Toaster />
      </QueryClientProvider>,
    );
    await userEvent.selectOptions(screen.getByLabelText('What goes'), '2');
    await waitFor(() => expect(server.asked.at(-1)).toMatchObject({ loadId: load.id, trays: 2 }));
    await waitFor(() => expect(disabled('Move it')).toBe(false));
    await userEvent.click(button('Move it'));
    expect(await screen.findByText(/2 trays go as GNG-26-1-A-L5/)).toBeTruthy();
  });
});
