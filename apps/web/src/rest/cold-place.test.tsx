import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import type { ComponentProps } from 'react';
import { demoEquipment, type Place } from '@jokul/core';

jest.unstable_mockModule('../lib/queries', () => ({
  useBakery: () => ({}),
  usePlayFaults: () => ({ mutate: () => undefined, isPending: false }),
}));
jest.unstable_mockModule('../line/lots', () => ({ useLots: () => null }));
jest.unstable_mockModule('./use-needles', () => ({ useNeedles: () => new Map() }));
jest.unstable_mockModule('../viz/lazy-chart', () => ({
  LazyChart: ({ label }: { label: string }) => <div role="img" aria-label={label} />,
}));
const { ColdPlace } = await import('./cold-place');

const nowMs = Date.parse('2026-11-27T04:10:00Z');
const walkIn = demoEquipment.places.find(({ kind }) => kind === 'walk-in') as Place;
const show = (place: Place) =>
  render(
    <ColdPlace
      place={place}
      probes={
        {
          data: {
            version: 0,
            faults: [],
            places: [{ placeId: place.id, readings: [{ atMs: nowMs - 60_000, airC: 4.2 }] }],
          },
        } as unknown as ComponentProps<typeof ColdPlace>['probes']
      }
      silentS={undefined}
      now={nowMs}
    />,
  );
afterEach(cleanup);

describe('a place in the cold', () => {
  it('shows what its probe reads, and lets faults of the simulated one be tried', () => {
    show(walkIn);
    expect(screen.getByText(/set to 4 °C, probe/)).toBeTruthy();
    expect(screen.getByRole('img', { name: 'Air of the Walk-in over six hours' })).toBeTruthy();
    expect(screen.getByText(/Simulated probe/)).toBeTruthy();
  });
  it('without a probe makes nothing up: it says what is taken to be, and what to do', () => {
    show({ ...walkIn, probe: false });
    expect(screen.getByText('set to 4 °C, no probe')).toBeTruthy();
    expect(screen.getByText(/read its thermometer, and check doughs with a needle/)).toBeTruthy();
    expect(screen.queryByText(/Simulated probe/)).toBeNull();
    expect(screen.queryByRole('img', { name: /over six hours/ })).toBeNull();
  });
});
