import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { demoEquipment } from '@jokul/core';
import { usePreferences } from '../../lib/preferences';
import { kinds, thingsOf, type Kind } from './kinds';
import { ThingForm } from './thing-form';

afterEach(cleanup);
beforeEach(() => usePreferences.getState().set({ units: 'metric' }));
const kindOf = (kind: string): Kind => {
  const found = kinds.find((k) => k.kind === kind);
  if (!found) throw new Error(kind);
  return found;
};
type Take = (values: Readonly<Record<string, unknown>>) => Promise<string | null>;
const open = (
  kind: Kind,
  thing: Parameters<typeof ThingForm>[0]['thing'] = null,
  answer: string | null = null,
) => {
  const onTake = jest.fn<Take>(async () => answer);
  const onClose = jest.fn();
  render(<ThingForm kind={kind} thing={thing} touches={null} onTake={onTake} onClose={onClose} />);
  return { user: userEvent.setup(), onTake, onClose };
};
const type = async (user: ReturnType<typeof userEvent.setup>, label: RegExp, text: string) => {
  const field = screen.getByLabelText(label);
  await user.clear(field);
  await user.type(field, text);
};

describe('a thing of the equipment', () => {
  it('an oven with what its door costs, in the minutes and degrees of a baker', async () => {
    usePreferences.getState().set({ units: 'us' });
    const { user, onTake } = open(kindOf('ovens'));
    await type(user, /^Name/, 'Deck');
    await type(user, /^Falls at loading/, '54');
    await type(user, /^Back after/, '4.5');
    await type(user, /^Hottest place/, '18');
    await type(user, /^Heaters/, '9000');
    await user.click(screen.getByRole('button', { name: 'Add the oven' }));
    const [values] = onTake.mock.calls[0] ?? [{}];
    expect(values).toMatchObject({ doorBackS: 270, powerW: 9000, acrossK: undefined });
    expect(values.doorFallK).toBeCloseTo(30, 6);
    expect(values.unevenK).toBeCloseTo(10, 6);
    await type(user, /^Back after/, '0.1');
    await user.click(screen.getByRole('button', { name: 'Add the oven' }));
    expect(screen.getByRole('alert').textContent).toBe('Between 0.1667 and 60 min.');
  });
  it('a tray in inches, typed into a form in millimetres', async () => {
    const { user, onTake, onClose } = open(kindOf('trays'));
    await type(user, /^Name/, 'Half sheet');
    await type(user, /^Length/, '18 in');
    await type(user, /^Width/, '13 in');
    await type(user, /^How many/, '24');
    await user.click(screen.getByRole('button', { name: 'Add the tray' }));
    expect(onTake).toHaveBeenCalledWith({
      name: 'Half sheet',
      material: 'bright-aluminium',
      lengthMm: 457.2,
      widthMm: 330.2,
      count: 24,
      rails: 'all',
    });
    expect(onClose).toHaveBeenCalled();
  });
  it('in ounces and Fahrenheit it shows and reads those', async () => {
    usePreferences.getState().set({ units: 'us' });
    const freezer = thingsOf(demoEquipment, 'places').find(({ id }) => id === 'freezer');
    const { user, onTake } = open(kindOf('places'), freezer ?? null);
    const air = screen.getByLabelText(/^Air, °F/);
    expect((air as HTMLInputElement).value).toBe('-4');
    await type(user, /^Air, °F/, '0');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(onTake.mock.calls[0]?.[0]).toMatchObject({ kind: 'freezer', bagPlaces: 40 });
    expect(onTake.mock.calls[0]?.[0].airC).toBeCloseTo(-17.78, 2);
  });
  it('what nobody changed stays to the last digit, in inches too', async () => {
    usePreferences.getState().set({ units: 'us' });
    for (const tray of thingsOf(demoEquipment, 'trays')) {
      const { user, onTake } = open(kindOf('trays'), tray);
      await type(user, /^How many/, '7');
      await user.click(screen.getByRole('button', { name: 'Save' }));
      const { lengthMm, widthMm } = tray;
      expect(onTake.mock.calls[0]?.[0]).toMatchObject({ lengthMm, widthMm, count: 7 });
      cleanup();
    }
  });
  it('says of each field what is wrong with it, in its unit, and keeps what was typed', async () => {
    const { user, onTake } = open(kindOf('ovens'));
    await type(user, /^Trays at once/, '0');
    await user.click(screen.getByRole('button', { name: 'Add the oven' }));
    const alarms = screen.getAllByRole('alert').map(({ textContent }) => textContent);
    expect(alarms).toEqual(['A name has 1 to 60 letters.', 'A whole number. Between 1 and 60.']);
    expect(onTake).not.toHaveBeenCalled();
    expect(screen.getByLabelText<HTMLInputElement>(/^Trays at once/).value).toBe('0');
  });
  it('stays open with the reason when the whole is refused', async () => {
    const port = thingsOf(demoEquipment, 'ovens')[0] ?? null;
    const { user, onClose } = open(kindOf('ovens'), port, 'Two are called Keel: give each its own name.');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(screen.getByRole('alert').textContent).toContain('give each its own name');
    expect(onClose).not.toHaveBeenCalled();
  });
  it('pressed twice it is saved once', async () => {
    const port = thingsOf(demoEquipment, 'ovens')[0] ?? null;
    let answer: (problem: string | null) => void = () => undefined;
    const onTake = jest.fn<Take>(() => new Promise((resolve) => (answer = resolve)));
    const onClose = jest.fn();
    render(
      <ThingForm kind={kindOf('ovens')} thing={port} touches={null} onTake={onTake} onClose={onClose} />,
    );
    const save = screen.getByRole<HTMLButtonElement>('button', { name: 'Save' });
    const user = userEvent.setup();
    await user.dblClick(save);
    expect(onTake).toHaveBeenCalledTimes(1);
    expect(onClose).not.toHaveBeenCalled();
    answer(null);
    await waitFor(() => expect(onClose).toHaveBeenCalledTimes(1));
  });
  it('a heating rate is a difference: 8 °C are 14.4 °F', async () => {
    usePreferences.getState().set({ units: 'us' });
    const port = thingsOf(demoEquipment, 'ovens')[0] ?? null;
    const { user, onTake } = open(kindOf('ovens'), port);
    expect(screen.getByLabelText<HTMLInputElement>(/^Heats up per minute, °F/).value).toBe('14.4');
    await type(user, /^Heats up per minute/, '9');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(onTake.mock.calls[0]?.[0].degreesPerMin).toBeCloseTo(5, 9);
  });
  it('shares are asked for in percent', async () => {
    const mixer = thingsOf(demoEquipment, 'mixers')[0] ?? null;
    const { user, onTake } = open(kindOf('mixers'), mixer);
    await type(user, /^Most fill/, '72,5');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(onTake.mock.calls[0]?.[0]).toMatchObject({ minFill: 0.15, maxFill: 0.725, bowlL: 19 });
  });
  it.each(kinds.map((kind) => [kind.title, kind] as const))('every field of %s has a label', (_, kind) => {
    open(kind);
    for (const { label } of kind.details)
      expect(screen.getAllByLabelText(new RegExp(`^${label.slice(0, 8)}`)).length).toBeGreaterThan(0);
  });
  it('may leave open what has a usual value, says which, and takes it back out', async () => {
    const [deck] = thingsOf(demoEquipment, 'ovens');
    const { user, onTake } = open(kindOf('ovens'), deck ?? null);
    const cools = screen.getByLabelText<HTMLInputElement>(/^Cools down/);
    expect([cools.value, cools.placeholder]).toEqual(['', 'as it heats up']);
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(onTake.mock.calls[0]?.[0].coolsPerMin).toBeUndefined();
    cleanup();
    const slow = open(kindOf('ovens'), { id: 'deck', name: 'Deck', fan: false, places: 2, coolsPerMin: 1.5 });
    await slow.user.clear(screen.getByLabelText(/^Cools down/));
    await type(slow.user, /^Heats up/, '2');
    await slow.user.click(screen.getByRole('button', { name: 'Save' }));
    expect(slow.onTake.mock.calls[0]?.[0]).toMatchObject({ degreesPerMin: 2, coolsPerMin: undefined });
  });
  it('a rate in Fahrenheit is a difference: no 32 is added', async () => {
    usePreferences.getState().set({ units: 'us' });
    const { user, onTake } = open(kindOf('ovens'), thingsOf(demoEquipment, 'ovens')[0] ?? null);
    await type(user, /^Cools down/, '3.6');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(onTake.mock.calls[0]?.[0].coolsPerMin).toBeCloseTo(2, 6);
  });
  it.each([
    ['1, 2', null],
    ['1, , 3', null],
    ['low, middle, ' + 'x'.repeat(21), null],
    ['stir,1,2', ['stir', '1', '2']],
  ])('its speeds %j are %j', async (text, words) => {
    const { user, onTake } = open(kindOf('mixers'), thingsOf(demoEquipment, 'mixers')[0] ?? null);
    await type(user, /^Its three speeds/, text);
    await user.click(screen.getByRole('button', { name: 'Save' }));
    if (words) return expect(onTake.mock.calls[0]?.[0].speeds).toEqual(words);
    expect(screen.getByText('3 names with commas between them.')).toBeTruthy();
    expect(onTake).not.toHaveBeenCalled();
  });
});
