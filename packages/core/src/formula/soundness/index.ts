import { say } from '../../shown/index.js';
import { foodOf } from '../../ingredient/index.js';
import type { OwnLimits } from '../../limits/index.js';
import { doughLines, flourPercent, type Formula } from '../formula.js';
import { undeclaredIn, unnamedIn } from './allergens.js';
import { softFatFindings, waterFindings } from './fat.js';
import type { Finding } from './finding.js';
import { leaveningFindings } from './leavening.js';
import { bindingFindings, ratioFindings } from './ratios.js';
import { saltFindings } from './salt.js';

export { undeclaredIn, unnamedIn } from './allergens.js';
export type { Finding } from './finding.js';

const fatKinds = new Set(['butter', 'fat', 'nut-butter']);

/**
 * Everything about a formula that looks wrong or unusual, the likely mistakes first, each with its figures.
 * @param own what the house counts as unusual, where it is not the usual
 */
export const checkSoundness = (formula: Formula, own?: OwnLimits): readonly Finding[] => {
  const lines = doughLines(formula);
  if (flourPercent(lines) <= 0) return [];
  const findings: Finding[] = [];
  if (!lines.some((line) => fatKinds.has(foodOf(line).kind)))
    findings.push({
      code: 'no-fat',
      level: 'wrong',
      sentence: say`There is no butter, fat or nut butter in it: this is no creamed dough.`,
      figures: {},
    });
  findings.push(
    ...saltFindings(formula, own),
    ...leaveningFindings(formula, own),
    ...waterFindings(formula, own),
    ...softFatFindings(formula, own),
    ...bindingFindings(formula, own),
    ...ratioFindings(formula, own),
  );
  for (const food of new Set([...lines, ...formula.toppings].map(foodOf))) {
    for (const allergen of undeclaredIn(food))
      findings.push({
        code: 'allergen-undeclared',
        level: 'wrong',
        sentence: say`${food.name} sounds like ${allergen}, but does not declare it. Check its label.`,
        figures: {},
      });
    for (const of of unnamedIn(food))
      findings.push({
        code: 'allergen-unnamed',
        level: 'mind',
        sentence:
          of === 'nuts'
            ? say`${food.name} does not say which nuts it has: the label must name it.`
            : say`${food.name} does not say which cereal it has: the label must name it.`,
        figures: {},
      });
  }
  const order = { wrong: 0, mind: 1, note: 2 };
  return findings.sort((a, b) => order[a.level] - order[b.level]);
};
