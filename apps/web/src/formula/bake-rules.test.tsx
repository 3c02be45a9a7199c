/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render as renderAlone, screen, within } from '@testing-library/react';
import type { ReactElement } from 'react';
import { compareVersions, demoEquipment, demoFormulas, demoRules, type Formula } from '@jokul/core';
import { usePreferences } from '../lib/preferences';
import { queryClient } from '../lib/queries';
import { BakeRules } from './bake-rules';
import { useDraft } from './draft-store';
import { ToppingChoice } from './topping-way';

const gng = demoFormulas.find(({ code }) => code === 'GNG') as Formula;
const render = (what: ReactElement) =>
  renderAlone(<QueryClientProvider client={queryClient}>{what}</QueryClientProvider>);
const Edited = () => {
  const draft = useDraft((s) => s.draft);
  return draft && <BakeRules formula={draft} editing />;
};
const draft = () => useDraft.getState().draft as Formula;
const type = (label: string, value: string) => {
  const field = screen.getByLabelText(label);
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};

beforeEach(() => {
  queryClient.setQueryData(['bakery'], { equipment: demoEquipment, rules: demoRules });
  usePreferences.getState().set({ units: 'metric' });
  useDraft.getState().open(gng);
});
afterEach(cleanup);

describe('how a formula rests and bakes', () => {
  it('is changed field by field, and every change is named', () => {
    render(<Edited />);
    fireEvent.change(screen.getByLabelText('Temperature is for'), {
      target: { value: gng.bake.fan ? 'still' : 'fan' },
    });
    type('Minutes on the tray', '9');
    type('Shortest rest', '1.5');
    type('Longest rest', '40');
    type('Out of the cold before the bake', '25');
    expect(draft().bake).toMatchObject({ fan: !gng.bake.fan, trayRestS: 540 });
    expect(draft().rest).toMatchObject({ minS: 5400, maxS: 144_000, temperS: 1500 });
    const named = compareVersions(gng, draft()).join('; ');
    for (const word of ['fan', 'on the tray', 'shortest rest', 'longest rest', 'out of the cold'])
      expect(named).toContain(word);
  });
  it('has its own liner, ovens and cover, or none', () => {
    render(<Edited />);
    const choose = (label: string, value: string) =>
      fireEvent.change(screen.getByLabelText(label), { target: { value } });
    expect(screen.getByText('as the house: baking paper')).toBeTruthy();
    choose('On', 'mat');
    fireEvent.click(screen.getByLabelText('Keel lower deck'));
    fireEvent.click(screen.getByLabelText('Port'));
    choose('In the cold', 'covered');
    expect(draft().bake).toMatchObject({ liner: 'mat', ovens: ['port', 'keel-lower'] });
    expect(draft().rest.cover).toBe('covered');
    cleanup();
    render(<BakeRules formula={draft()} editing={false} />);
    expect(screen.getByRole('region', { name: 'Bake' }).textContent).toContain(
      'on a silicone mat; only in Port, Keel lower deck',
    );
    expect(screen.getByRole('region', { name: 'Rest' }).textContent).toContain(', covered');
    cleanup();
    render(<Edited />);
    choose('On', '');
    fireEvent.click(screen.getByLabelText('Keel lower deck'));
    fireEvent.click(screen.getByLabelText('Port'));
    choose('In the cold', 'open');
    // As it was, nothing of them is left behind.
    expect(draft()).toEqual(gng);
  });
  it('shows an oven of another bakery, so that it can be taken off', () => {
    useDraft.getState().open({ ...gng, bake: { ...gng.bake, ovens: ['port', 'mole'] } });
    render(<Edited />);
    fireEvent.click(screen.getByLabelText('mole, not here'));
    expect(draft().bake.ovens).toEqual(['port']);
  });
  it('what is done after the oven is changed, and named', () => {
    render(<Edited />);
    type('Pressing one piece flat, seconds', '1.5');
    type('Icing one piece, seconds', '4');
    type('Minutes to dry', '45');
    expect(draft().afterBake).toEqual({ flattenPieceS: 1.5, icePieceS: 4, dryS: 2700 });
    const named = compareVersions(gng, draft()).join('; ');
    for (const word of ['pressed flat after the oven no → 1.5 s a piece', 'iced no → 4 s', 'drying'])
      expect(named).toContain(word);
    type('Icing one piece, seconds', '601');
    expect(draft().afterBake?.icePieceS).toBe(4);
    cleanup();
    const clm = demoFormulas.find(({ code }) => code === 'CLM') as Formula;
    render(<BakeRules formula={clm} editing={false} />);
    const box = screen.getByRole('region', { name: 'After the oven' });
    expect(box.textContent).toContain('iced when cold, 4 s each, 30 min to dry');
    cleanup();
    render(<BakeRules formula={gng} editing={false} />);
    expect(screen.getByRole('region', { name: 'After the oven' }).textContent).toContain('cooled and packed');
  });
  it('a topping is rolled, strewn or iced; icing takes its usual time from then on', () => {
    const { setTopping } = useDraft.getState();
    const Choice = () => {
      const topping = useDraft((s) => s.draft?.toppings[0]);
      return topping && <ToppingChoice topping={topping} onChange={(next) => setTopping(0, next)} />;
    };
    render(<Choice />);
    const select = screen.getByLabelText<HTMLSelectElement>(/^How .* is put on$/);
    expect(select.value).toBe('coat');
    fireEvent.change(select, { target: { value: 'top' } });
    expect(draft().toppings[0]?.on).toBe('top');
    expect(draft().afterBake).toBeUndefined();
    fireEvent.change(select, { target: { value: 'iced' } });
    expect(draft().afterBake).toEqual({ icePieceS: 4, dryS: 1800 });
    expect(compareVersions(gng, draft()).join('; ')).toContain('iced with it, when cold');
    fireEvent.change(select, { target: { value: 'coat' } });
    useDraft.getState().change({ afterBake: { icePieceS: 0 } });
    fireEvent.change(select, { target: { value: 'iced' } });
    expect(draft().afterBake).toEqual({ icePieceS: 0 });
  });
  it('another way to rest begins with what is usual for it', () => {
    render(<Edited />);
    fireEvent.change(screen.getByLabelText('Rests'), { target: { value: 'bag' } });
    expect(draft().rest).toMatchObject({ form: 'bag', placeKind: 'freezer', maxS: 60 * 86_400 });
    expect(screen.getByText(/Of it thawing/)).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Rests'), { target: { value: 'none' } });
    expect(draft().rest).toMatchObject({ form: 'none', minS: 0, bestS: 0 });
    expect(screen.queryByLabelText('Shortest rest')).toBeNull();
    type('Longest on the tray', '1.5');
    expect(draft().rest.maxS).toBe(5400);
    fireEvent.change(screen.getByLabelText('Rests'), { target: { value: 'tub' } });
    fireEvent.change(screen.getByLabelText('In'), { target: { value: 'freezer' } });
    expect(draft().rest).toMatchObject({ form: 'tub', placeKind: 'freezer' });
    expect(compareVersions(gng, draft()).join('; ')).toContain('rested in pieces → in a tub');
  });
  it('in ounces, inches and Fahrenheit it shows and reads those, and any other that is typed', () => {
    usePreferences.getState().set({ units: 'us' });
    render(<Edited />);
    expect(screen.getByText(/Oven, °F/)).toBeTruthy();
    type('Oven temperature', '350');
    expect(draft().bake.setC).toBeCloseTo(176.67, 1);
    type('Oven temperature', '160 C');
    expect(draft().bake.setC).toBeCloseTo(160, 6);
    type('Gap', '1');
    expect(draft().bake.gapMm).toBeCloseTo(25.4, 6);
    type('Piece weight', '40 g');
    expect(draft().piece.massG).toBeCloseTo(40, 6);
  });
  it('a figure out of range stays as it was typed, with its limits beside it', () => {
    render(<Edited />);
    type('Oven temperature', '350');
    expect(draft().bake.setC).toBe(gng.bake.setC);
    const bake = screen.getByRole('region', { name: 'Bake' });
    expect(within(bake).getByRole('alert').textContent).toContain('120 to 260 °C');
    expect(within(bake).getByLabelText<HTMLInputElement>('Oven temperature').value).toBe('350');
  });
  it('looked at, it is said in words', () => {
    render(<BakeRules formula={gng} editing={false} />);
    expect(screen.getByRole('region', { name: 'Bake' }).textContent).toMatch(/to crisp through at \d+ °C/);
    expect(screen.getByRole('region', { name: 'Rest' }).textContent).toMatch(/walk-in: .* to .*, best/);
  });
});
