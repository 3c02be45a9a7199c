import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { readRecipe, type LineAnswer } from '@jokul/core';
import { usePreferences } from '../lib/preferences';
import { ReadLines } from './read-lines';

afterEach(() => {
  cleanup();
  usePreferences.setState({ units: 'metric' });
});

const show = (text: string, answers: Readonly<Record<number, LineAnswer>> = {}) => {
  const onAnswer = jest.fn<(line: number, answer: LineAnswer | null) => void>();
  const results = readRecipe(text, { measures: 'us', schools: {} }, answers);
  render(<ReadLines results={results} answers={answers} onAnswer={onAnswer} />);
  return onAnswer;
};

describe('lines as they were read', () => {
  it('show their grams, and what is kept out of the dough', () => {
    show('Slipway Drop:\n250 g flour\n100 g butter\nFor the glaze:\n60 g icing sugar');
    expect(screen.getByText('250 g flour')).toBeTruthy();
    expect(screen.getAllByText(/not in the dough/)).toHaveLength(1);
    expect(screen.getByText(/icing: not in the dough/)).toBeTruthy();
  });
  it('ask what is open, and take grams or nothing', async () => {
    const user = userEvent.setup();
    const onAnswer = show('a handful of raisins');
    const grams = screen.getByLabelText('Weight of this line, g');
    const take = screen.getByRole<HTMLButtonElement>('button', { name: 'Take' });
    expect(take.disabled).toBe(true);
    await user.type(grams, '-4');
    expect(take.disabled).toBe(true);
    await user.clear(grams);
    await user.type(grams, '40');
    await user.click(take);
    expect(onAnswer.mock.calls[0]).toEqual([0, { massG: 40 }]);
  });
  it('take ounces on a device of ounces', async () => {
    usePreferences.setState({ units: 'us' });
    const onAnswer = show('a handful of raisins');
    await userEvent.type(screen.getByLabelText('Weight of this line, oz'), '2{enter}');
    expect(onAnswer.mock.calls[0]).toEqual([0, { massG: expect.closeTo(56.7, 1) }]);
  });
  it('ask once for all lines that have no unit', async () => {
    const user = userEvent.setup();
    const onAnswer = show('Butter 500\nSugar 400\nFlour 750');
    expect(screen.getAllByText(/have no unit/)).toHaveLength(1);
    expect(screen.getAllByText('waits for the unit, asked above')).toHaveLength(2);
    await user.click(screen.getByRole('button', { name: 'kilograms' }));
    expect(onAnswer.mock.calls[0]).toEqual([0, { bareUnit: 'kg' }]);
  });
  it('let an answer be taken back', async () => {
    const user = userEvent.setup();
    const onAnswer = show('a handful of raisins', { 0: { massG: 40 } });
    await user.click(screen.getByRole('button', { name: /Ask again about/ }));
    expect(onAnswer.mock.calls[0]).toEqual([0, null]);
  });
});
