import { afterEach, describe, expect, it } from '@jest/globals';
import { QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen } from '@testing-library/react';
import type { WellbeingView } from '@jokul/contracts';
import { usePreferences } from '../lib/preferences';
import { queryClient } from '../lib/queries';
import { SetupMark } from './setup-mark';

const well: WellbeingView = {
  database: { answeredMs: 2, entries: 10 },
  broken: null,
  log: { entries: 10, firstBrokenSeq: null, ageS: 60 },
  disk: { freeBytes: 80e9, totalBytes: 200e9 },
  backup: { count: 1, ageS: 3600, bytes: 1000, missing: null, disk: null },
  screens: 2,
  devices: [],
};
const show = (change: Partial<WellbeingView>) => {
  queryClient.setQueryData(['wellbeing'], { ...well, ...change });
  render(
    <QueryClientProvider client={queryClient}>
      <SetupMark />
    </QueryClientProvider>,
  );
};
afterEach(() => {
  cleanup();
  queryClient.clear();
});
const mark = () => screen.queryByRole('img');

describe('the mark beside Setup', () => {
  it('is not there while all is well, nor before the first backup of a new bakery', () => {
    show({});
    expect(mark()).toBeNull();
    cleanup();
    show({ backup: { count: 0, ageS: null, bytes: 0, missing: null, disk: null } });
    expect(mark()).toBeNull();
  });
  it('says what is to be looked at', () => {
    usePreferences.getState().set({ device: 'desk' });
    const heard = { agoS: 5, kept: 2, setAside: 0, clockAheadS: 0, left: false };
    show({
      log: { entries: 5, firstBrokenSeq: 5, ageS: 1 },
      disk: { freeBytes: 1e8, totalBytes: 200e9 },
      devices: [
        { device: 'desk', wrote: null, heard },
        { device: 'tablet-ovens', wrote: null, heard },
      ],
    });
    expect(mark()?.getAttribute('aria-label')).toBe('To be looked at in Setup: Log, Tablets, Disk');
  });
  it('has nothing to say of this device, which says so itself', () => {
    const heard = { agoS: 5, kept: 2, setAside: 0, clockAheadS: 0, left: false };
    usePreferences.getState().set({ device: 'desk' });
    show({ devices: [{ device: 'desk', wrote: null, heard }] });
    expect(mark()).toBeNull();
  });
});
