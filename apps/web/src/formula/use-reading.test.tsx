import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { readWritten, type Reading, type Written } from '../workers/reading';

/* The worker is stood in for by its function; what it is asked waits until the test lets it answer. */
const waiting: { readonly written: Written; readonly answer: (fault?: Error) => void }[] = [];
const workers = { started: 0, stopped: 0 };
jest.unstable_mockModule('../workers/core', () => ({
  startCore: () => {
    workers.started += 1;
    return {
      api: {
        recipe: (written: Written) =>
          new Promise<Reading>((done, fail) =>
            waiting.push({ written, answer: (fault) => (fault ? fail(fault) : done(readWritten(written))) }),
          ),
      },
      stop: () => void (workers.stopped += 1),
    };
  },
}));
const { useReading } = await import('./use-reading');

afterEach(() => {
  cleanup();
  waiting.length = 0;
  Object.assign(workers, { started: 0, stopped: 0 });
});

const written = (text: string): Written => ({
  text,
  settings: { measures: 'us', schools: {} },
  answers: {},
});
const show = (text: string) => {
  const client = new QueryClient();
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  return renderHook((asked: string) => useReading(written(asked)), { initialProps: text, wrapper });
};
const answer = (fault?: Error) => act(async () => waiting.shift()?.answer(fault));

describe('the reading of a recipe', () => {
  it('is nothing for an empty text, and starts no worker for it', () => {
    const { result } = show('  \n');
    expect(result.current).toMatchObject({ isReading: false, error: null });
    expect(result.current.reading.lines).toEqual([]);
    expect(workers.started).toBe(0);
  });

  it('keeps the lines in sight while newer letters are read, and says that it reads', async () => {
    const { result, rerender, unmount } = show('200 g butter');
    expect(result.current.isReading).toBe(true);
    await answer();
    await waitFor(() => expect(result.current.isReading).toBe(false));
    expect(result.current.reading.lines.map(({ mass }) => mass?.value)).toEqual([200]);
    rerender('200 g butter\n100 g sugar');
    expect(result.current.isReading).toBe(true);
    expect(result.current.reading.lines).toHaveLength(1);
    await answer();
    await waitFor(() => expect(result.current.reading.lines).toHaveLength(2));
    expect(result.current.isReading).toBe(false);
    // Emptied, nothing of it is left to be saved by mistake.
    rerender('');
    expect(result.current.reading.lines).toEqual([]);
    expect(workers).toEqual({ started: 1, stopped: 0 });
    unmount();
    expect(workers.stopped).toBe(1);
  });

  it('that is overtaken never shows', async () => {
    const { result, rerender } = show('1 g salt');
    rerender('2 g salt');
    const [old, newer] = waiting.splice(0);
    await act(async () => newer?.answer());
    await waitFor(() => expect(result.current.reading.lines[0]?.mass?.value).toBe(2));
    await act(async () => old?.answer());
    expect(result.current.reading.lines[0]?.mass?.value).toBe(2);
  });

  it('that broke off says so', async () => {
    const { result } = show('1 g salt');
    await answer(new Error('The computation broke off. Try again.'));
    await waitFor(() => expect(result.current.error?.message).toContain('broke off'));
    expect(result.current.reading.lines).toEqual([]);
  });
});

describe('what a recipe makes', () => {
  const cups = '2 cups all-purpose flour\n1 cup light brown sugar\n1 cup unsalted butter\n2 large eggs';

  it('stands beside what each way to fill a cup would make of it', () => {
    const { formula, cups: columns } = readWritten(written(cups));
    expect(columns.map(({ way }) => way)).toEqual(['spooned', 'dipped', 'loose-sugar']);
    // Against more flour everything else is less.
    const percents = columns.map(({ formula: made }) =>
      made?.stages.flatMap(({ lines }) => lines).reduce((sum, { percent }) => sum + percent, 0),
    );
    expect(percents.every((percent) => percent !== undefined && percent > 200)).toBe(true);
    expect(percents[1]).toBeLessThan(percents[0] ?? 0);
    expect(percents[2]).toBeLessThan(percents[0] ?? 0);
    // How flour is filled was never said: that is asked, and no dough is made of a guess.
    expect(formula).toBeNull();
  });

  it('is no dough while a line waits for an answer, or where there is none', () => {
    expect(readWritten(written('Butter 250')).formula).toBeNull();
    expect(readWritten(written('Preheat the oven.')).formula).toBeNull();
  });

  it('comes with what the text says of the oven', () => {
    const { directions } = readWritten(
      written('200 g flour\n100 g butter\nBake at 350 °F for 11 to 13 minutes'),
    );
    expect(directions).toMatchObject({ bake: { minutes: [11, 13] } });
  });
});
