import { ingredient } from '../../ingredient/index.js';
import { formatNumber, say } from '../../shown/index.js';
import { doughLines, type Formula, type FormulaLine } from '../formula.js';
import { addTo, has, mergeLines, percentOf, replace, swap, type Swap, type Swapped } from './lines.js';

/** Molasses that makes brown sugar of white, mass share: kitchen practice. */
export const molassesShare: Readonly<Record<string, number>> = {
  'light-brown-sugar': 0.08,
  'dark-brown-sugar': 0.15,
};

const whiten = (formula: Formula, from: string): Swapped => {
  const share = molassesShare[from] ?? 0;
  const before = percentOf(formula, from);
  const without = replace(formula, from, (line) => [
    { ingredientId: 'white-sugar', percent: line.percent * (1 - share) },
    { ingredientId: 'molasses', percent: line.percent * share },
  ]);
  return {
    formula: mergeLines(without),
    says: say`The same mass: ${formatNumber(before * (1 - share))} % white sugar and ${formatNumber(before * share)} % molasses.`,
  };
};

const syrups = ['honey', 'golden-syrup', 'maple-syrup', 'agave-syrup', 'glucose-syrup', 'molasses'] as const;
/** Sugars that brown at once (glucose, fructose), share of a syrup's sugars: typical values. */
const reducing: Readonly<Record<string, number>> = {
  honey: 0.97,
  'golden-syrup': 0.55,
  'maple-syrup': 0.03,
  'agave-syrup': 0.97,
  'glucose-syrup': 0.5,
  molasses: 0.45,
};
const browns = (from: number, to: number): string =>
  Math.abs(to - from) < 0.15
    ? say`It browns about as before.`
    : to > from
      ? say`It browns sooner and stays softer: bake 5 to 10 °C cooler, or pull by colour.`
      : say`It browns later and snaps more.`;

/** Water taken out of what is poured in, milk and water, as far as there is any; what stays is returned, % of flour. */
const changeWater = (formula: Formula, by: number): { readonly formula: Formula; readonly stays: number } => {
  if (by >= 0) return { formula: addTo(formula, 'water', by, 'wet'), stays: 0 };
  const off = Math.min(-by, percentOf(formula, 'water'));
  return { formula: addTo(formula, 'water', -off, 'wet'), stays: -by - off };
};
const wetter = (stays: number) =>
  stays > 0.05
    ? say`${formatNumber(stays)} % more water than before stays in it`
    : say`the water is as before`;

/** One syrup for another with as much sugar, the water kept where it can be. */
const otherSyrup = (formula: Formula, from: string, to: string): Swapped => {
  const a = ingredient(from);
  const b = ingredient(to);
  const before = percentOf(formula, from);
  const after = (before * a.analysis.sugars) / b.analysis.sugars;
  const swapped = replace(formula, from, (line) => [
    { ingredientId: to, percent: (line.percent * after) / before },
  ]);
  const { formula: made, stays } = changeWater(
    swapped,
    before * a.composition.water - after * b.composition.water,
  );
  return {
    formula: made,
    says: say`The same sugar: ${formatNumber(after)} % of ${b.name.toLowerCase()}; ${wetter(stays)}. ${browns(reducing[from] ?? 0, reducing[to] ?? 0)} A forecast: bake a trial tray.`,
  };
};

/** Share of the white sugar that a syrup takes over: more makes the dough run. */
const bySyrup = 0.25;
const syrupForSugar = (formula: Formula, to: string): Swapped => {
  const b = ingredient(to);
  const part = percentOf(formula, 'white-sugar') * bySyrup;
  const syrup = part / b.analysis.sugars;
  const swapped = replace(formula, 'white-sugar', (line): readonly FormulaLine[] => [
    { ...line, percent: line.percent * (1 - bySyrup) },
  ]);
  const { formula: made, stays } = changeWater(
    addTo(swapped, to, syrup, 'wet'),
    -syrup * b.composition.water,
  );
  return {
    formula: made,
    says: say`The same sugar: ${formatNumber(syrup)} % of ${b.name.toLowerCase()} for a quarter of the white sugar; ${wetter(stays)}. ${browns(0, reducing[to] ?? 0)} Chewier, and soft for longer. A forecast: bake a trial tray.`,
  };
};

/** Vanilla sugar of the trade holds about as much aroma by the gram as half a gram of extract: kitchen practice. */
const extractPerG = 0.5;
const vanillaSugar = (formula: Formula): Swapped => {
  const before = percentOf(formula, 'vanilla-sugar');
  const extract = before * extractPerG;
  const apart = replace(formula, 'vanilla-sugar', (line): readonly FormulaLine[] => [
    { ingredientId: 'white-sugar', percent: line.percent },
    { ingredientId: 'vanilla', percent: line.percent * extractPerG },
  ]);
  return {
    formula: mergeLines(apart),
    says: say`As much sugar, and ${formatNumber(extract)} % of extract for its vanilla. Extracts and sugars differ in strength: taste it.`,
  };
};
const toVanillaSugar = (formula: Formula): Swapped => {
  const before = percentOf(formula, 'vanilla');
  const sugar = before / extractPerG;
  const without = replace(formula, 'vanilla', (line): readonly FormulaLine[] => [
    { ingredientId: 'vanilla-sugar', percent: line.percent / extractPerG },
  ]);
  const white = percentOf(formula, 'white-sugar');
  const off = Math.min(sugar, Math.max(0, white - 0.01));
  return {
    formula: addTo(without, 'white-sugar', -off, 'cream'),
    says: say`${formatNumber(sugar)} % of vanilla sugar for the extract, and ${formatNumber(off)} % of white sugar taken off for it. Extracts and sugars differ in strength: taste it.`,
  };
};

/** Brown sugar taken apart, syrups for one another and for sugar, vanilla sugar and extract. */
export const sugarSwaps = (formula: Formula): readonly Swap[] => {
  const own = [...new Set(doughLines(formula).map(({ ingredientId }) => ingredientId))];
  return [
    ...Object.keys(molassesShare).flatMap((id) =>
      swap(
        `white-${id}`,
        say`White sugar and molasses for ${ingredient(id).name.toLowerCase()}`,
        has(formula, id),
        () => whiten(formula, id),
      ),
    ),
    ...syrups
      .filter((from) => own.includes(from))
      .flatMap((from) =>
        syrups
          .filter((to) => !own.includes(to))
          .flatMap((to) =>
            swap(
              `syrup-${from}-${to}`,
              say`${ingredient(to).name} for ${ingredient(from).name.toLowerCase()}`,
              true,
              () => otherSyrup(formula, from, to),
            ),
          ),
      ),
    ...(['honey', 'golden-syrup', 'glucose-syrup'] as const).flatMap((to) =>
      swap(
        `sugar-${to}`,
        say`${ingredient(to).name} for a quarter of the white sugar`,
        has(formula, 'white-sugar') && !own.includes(to),
        () => syrupForSugar(formula, to),
      ),
    ),
    ...swap(
      'vanilla-sugar-apart',
      say`Sugar and extract for vanilla sugar`,
      has(formula, 'vanilla-sugar'),
      () => vanillaSugar(formula),
    ),
    ...swap('to-vanilla-sugar', say`Vanilla sugar for extract`, has(formula, 'vanilla'), () =>
      toVanillaSugar(formula),
    ),
  ];
};
