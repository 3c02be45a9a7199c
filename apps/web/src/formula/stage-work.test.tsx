import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { demoFormulas, type Formula } from '@jokul/core';
import { PieceFields } from './bake-fields';
import { useDraft } from './draft-store';
import { StageWork } from './stage-work';

const ginger = demoFormulas.find(({ code }) => code === 'GNG') as Formula;
const draft = () => useDraft.getState().draft as Formula;

const Page = () => {
  const formula = useDraft((s) => s.draft);
  const stage = formula?.stages[0];
  return (
    formula &&
    stage && (
      <>
        <StageWork stage={stage} index={0} />
        <PieceFields piece={formula.piece} />
      </>
    )
  );
};

beforeEach(() => useDraft.getState().open(ginger));
afterEach(cleanup);

describe('how a stage is worked', () => {
  it('is as usual where nothing is set, and says so', () => {
    render(<Page />);
    expect(screen.getByLabelText('In parts').getAttribute('placeholder')).toBe('usual parts');
    expect(screen.getByLabelText<HTMLSelectElement>('With').value).toBe('');
    expect(draft().stages[0]).not.toHaveProperty('parts');
  });
  it('takes tool, parts and time, and gives them up again', async () => {
    const user = userEvent.setup();
    render(<Page />);
    await user.selectOptions(screen.getByLabelText('With'), 'spoon');
    await user.type(screen.getByLabelText('In parts'), '3{Enter}');
    await user.type(screen.getByLabelText('Worked, s'), '90{Enter}');
    expect(draft().stages[0]).toMatchObject({ tool: 'spoon', parts: 3, workS: 90 });
    await user.selectOptions(screen.getByLabelText('With'), 'usual tool');
    expect(draft().stages[0]).not.toHaveProperty('tool');
    await user.clear(screen.getByLabelText('In parts'));
    await user.tab();
    expect(draft().stages[0]).not.toHaveProperty('parts');
    expect(draft().stages[0]).toMatchObject({ workS: 90 });
  });
  it.each(['0', '2.5', '25', 'three'])('keeps "%s" out, as typed, and says what can be', async (typed) => {
    const user = userEvent.setup();
    render(<Page />);
    await user.type(screen.getByLabelText('In parts'), `${typed}{Enter}`);
    expect(screen.getByText('1 to 24')).toBeTruthy();
    expect(screen.getByLabelText<HTMLInputElement>('In parts').value).toBe(typed);
    expect(draft().stages[0]).not.toHaveProperty('parts');
    await user.type(screen.getByLabelText('In parts'), '{Escape}');
    expect(screen.queryByText('1 to 24')).toBeNull();
  });
});

describe('a pressed piece', () => {
  it('has its diameter in mm, and none where it is left empty', async () => {
    const user = userEvent.setup();
    render(<Page />);
    const field = screen.getByLabelText('Pressed to, mm');
    expect(field.getAttribute('placeholder')).toBe('not pressed');
    await user.type(field, '2.5 in{Enter}');
    expect(draft().piece.pressedMm).toBeCloseTo(63.5, 6);
    await user.clear(field);
    await user.tab();
    expect(draft().piece).not.toHaveProperty('pressedMm');
  });
});
