import { foodOf } from '../../ingredient/index.js';
import { doughLines, flourPercent, type Formula } from '../formula.js';
import { undeclaredIn } from './allergens.js';
import { softFatFindings, waterFindings } from './fat.js';
import type { Finding } from './finding.js';
import { leaveningFindings } from './leavening.js';
import { bindingFindings, ratioFindings } from './ratios.js';
import { saltFindings } from './salt.js';

export { undeclaredIn } from './allergens.js';
export type { Finding } from './finding.js';

const fatKinds = new Set(['butter', 'fat', 'nut-butter']);

/** Everything about a formula that looks wrong or unusual, the likely mistakes first, each with its figures. */
export const checkSoundness = (formula: Formula): readonly Finding[] => {
  const lines = doughLines(formula);
  if (flourPercent(lines) <= 0) return [];
  const findings: Finding[] = [];
  if (!lines.some((line) => fatKinds.has(foodOf(line).kind)))
    findings.push({
      code: 'no-fat',
      level: 'wrong',
      sentence: 'There is no butter, fat or nut butter in it: this is no creamed dough.',
      figures: {},
    });
  findings.push(
    ...saltFindings(formula),
    ...leaveningFindings(formula),
    ...waterFindings(formula),
    ...softFatFindings(formula),
    ...bindingFindings(formula),
    ...ratioFindings(formula),
  );
  for (const line of [...lines, ...formula.toppings])
    for (const allergen of undeclaredIn(foodOf(line)))
      findings.push({
        code: 'allergen-undeclared',
        level: 'wrong',
        sentence: `${foodOf(line).name} sounds like ${allergen}, but does not declare it. Check its label.`,
        figures: {},
      });
  const order = { wrong: 0, mind: 1, note: 2 };
  return findings.sort((a, b) => order[a.level] - order[b.level]);
};
