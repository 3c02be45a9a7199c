import { afterEach, expect, it, jest } from '@jest/globals';
import { QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { setClock } from './now';
import { queryClient, useToday } from './queries';

afterEach(() => {
  cleanup();
  jest.useRealTimers();
  queryClient.clear();
});

const Around = ({ children }: { children: ReactNode }) => (
  <QueryClientProvider client={queryClient}>{children}</QueryClientProvider>
);

it.each([
  ['Atlantic/Faroe', '2026-11-27T23:59:40Z'],
  ['Asia/Kolkata', '2026-11-27T18:29:40Z'],
  ['America/St_Johns', '2026-11-28T03:29:40Z'],
])('a display goes over midnight of the bakery by itself, in %s', (timeZone, at) => {
  jest.useFakeTimers();
  queryClient.setQueryData(['bakery'], { rules: { timeZone } });
  setClock({ mode: 'real', nowMs: Date.parse(at) });
  const { result } = renderHook(() => useToday(), { wrapper: Around });
  expect(result.current).toBe('2026-11-27');
  act(() => jest.advanceTimersByTime(10_000));
  expect(result.current).toBe('2026-11-27');
  act(() => jest.advanceTimersByTime(16_000));
  expect(result.current).toBe('2026-11-28');
});
