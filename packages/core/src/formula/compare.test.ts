import { describe, expect, it } from '@jest/globals';
import { demoFormulas } from '../demo/index.js';
import { compareVersions } from './compare.js';
import { holdBack } from './held-back.js';
import type { Formula, FormulaLine } from './formula.js';

const found = demoFormulas.find(({ code }) => code === 'SES');
if (!found) throw new Error('no formula');
const sesame: Formula = found;
const lineOf = (id: string): FormulaLine => {
  const line = sesame.stages.flatMap(({ lines }) => lines).find(({ ingredientId }) => ingredientId === id);
  if (!line) throw new Error(`no ${id}`);
  return line;
};
const withLine = (id: string, change: Partial<FormulaLine> | null): Formula => ({
  ...sesame,
  stages: sesame.stages.map((stage) => ({
    ...stage,
    lines: stage.lines.flatMap((line) =>
      line.ingredientId === id ? (change ? [{ ...line, ...change }] : []) : [line],
    ),
  })),
});
const [cream, egg, dry, fold] = sesame.stages;
if (!cream || !egg || !dry || !fold) throw new Error('no stages');

describe('the difference of two versions, as a person reads it', () => {
  it('a version and itself: nothing', () => expect(compareVersions(sesame, sesame)).toEqual([]));
  it.each<[string, Formula, string[]]>([
    ['less butter', withLine('butter', { percent: 44 }), ['butter, unsalted 48 → 44 %']],
    [
      'seeds held back for the top',
      holdBack(sesame, lineOf('tahini'), 0.2),
      ['tahini: 20 % of it on the pieces'],
    ],
    [
      'an ingredient before another of its stage',
      { ...sesame, stages: [{ ...cream, lines: [...cream.lines].reverse() }, egg, dry, fold] },
      ['cream in another order'],
    ],
    [
      'another id of a stage, which nobody sees',
      { ...sesame, stages: [{ ...cream, id: 'other' }, egg, dry, fold] },
      ['details'],
    ],
    ['salt left out', withLine('salt', null), ['− fine salt 1.6 %']],
    ['butter browned', withLine('butter', { browned: true }), ['butter, unsalted browned']],
    [
      'something new in the fold',
      {
        ...sesame,
        stages: [cream, egg, dry, { ...fold, lines: [...fold.lines, { ingredientId: 'dates', percent: 8 }] }],
      },
      ['+ dates, chopped 8 %'],
    ],
    [
      'stages in another order',
      { ...sesame, stages: [cream, egg, fold, dry] },
      ['stages: Cream, Egg, Fold in, Dry'],
    ],
    [
      'another cue',
      { ...sesame, stages: [{ ...cream, cue: 'Until pale.' }, egg, dry, fold] },
      ['cue of cream rewritten'],
    ],
    [
      'yolk moved to another stage',
      {
        ...sesame,
        stages: [
          { ...cream, lines: [...cream.lines, ...egg.lines.filter((l) => l.ingredientId === 'egg-yolk')] },
          { ...egg, lines: egg.lines.filter((l) => l.ingredientId !== 'egg-yolk') },
          dry,
          fold,
        ],
      },
      ['egg yolk moved to cream'],
    ],
    [
      'another school',
      { ...sesame, method: { cream: 'long', egg: 'barely', finish: 'hand', doughC: 20 } },
      [
        'creaming standard → long',
        'egg worked in fully → barely',
        'finished by machine → hand',
        'dough temperature house → 20',
      ],
    ],
    [
      'another piece',
      { ...sesame, piece: { massG: 40, shape: 'ball' } },
      ['piece 38 g → 40 g', 'shape mound → ball'],
    ],
  ])('%s', (_, after, phrases) => expect(compareVersions(sesame, after)).toEqual(phrases));
  it('no longer browned is said the other way', () => {
    expect(compareVersions(withLine('butter', { browned: true }), sesame)).toEqual([
      'butter, unsalted no longer browned',
    ]);
  });
});
