import { afterEach, describe, expect, it } from '@jest/globals';
import { act, cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Figure } from '@jokul/core';
import { usePreferences } from '../lib/preferences';
import { Said } from './said';
import { Shown } from './shown';

afterEach(() => {
  act(() => usePreferences.getState().set({ units: 'metric' }));
  cleanup();
});

const figure: Figure = {
  name: 'Dough off the mixer at 22 °C',
  symbol: 'T',
  value: 22,
  unit: '°C',
  relation: 'T = Σ m c T / Σ m c',
  filled: 'T = 21.9 °C',
  terms: [
    { symbol: 'm', name: 'butter, from 4 °C', value: 500, unit: 'g', source: 'the sheet' },
    { symbol: 'ΔT', name: 'friction', value: 3, unit: 'K', source: 'the speed' },
  ],
  source: 'heat balance',
  note: 'Below about 16 °C butter does not cream.',
};

describe('what the core says, on a device with ounces', () => {
  it('is said in its units, and back when they are changed', async () => {
    render(<p>{<Said>Warm, at 26 °C: 1.5 g heavier.</Said>}</p>);
    expect(screen.getByText('Warm, at 26 °C: 1.5 g heavier.')).toBeTruthy();
    act(() => usePreferences.getState().set({ units: 'us' }));
    expect(await screen.findByText('Warm, at 79 °F: 0.05 oz heavier.')).toBeTruthy();
    act(() => usePreferences.getState().set({ units: 'metric' }));
    expect(screen.getByText('Warm, at 26 °C: 1.5 g heavier.')).toBeTruthy();
  });

  it('has its arithmetic in them too, and says in what it was reckoned', async () => {
    act(() => usePreferences.getState().set({ units: 'us' }));
    render(<Shown figure={figure} />);
    await userEvent.click(await screen.findByRole('button', { name: /Dough off the mixer.*: 71.6 °F\./ }));
    const open = within(await screen.findByRole('dialog'));
    expect(open.getByText('Dough off the mixer at 72 °F')).toBeTruthy();
    expect(open.getByText('butter, from 39 °F')).toBeTruthy();
    expect(open.getByText('1.10 lb')).toBeTruthy();
    expect(open.getByText('5.4 °F')).toBeTruthy();
    expect(open.getByText('Below about 61 °F butter does not cream.')).toBeTruthy();
    expect(open.getByText('T = 21.9 °C')).toBeTruthy();
    expect(open.getByText('Reckoned in grams, °C and millimetres.')).toBeTruthy();
  });
});
