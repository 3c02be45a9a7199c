import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { demoRules, limitKeys, usualLimits, type OwnLimits } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { queryClient } from '../lib/queries';
import { limitFields, limitParts, keysOf } from './limit-fields';
import { LimitsForm } from './limits-form';

const bakeryWith = (limits: OwnLimits) =>
  ({ rules: { ...demoRules, limits }, rulesVersion: 7 }) as unknown as BakeryView;

let sent: { limits: OwnLimits; version: number; coolS: number }[] = [];
beforeEach(() => {
  sent = [];
  queryClient.clear();
  Object.assign(globalThis, {
    fetch: async (_path: string, init: { body?: string } = {}) => {
      if (init.body) sent.push(JSON.parse(init.body) as never);
      return { ok: true, status: 200, text: async () => '{}' };
    },
  });
});
afterEach(cleanup);

const open = (limits: OwnLimits = {}) => {
  render(
    <QueryClientProvider client={queryClient}>
      <LimitsForm bakery={bakeryWith(limits)} />
    </QueryClientProvider>,
  );
  return userEvent.setup();
};
const field = (key: keyof typeof limitFields) =>
  screen.getByLabelText<HTMLInputElement>(limitFields[key].label);
const save = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Save the limits' });

describe('limits and factors', () => {
  it('asks for each once, the usual one standing in for what is left empty', () => {
    open();
    expect(limitParts.flatMap(({ part }) => keysOf(part)).toSorted()).toEqual(limitKeys.toSorted());
    expect(field('sugarsHigh').placeholder).toBe('145');
    expect(field('meltedStiffness').placeholder).toBe('70.47');
    expect(limitKeys.every((key) => field(key).value === '')).toBe(true);
    expect(save().disabled).toBe(true);
  });
  it('saves what is typed as it is stored, beside all other rules, and the usual again for an emptied one', async () => {
    const user = open({ fatHigh: 99, meltedStiffness: usualLimits.longStiffness.usual });
    await user.clear(field('fatHigh'));
    await user.type(field('baseLeft'), '10');
    await user.type(field('coatColour'), '92,5');
    await user.click(save());
    await waitFor(() => expect(sent).toHaveLength(1));
    const [{ limits, version, coolS } = { limits: {}, version: 0, coolS: 0 }] = sent;
    // What nobody touched keeps its last digit.
    expect(limits.meltedStiffness).toBe(usualLimits.longStiffness.usual);
    expect(limits.baseLeft).toBeCloseTo(119, 6);
    expect(limits.coatColour).toBeCloseTo(0.925, 9);
    expect(Object.keys(limits)).not.toContain('fatHigh');
    expect([version, coolS]).toEqual([7, demoRules.coolS]);
  });
  it('refuses what cannot be reckoned with, and says what can', async () => {
    const user = open();
    await user.type(field('sugarsLow'), '150');
    expect(screen.getByRole('alert').textContent).toBe('above “Sugar, from”');
    await user.clear(field('sugarsLow'));
    await user.type(field('softFat'), 'half');
    expect(screen.getByRole('alert').textContent).toBe('0 to 100');
    await user.click(save());
    expect(sent).toEqual([]);
    await user.click(screen.getByRole('button', { name: 'Reset' }));
    expect(screen.queryByRole('alert')).toBeNull();
    expect(field('softFat').value).toBe('');
  });
});
