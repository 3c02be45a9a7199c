import { limitOf, type OwnLimits } from '../../limits/index.js';
import { formatNumber, say } from '../../shown/index.js';
import { leaveningOf, partsOfDough, perFlour } from '../balance.js';
import type { Formula } from '../formula.js';
import type { Finding } from './finding.js';

/** Ginger and dark syrups: such doughs are baked with more soda. */
const isDark = (formula: Formula): boolean =>
  perFlour(formula, ({ id }) => (id === 'ginger' ? 1 : 0)) >= 0.8 ||
  perFlour(formula, ({ id }) => (/^(?:molasses|black-treacle|golden-syrup|malt-syrup)$/.test(id) ? 1 : 0)) >=
    8;

/** Baker's ammonia leaves wholly: its gas lifts only while the oven drives it out. */
const isAmmonia = (formula: Formula): boolean =>
  partsOfDough(formula).some(({ food }) => food.id === 'bakers-ammonia');

export const leaveningFindings = (formula: Formula, own?: OwnLimits): readonly Finding[] => {
  const { gas, left, base } = leaveningOf(formula);
  const dark = isDark(formula);
  const gasHigh = limitOf(own, isAmmonia(formula) ? 'ammoniaGasHigh' : dark ? 'darkGasHigh' : 'gasHigh');
  const baseHigh = limitOf(own, dark ? 'darkBaseLeft' : 'baseLeft');
  const gasLow = limitOf(own, 'gasLow');
  const findings: Finding[] = [];
  const sayGas = say`${formatNumber(gas.value)} mL of gas per kg of dough`;
  if (gas.value > 0 && gas.value < gasLow)
    findings.push({
      code: 'gas-low',
      level: 'mind',
      sentence: say`${sayGas}: little lift; under ${gasLow} hardly shows.`,
      figures: { gas: gas.value },
      figure: gas,
    });
  if (gas.value > gasHigh)
    findings.push({
      code: 'gas-high',
      level: 'mind',
      sentence: say`${sayGas}: more than the dough can hold (over ${gasHigh}); coarse, it may rise and fall.`,
      figures: { gas: gas.value },
      figure: gas,
    });
  if (left.value > baseHigh)
    findings.push({
      code: 'base-left',
      level: 'mind',
      sentence: say`About ${formatNumber(left.value / 11.9)} g of soda per kg of dough finds no acid. Browner, more spread; soapy when it is much.`,
      figures: { left: left.value },
      figure: left,
    });
  if (base.value > 0 && left.value < -limitOf(own, 'acidLeft'))
    findings.push({
      code: 'acid-left',
      level: 'mind',
      sentence: say`There is acid left for another ${formatNumber(-left.value / 11.9)} g of soda per kg of dough. Paler, less spread, tart.`,
      figures: { left: left.value },
      figure: left,
    });
  return findings;
};
