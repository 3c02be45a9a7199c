import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import { demoFormulas, emptyLot, mixSteps, type WeighSheet } from '@jokul/core';
import { MixStepRow } from './mix-step-row';

afterEach(cleanup);
const sheet = { lines: [] } as unknown as WeighSheet;
const [formula] = demoFormulas;
const step = formula && mixSteps(formula).find(({ speed }) => speed === '2');
const show = (change: object, speeds?: readonly string[]) => {
  if (!step) throw new Error('no stage is beaten');
  render(
    <ol>
      <MixStepRow
        step={{ ...step, ...change }}
        sheet={sheet}
        speeds={speeds}
        known={emptyLot('GNG-26-1-A')}
        startedMs={undefined}
        onBegin={() => undefined}
        onStop={() => undefined}
      />
    </ol>,
  );
  return screen.getByRole('listitem').textContent;
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
