import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import { HowSharp } from './how-sharp';

afterEach(cleanup);
const figures = (weighed: number, spreadG: number) => {
  cleanup();
  render(<HowSharp weighed={weighed} pieces={200} targetG={35} toleranceG={1.75} spreadG={spreadG} />);
  const text = screen.getByText(/How sharp is that/).textContent ?? '';
  return [...text.matchAll(/(\d+) of 100/g)].map(([, n]) => Number(n));
};

describe('how sharp a sample is', () => {
  it('a right batch passes most often, a light one hardly ever', () => {
    const [right = 0, little = 0, light = 100] = figures(20, 0.7);
    expect(right).toBeGreaterThan(little);
    expect(little).toBeGreaterThanOrEqual(light);
    expect(light).toBeLessThan(5);
  });
  it('more pieces tell the right one better', () => {
    const [few = 100] = figures(6, 0.9);
    const [many = 0] = figures(40, 0.9);
    expect(many).toBeGreaterThan(few);
  });
  it('says the same for the same sample', () => expect(figures(12, 0.8)).toEqual(figures(12, 0.8)));
});
