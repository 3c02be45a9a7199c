import { afterEach, describe, expect, it } from '@jest/globals';
import { act, cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import {
  amountsFor,
  applyEntry,
  demoFormulas,
  emptyLot,
  holdBack,
  toppingsFor,
  weighSheet,
  type DraftEntry,
  type Formula,
  type LotState,
} from '@jokul/core';
import { useJournal } from '../journal/store';
import { usePreferences } from '../lib/preferences';
import { WeighUp } from './weigh-up';

const blank = useJournal.getState();
afterEach(() => {
  cleanup();
  act(() => {
    useJournal.setState(blank, true);
    usePreferences.setState({ units: 'metric' });
  });
});

const lot = 'RYE-26-417-H';
const rye = demoFormulas.find(({ code }) => code === 'RYE') as Formula;
const scales = [
  { id: 'bench', maxMassG: 30_000, resolutionG: 1 },
  { id: 'scale-2', name: 'Spice scale', maxMassG: 200, resolutionG: 0.01 },
];
const sheetOf = (formula: Formula) =>
  weighSheet([...amountsFor(formula, 4000), ...toppingsFor(formula, 4000)], scales);

const begun: LotState = emptyLot(lot);
const weighed = (known: LotState, key: string, massG: number, more: object = {}): LotState =>
  applyEntry(known, {
    id: crypto.randomUUID(),
    atMs: 1_000_000,
    who: 'Aud',
    device: 'tablet',
    lot,
    kind: 'weighed',
    payload: { key, massG, targetG: massG, scaleId: 'bench', ...more },
  });

const show = (formula: Formula = rye, known: LotState = begun, factor = 1) => {
  const sheet = sheetOf(formula);
  render(
    <WeighUp
      batchId={lot}
      formula={formula}
      sheet={sheet}
      scales={scales}
      known={known}
      bowlMaxG={20_000}
      factor={factor}
    />,
  );
  return sheet;
};
const line = (sheet: ReturnType<typeof sheetOf>, id: string) => {
  const found = sheet.lines.find(({ ingredientId }) => ingredientId === id);
  if (!found) throw new Error(`no line of ${id}`);
  return found;
};
const onScale = () => screen.getByRole('form').getAttribute('aria-label');

describe('the weigh sheet', () => {
  it.each([
    ['metric', 'Spice scale, 0.01 g'],
    ['us', 'Spice scale, 0.00035 oz'],
  ] as const)('names each scale as the bakery does, with what it goes by: %s', (units, says) => {
    act(() => {
      usePreferences.setState({ units });
    });
    show();
    expect(screen.getAllByText(says).length).toBeGreaterThan(0);
  });

  it('puts the first ingredient on the scale, with an empty field beside its target', () => {
    const sheet = show();
    expect(onScale()).toBe(`On the scale: ${sheet.lines[0]?.name}`);
    expect(screen.getByLabelText<HTMLInputElement>(/^Reading/).value).toBe('');
    expect(screen.getByLabelText(/^Target/)).toBeTruthy();
  });

  it('goes on behind what is weighed, and lets one wait', async () => {
    const user = userEvent.setup();
    const sheet = sheetOf(rye);
    const [first, second, third] = sheet.lines;
    show(rye, weighed(begun, first?.key ?? '', first?.roundedG ?? 0));
    expect(onScale()).toBe(`On the scale: ${second?.name}`);
    expect(
      screen.getByRole<HTMLButtonElement>('button', { name: `${first?.name} is weighed` }).disabled,
    ).toBe(true);
    await user.click(screen.getByRole('button', { name: 'Later' }));
    expect(onScale()).toBe(`On the scale: ${third?.name}`);
    await user.click(screen.getByRole('button', { name: `Put ${second?.name} on the scale` }));
    expect(onScale()).toBe(`On the scale: ${second?.name}`);
  });

  it('takes no reading that is empty, no number or ten times too much', async () => {
    const user = userEvent.setup();
    show();
    const field = screen.getByLabelText(/^Reading/);
    const press = () => user.click(screen.getByRole('button', { name: 'Weighed' }));
    await press();
    expect(screen.getByRole('alert').textContent).toContain('Type what the scale shows');
    await user.type(field, 'much');
    await press();
    expect(screen.getByRole('alert').textContent).toContain('is no weight');
    await user.clear(field);
    await user.type(field, '99999999');
    await press();
    expect(screen.getByRole('alert').textContent).toContain('more than ten times');
    expect(useJournal.getState().floor.lots.get(lot)?.weighed.size ?? 0).toBe(0);
  });

  it('asks what to do with a reading outside the tolerance, and writes nothing before', async () => {
    const user = userEvent.setup();
    const sheet = show();
    const target = sheet.lines[0]?.roundedG ?? 0;
    await user.type(screen.getByLabelText(/^Reading/), String(Math.round(target * 1.2)));
    expect(screen.getByRole('alert').textContent).toContain('outside the tolerance');
    await user.click(screen.getByRole('button', { name: 'Weighed' }));
    expect(screen.queryAllByRole('button').map(({ textContent }) => textContent)).toEqual(
      expect.arrayContaining([expect.stringMatching(/accept|as it is/i)]),
    );
    expect(useJournal.getState().floor.lots.get(lot)?.weighed.size ?? 0).toBe(0);
  });

  it('says what is held back for the top beside the dough’s own, and weighs it apart', () => {
    const nuts = rye.stages
      .flatMap(({ lines }) => lines)
      .find(({ ingredientId }) => ingredientId === 'walnuts');
    if (!nuts) throw new Error('no walnuts');
    const sheet = show(holdBack(rye, nuts, 0.25));
    const own = line(sheet, 'walnuts');
    const apart = sheet.lines.find(
      ({ stageId, ingredientId }) => stageId === 'topping' && ingredientId === 'walnuts',
    );
    expect((apart?.roundedG ?? 0) / (own.roundedG + (apart?.roundedG ?? 0))).toBeCloseTo(0.25, 2);
    expect(document.body.textContent).toContain(`besides ${apart?.roundedG} g held back for the pieces`);
    expect(document.body.textContent).toContain('Set aside for the pieces');
  });

  it('does not call held back what the pieces are rolled in', () => {
    show({ ...rye, toppings: [{ ingredientId: 'white-sugar', percent: 5, on: 'coat' }] });
    expect(document.body.textContent).toContain('Set aside for the pieces');
    expect(document.body.textContent).not.toContain('held back for the pieces');
  });

  it('says that a batch was scaled, and what more is wanted of what is in', () => {
    const sheet = sheetOf(rye);
    const first = sheet.lines[0];
    show(rye, weighed(begun, first?.key ?? '', (first?.roundedG ?? 0) / 2), 1.25);
    expect(screen.getByRole('status').textContent).toContain('1.2500');
  });

  it('lets nothing be weighed into a dough that is mixed', () => {
    const mixed = applyEntry(begun, {
      id: crypto.randomUUID(),
      atMs: 2_000_000,
      who: 'Aud',
      device: 'tablet',
      lot,
      kind: 'mixed',
      payload: { doughC: 22, massG: 4000 },
    } as DraftEntry);
    show(rye, mixed);
    expect(screen.queryByRole('form')).toBeNull();
    for (const button of screen.getAllByRole<HTMLButtonElement>('button', {
      name: /on the scale|is weighed/,
    }))
      expect(button.disabled).toBe(true);
  });
});
