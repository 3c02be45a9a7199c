import { beforeEach, describe, expect, it } from '@jest/globals';
import { demoFormulas, type Formula } from '@jokul/core';
import { redo, undo, useDraft } from './draft-store';

const [gng] = demoFormulas;
if (!gng) throw new Error('no formula');
const draft = (): Formula => {
  const { draft: open } = useDraft.getState();
  if (!open) throw new Error('no draft');
  return open;
};
const percent = (id: string) =>
  draft()
    .stages.flatMap((s) => s.lines)
    .find((l) => l.ingredientId === id)?.percent;

beforeEach(() => {
  useDraft.setState({ draft: null });
  useDraft.getState().open(gng);
  useDraft.temporal.getState().clear();
});

describe('an edit of a formula', () => {
  it('changes one line and leaves the formula that was opened alone', () => {
    useDraft.getState().setLine(0, 0, { ingredientId: 'butter', percent: 58 });
    expect(percent('butter')).toBe(58);
    expect(gng.stages[0]?.lines[0]?.percent).toBe(62);
  });
  it('takes a line out and puts one in', () => {
    useDraft.getState().setLine(2, 5, null);
    expect(percent('clove')).toBeUndefined();
    useDraft.getState().addLine(2, { ingredientId: 'cardamom', percent: 1 });
    expect(percent('cardamom')).toBe(1);
  });
  it('changes piece, rest and bake', () => {
    useDraft.getState().change({ piece: { massG: 34, shape: 'puck' } });
    expect(draft().piece).toEqual({ massG: 34, shape: 'puck' });
  });
  it('moves a stage, puts one in, renames it and takes it out', () => {
    const names = () => draft().stages.map(({ name }) => name);
    useDraft.getState().moveStage(2, 0);
    expect(names()).toEqual(['Dry', 'Cream', 'Egg and liquids']);
    useDraft.getState().moveStage(0, 9);
    expect(names()[0]).toBe('Dry');
    useDraft.getState().setStage(3, { name: 'Fold in' });
    useDraft.getState().setStage(0, { name: 'Dry things' });
    expect(names()).toEqual(['Dry things', 'Cream', 'Egg and liquids', 'Fold in']);
    useDraft.getState().setStage(3, null);
    expect(names()).toHaveLength(3);
  });
  it('moves a line within its stage, and on into the next one', () => {
    const ids = (i: number) => draft().stages[i]?.lines.map((l) => l.ingredientId);
    useDraft.getState().moveLine(0, 2, -1);
    expect(ids(0)).toEqual(['butter', 'white-sugar', 'dark-brown-sugar']);
    useDraft.getState().moveLine(0, 2, 1);
    expect(ids(0)).toEqual(['butter', 'white-sugar']);
    expect(ids(1)).toEqual(['dark-brown-sugar', 'whole-egg', 'molasses']);
    useDraft.getState().moveLine(0, 0, -1);
    expect(ids(0)).toEqual(['butter', 'white-sugar']);
    useDraft.getState().moveLine(2, 0, -1);
    expect(ids(1)?.at(-1)).toBe('wheat-flour');
  });
  it('changes, adds and takes out toppings', () => {
    useDraft.getState().setTopping(0, { ingredientId: 'white-sugar', percent: 10 });
    useDraft.getState().setTopping(1, { ingredientId: 'sesame', percent: 2 });
    expect(draft().toppings.map(({ percent: p }) => p)).toEqual([10, 2]);
    useDraft.getState().setTopping(0, null);
    expect(draft().toppings).toEqual([{ ingredientId: 'sesame', percent: 2 }]);
  });
  it('goes back and forth, step by step', () => {
    for (const value of [60, 58, 56])
      useDraft.getState().setLine(0, 0, { ingredientId: 'butter', percent: value });
    undo();
    expect(percent('butter')).toBe(58);
    undo();
    undo();
    expect(percent('butter')).toBe(62);
    redo();
    expect(percent('butter')).toBe(60);
  });
  it('a new step after going back forgets what was ahead', () => {
    useDraft.getState().setLine(0, 0, { ingredientId: 'butter', percent: 60 });
    undo();
    useDraft.getState().setLine(0, 0, { ingredientId: 'butter', percent: 64 });
    expect(useDraft.temporal.getState().futureStates).toHaveLength(0);
    redo();
    expect(percent('butter')).toBe(64);
  });
  it('a step that changes nothing is no step', () => {
    useDraft.getState().change({});
    const before = useDraft.temporal.getState().pastStates.length;
    useDraft.setState({ draft: draft() });
    expect(useDraft.temporal.getState().pastStates.length).toBe(before);
  });
  it('without a draft nothing happens', () => {
    useDraft.setState({ draft: null });
    useDraft.getState().setLine(0, 0, null);
    useDraft.getState().addLine(0, { ingredientId: 'salt', percent: 1 });
    expect(useDraft.getState().draft).toBeNull();
  });
});
