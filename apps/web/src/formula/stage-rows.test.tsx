import { afterEach, describe, expect, it } from '@jest/globals';
import { act, cleanup, render, screen } from '@testing-library/react';
import { demoFormulas } from '@jokul/core';
import { usePreferences } from '../lib/preferences';
import { StageHead } from './stage-rows';

afterEach(() => {
  cleanup();
  act(() => {
    usePreferences.setState({ units: 'metric' });
  });
});

const stage = demoFormulas.flatMap(({ stages }) => stages).find(({ cue }) => cue.includes('40 °C'));
const show = () => {
  if (!stage) throw new Error('no stage says how warm it is to be');
  render(
    <table>
      <thead>
        <tr>
          <StageHead stage={stage} index={0} editing={false} />
        </tr>
      </thead>
    </table>,
  );
};

describe('what a stage says', () => {
  it('is as it was written where the device speaks grams', () => {
    show();
    expect(screen.getByText(stage?.cue ?? '')).toBeTruthy();
  });
  it('has its figures in the units of the device, and nothing else of it changed', async () => {
    usePreferences.setState({ units: 'us' });
    show();
    expect(await screen.findByText((stage?.cue ?? '').replace('40 °C', '104 °F'))).toBeTruthy();
  });
});
