import { afterEach, expect, it, jest } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen } from '@testing-library/react';
import { sharpnessOf, type SharpnessQuestion } from '@jokul/core';

// The worker's part is the core's own; here it runs beside the page.
jest.unstable_mockModule('../workers/core', () => ({
  core: () => ({ sharpness: async (question: SharpnessQuestion) => sharpnessOf(question) }),
}));
const { HowSharp } = await import('./how-sharp');

afterEach(cleanup);

it('says how often right and light batches would pass', async () => {
  const question = { weighed: 20, pieces: 200, targetG: 35, toleranceG: 1.75, spreadG: 0.7 };
  render(
    <QueryClientProvider client={new QueryClient()}>
      <HowSharp question={question} />
    </QueryClientProvider>,
  );
  const said = (await screen.findByText(/How sharp is that/)).textContent ?? '';
  const figures = [...said.matchAll(/(\d+) of 100/g)].map(([, n]) => Number(n));
  expect(said).toContain('With 20 pieces');
  expect(figures).toEqual(sharpnessOf(question).map((share) => Math.round(100 * share)));
});
