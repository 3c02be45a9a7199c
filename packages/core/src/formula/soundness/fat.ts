import { fatIn, ingredient, solidFatShare } from '../../ingredient/index.js';
import { limitOf, type OwnLimits } from '../../limits/index.js';
import { formatNumber, say } from '../../shown/index.js';
import { partsOfDough } from '../balance.js';
import { doughOf, solidFatOf } from '../dough.js';
import { doughLines, flourPercent, type Formula } from '../formula.js';
import type { Finding } from './finding.js';

/** Butter that carries less water than butter of 82 % fat, and what that does to the dough. */
export const waterFindings = (formula: Formula, own?: OwnLimits): readonly Finding[] => {
  const parts = partsOfDough(formula);
  const usual = ingredient('butter').composition.water / ingredient('butter').composition.fat;
  const flour = flourPercent(doughLines(formula));
  const short = parts.reduce((sum, { food: { kind, composition }, percent }) => {
    return kind === 'butter' || kind === 'fat'
      ? sum + percent * (composition.fat * usual - composition.water)
      : sum;
  }, 0);
  const perFlourShort = (100 * short) / flour;
  const findings: Finding[] = [];
  if (perFlourShort > limitOf(own, 'butterWater'))
    findings.push({
      code: 'butter-water',
      level: 'note',
      sentence: say`The fat brings ${formatNumber(perFlourShort)} per 100 of flour less water than butter would (browned, clarified, oil or shortening). Give it back as water, or expect less spread and a sandier bite.`,
      figures: { short: perFlourShort },
    });
  return findings;
};

/** A dough is portioned at about this, °C; of butter 46 % is solid then. */
const portionC = 10;

/** Fat that is soft or liquid where the dough is portioned. */
export const softFatFindings = (formula: Formula, own?: OwnLimits): readonly Finding[] => {
  const dough = doughOf(formula);
  const solid = solidFatOf(dough, portionC);
  if (fatIn(dough.fats) < 0.05 || solid >= limitOf(own, 'softFat')) return [];
  return [
    {
      code: 'soft-fat',
      level: 'note',
      sentence: say`Only ${formatNumber(100 * solid)} % of its fat is solid at ${portionC} °C (of butter ${formatNumber(100 * solidFatShare(portionC))} %): soft to handle, hard to portion evenly. Chill it longer and portion it cold.`,
      figures: { solid, portionC },
    },
  ];
};
