import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import {
  demoFormulas,
  emptyLot,
  mixSteps,
  otherSchools,
  type OtherSchool,
  type WeighSheet,
} from '@jokul/core';
import { MixStepRow } from './mix-step-row';

afterEach(cleanup);
const sheet = { lines: [] } as unknown as WeighSheet;
const [formula] = demoFormulas;
const step = formula && mixSteps(formula).find(({ speed }) => speed === '2');
const show = (change: object, speeds?: readonly string[], others: readonly OtherSchool[] = []) => {
  if (!step) throw new Error('no stage is beaten');
  render(
    <ol>
      <MixStepRow
        step={{ ...step, ...change }}
        sheet={sheet}
        speeds={speeds}
        others={others}
        known={emptyLot('GNG-26-1-A')}
        startedMs={undefined}
        onBegin={() => undefined}
        onStop={() => undefined}
      />
    </ol>,
  );
  return screen.getAllByRole('listitem')[0]?.textContent;
};

describe('the speed of a stage', () => {
  it.each([
    ['as the machine calls it', { speed: '2' }, ['stir', 'low', 'III'], 'speed III'],
    ['the lowest too', { speed: 'lowest' }, ['stir', 'low', 'III'], 'speed stir'],
    ['as Jokul calls it where nobody said', { speed: '2' }, undefined, 'speed 2'],
    ['a hand mixer has its own', { speed: '2', tool: 'hand-mixer' }, ['stir', 'low', 'III'], 'speed 2'],
    ['a spoon has none', { speed: 'off', tool: 'spoon' }, ['stir', 'low', 'III'], 'by hand'],
  ] as const)('%s', (_, change, speeds, says) => expect(show(change, speeds)).toContain(says));
});

describe('the other schools of a stage', () => {
  it('stand beside it, each with when it has enough', () => {
    if (!formula || !step) throw new Error('no stage');
    const said = show({}, undefined, otherSchools(formula, step.stageId));
    expect(said).toContain('Other schools');
    expect(said).toContain('creamed long, 6 min: Pale, fluffy, nearly double.');
    expect(said).toContain('with melted butter, 1 min: Glossy and even.');
    cleanup();
    expect(show({})).not.toContain('Other schools');
  });
});
