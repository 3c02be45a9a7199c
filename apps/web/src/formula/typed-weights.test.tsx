import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { usePreferences } from '../lib/preferences';
import { DoughMass } from './dough-mass';
import { OwnCup } from './own-cup';

/* Weights that are typed digit by digit: what is no weight yet stays in the field, and is said. */
const told: number[] = [];
const onChange = (massG: number) => void told.push(massG);
afterEach(() => {
  cleanup();
  told.length = 0;
  usePreferences.setState({ units: 'metric' });
});

const retype = async (field: HTMLElement, text: string) => {
  const user = userEvent.setup();
  await user.clear(field);
  await user.type(field, text);
};

describe('a weight', () => {
  it('of a cup is typed anew, though its first digit alone is none', async () => {
    render(<OwnCup massG={125} onChange={onChange} />);
    const cup = screen.getByLabelText<HTMLInputElement>('In our cup, g');
    await retype(cup, '13');
    expect(screen.getByText('20 to 400 g')).toBeTruthy();
    expect(told).toEqual([]);
    await retype(cup, '138');
    expect([cup.value, told.at(-1)]).toEqual(['138', 138]);
  });

  it.each([
    ['metric', 'Weights for a dough of, g', '6000', '4500', 4500],
    ['us', 'Weights for a dough of, oz', '211.6', '10 lb', 4535.9],
  ] as const)('of a dough is in the units of the device: %s', async (units, label, shown, typed, massG) => {
    usePreferences.setState({ units });
    render(<DoughMass doughG={6000} onChange={onChange} />);
    const field = screen.getByLabelText<HTMLInputElement>(label);
    expect(field.value).toBe(shown);
    await retype(field, typed);
    expect(told.at(-1)).toBeCloseTo(massG, 0);
    told.length = 0;
    await retype(field, 'much');
    expect(screen.getByRole('alert')).toBeTruthy();
    expect([field.value, told]).toEqual(['much', []]);
  });
});
