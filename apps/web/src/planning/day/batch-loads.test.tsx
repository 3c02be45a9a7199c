import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { BatchPlan, Load } from '@jokul/core';
import { queryClient } from '../../lib/queries';
import { BatchLoads } from './batch-loads';

const at = (time: string) => Date.parse(`2026-11-27T${time}:00Z`) / 1000;
const load = (id: string, from: string, due: string): Load => ({
  id,
  batchId: id.slice(0, -3),
  ovenId: 'port',
  setC: 165,
  pullS: 600,
  startS: at(from),
  readyS: at(from) + 3600,
  dueS: at(due),
  trays: [{ id: `${id}-T1`, position: 1, pieces: 30 }],
});
const batch = (batchId: string, loads: readonly Load[]): BatchPlan => ({
  batchId,
  productCode: 'GNG',
  mixerId: 'm',
  massG: 1000,
  pieces: 30,
  loads,
  tasks: [{ id: 'p', kind: 'portion', batchId, startS: at('03:00'), endS: at('03:10'), uses: [] }],
});
const one = batch('GNG-26-1-A', [load('GNG-26-1-A-L1', '06:00', '08:00')]);
const two = batch('GNG-26-2-B', [load('GNG-26-2-B-L1', '06:12', '07:12')]);
const rest = {
  form: 'pieces',
  placeKind: 'walk-in',
  minS: 7200,
  bestS: 9000,
  maxS: 86_400,
  temperS: 0,
} as const;
const why = {
  batches: [one, two],
  ovens: [{ id: 'port', name: 'Port', places: 5, degreesPerMin: 8 }],
  loadGapS: 120,
  nowS: at('04:00'),
  restOf: () => rest,
};

const sent: object[] = [];
beforeEach(() => {
  queryClient.clear();
  sent.length = 0;
  Object.assign(globalThis, {
    fetch: async (path: string, init: { body?: string } = {}) => {
      if (path.endsWith('/plan/held')) sent.push(JSON.parse(init.body ?? '{}') as object);
      return { ok: true, status: 201, text: async () => '{}' };
    },
  });
});
afterEach(cleanup);

const moved: string[] = [];
const show = (held = false) =>
  render(
    <QueryClientProvider client={queryClient}>
      <BatchLoads batch={one} held={held} date="2026-11-27" why={why} onMove={({ id }) => moved.push(id)} />
    </QueryClientProvider>,
  );

describe('the loads of a chosen batch', () => {
  it('say why each stands where it does, along the loads that follow', () => {
    show();
    const said = screen.getByRole('listitem').textContent ?? '';
    expect(said).toContain(
      'Not later: GNG-26-2-B-L1 follows in port; GNG-26-2-B-L1 waits no longer: it must be ready by 07:12.',
    );
    expect(said).toContain('At most 50 min earlier: its dough is rested at 05:10.');
  });
  it('are moved one by one, and the batch is held and let go', async () => {
    show();
    await userEvent.click(screen.getByRole('button', { name: 'Move GNG-26-1-A-L1' }));
    expect(moved).toEqual(['GNG-26-1-A-L1']);
    await userEvent.click(screen.getByRole('button', { name: 'Hold' }));
    await waitFor(() => expect(sent).toEqual([{ batchId: 'GNG-26-1-A', held: true }]));
    cleanup();
    show(true);
    await userEvent.click(screen.getByRole('button', { name: 'Release' }));
    await waitFor(() => expect(sent.at(-1)).toEqual({ batchId: 'GNG-26-1-A', held: false }));
  });
});
