/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import type { LinerStock } from '@jokul/core';
import { usePreferences } from '../lib/preferences';
import { OwnWhatIf } from './own-what-if';
import type { Conditions, Variant } from './use-conditions';

const base: Conditions = {
  start: 4,
  setC: 176.666_666,
  fan: true,
  tray: 'bright-aluminium',
  liner: 'parchment',
  centreC: 71,
};
const open = (from: Conditions = base, liners: readonly LinerStock[] = []) => {
  const add = jest.fn<(variant: Variant) => void>();
  render(<OwnWhatIf base={from} liners={liners} onAdd={add} />);
  return add;
};
const type = (label: string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
const put = () => fireEvent.click(screen.getByRole('button', { name: 'Compare' }));

beforeEach(() => usePreferences.getState().set({ units: 'metric' }));
afterEach(cleanup);

describe('a bake of one’s own beside the planned one', () => {
  it('keeps to its last digit what nobody touched', () => {
    const add = open();
    expect(screen.getByLabelText<HTMLInputElement>('Oven, °C').value).toBe('176.7');
    put();
    expect(add).toHaveBeenCalledWith({ name: 'the same again', on: base });
  });
  it('is shown, read and named in the units of the device', () => {
    usePreferences.getState().set({ units: 'us' });
    const add = open();
    expect(screen.getByLabelText<HTMLInputElement>('Oven, °F').value).toBe('350');
    type('Oven, °F', '375');
    type('Piece, oz', '2');
    put();
    const [variant] = add.mock.calls[0] ?? [];
    expect(variant?.name).toBe('oven 375 °F, 2.00 oz');
    expect(variant?.on.setC).toBeCloseTo(190.56, 1);
    expect(variant?.on.massG).toBeCloseTo(56.7, 1);
  });
  it('on another liner takes what the house knows of that one, not of the planned one', () => {
    const mats = { id: 'mats', name: 'Mats', kind: 'mat' as const, contactWPerM2K: 45 };
    const add = open({ ...base, contactWPerM2K: 90, drag: 0.8 }, [mats]);
    put();
    expect(add.mock.calls[0]?.[0].on).toMatchObject({ liner: 'parchment', contactWPerM2K: 90, drag: 0.8 });
    fireEvent.change(screen.getByLabelText('Liner'), { target: { value: 'mat' } });
    put();
    const on = add.mock.calls[1]?.[0].on;
    expect(on).toMatchObject({ liner: 'mat', contactWPerM2K: 45 });
    expect(on).not.toHaveProperty('drag');
  });
  it('says the limits of a figure that is out of them, and keeps it', () => {
    const add = open();
    type('Oven, °C', '900');
    expect(screen.getByText('120 to 260')).toBeTruthy();
    expect(screen.getByLabelText<HTMLInputElement>('Oven, °C').value).toBe('900');
    put();
    expect(add).not.toHaveBeenCalled();
  });
});
