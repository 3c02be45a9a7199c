import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, waitFor } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { demoEquipment, demoRules, wallClock, type BatchPlan } from '@jokul/core';
import { useJournal } from '../journal/store';
import { queryClient } from '../lib/queries';
import { setClock } from '../lib/now';
import { DueSound } from './due-sound';

const zone = 'Atlantic/Faroe';
const started: number[] = [];
class Context {
  state = 'running';
  currentTime = 0;
  destination = {};
  resume = async () => undefined;
  close = async () => undefined;
  createOscillator = () => ({
    type: '',
    frequency: { value: 0 },
    connect: (to: unknown) => to,
    start: (atS: number) => started.push(atS),
    stop: () => undefined,
  });
  createGain = () => ({
    gain: {
      setValueAtTime: () => undefined,
      linearRampToValueAtTime: () => undefined,
      exponentialRampToValueAtTime: () => undefined,
    },
    connect: () => undefined,
  });
}

/** A batch that is only to be loaded, at a moment. */
const toLoad = (id: string, startS: number): BatchPlan => ({
  batchId: id,
  productCode: 'GNG',
  mixerId: 'mixer',
  massG: 1000,
  pieces: 12,
  loads: [
    {
      id: `${id}-L1`,
      batchId: id,
      ovenId: 'port',
      setC: 150,
      pullS: 900,
      startS,
      readyS: startS + 5000,
      dueS: startS + 6000,
      trays: [{ id: `${id}-L1-T1`, position: 1, pieces: 12 }],
    },
  ],
  tasks: [],
  stock: { form: 'pieces', placeKind: 'walk-in', temperS: 0, fromS: 0, toS: startS + 9000, held: true },
});

beforeEach(() => {
  started.length = 0;
  Object.assign(globalThis, { AudioContext: Context });
  const nowMs = Date.now();
  setClock({ mode: 'real', nowMs });
  const date = wallClock(nowMs / 1000, zone).date;
  queryClient.clear();
  queryClient.setQueryData(['bakery'], { equipment: demoEquipment, rules: { ...demoRules, timeZone: zone } });
  queryClient.setQueryData(['day', date], {
    date,
    plan: {
      plan: { batches: [toLoad('GNG-26-1-A', nowMs / 1000 + 2), toLoad('GNG-26-1-C', nowMs / 1000 + 900)] },
    },
  });
  queryClient.setQueryData(['day', '2020-01-01'], {
    date: '2020-01-01',
    plan: { plan: { batches: [toLoad('GNG-20-1-A', 1_577_850_000)] } },
  });
  useJournal.setState({ loaded: true });
});
afterEach(() => {
  cleanup();
  Reflect.deleteProperty(globalThis, 'AudioContext');
});

test('what falls due today sounds, also while an old day is looked at, whose own loads are long overdue', async () => {
  render(
    <QueryClientProvider client={queryClient}>
      <MemoryRouter initialEntries={['/log?day=2020-01-01']}>
        <DueSound />
      </MemoryRouter>
    </QueryClientProvider>,
  );
  await new Promise((resolve) => setTimeout(resolve, 500));
  expect(started).toEqual([]);
  await waitFor(() => expect(started).toHaveLength(1), { timeout: 5000 });
  await new Promise((resolve) => setTimeout(resolve, 1500));
  expect(started).toHaveLength(1);
});
