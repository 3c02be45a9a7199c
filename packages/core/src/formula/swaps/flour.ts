import { foodOf, ingredient, named, type Ingredient } from '../../ingredient/index.js';
import { foodIn } from '../foods.js';
import { formatNumber, JokulError, requireNumber, say } from '../../shown/index.js';
import { doughParts, type Formula, type FormulaLine } from '../formula.js';
import { has, mergeLines, percentOf, replace, swap, type Swap, type Swapped } from './lines.js';

const plainFlour = (formula: Formula, from: string): Swapped => ({
  formula: mergeLines(
    replace(formula, from, (line) =>
      ingredient(from).parts.map(({ ingredientId, share }) => ({
        ingredientId,
        percent: line.percent * share,
      })),
    ),
  ),
  says: say`Taken apart into what it is made of: ${ingredient(from)
    .parts.map(
      ({ ingredientId, share }) =>
        `${ingredient(ingredientId).name.toLowerCase()} ${formatNumber(share * 100)} %`,
    )
    .join(', ')}.`,
});

/**
 * One flour of the formula as a blend of two at a wanted protein; flour stays as much as it was.
 * @param proteinPercent protein of the blend, % of flour as is
 * @throws JokulError `out-of-reach` when the two flours do not reach it, `out-of-range`
 */
export const blendFlour = (
  formula: Formula,
  flourId: string,
  blend: readonly [Ingredient, Ingredient],
  proteinPercent: number,
): Swapped => {
  requireNumber(proteinPercent, say`The protein`, 0.1, 90, '%');
  const [first, second] = blend;
  const [a, b] = [first, second].map(({ composition }) => 100 * composition.protein) as [number, number];
  const share = (proteinPercent - b) / (a - b);
  if (!(share >= 0 && share <= 1))
    throw new JokulError(
      'out-of-reach',
      say`${first.name} has ${formatNumber(a)} % and ${second.name} ${formatNumber(b)} % protein: ${formatNumber(proteinPercent)} % is not between them.`,
      'proteinPercent',
    );
  return {
    formula: mergeLines(
      replace(formula, flourId, (line) =>
        [
          { ...named(first), percent: line.percent * share },
          { ...named(second), percent: line.percent * (1 - share) },
        ].filter(({ percent }) => percent > 1e-9),
      ),
    ),
    says: say`${formatNumber(100 * share)} % ${first.name.toLowerCase()} and ${formatNumber(100 * (1 - share))} % ${second.name.toLowerCase()} in place of ${foodIn(formula, flourId).name.toLowerCase()}: ${formatNumber(proteinPercent)} % protein.`,
  };
};

/**
 * A blend that stands in for wheat flour, shares of its mass, and the gum that binds in gluten's place: kitchen practice.
 * Starches make it tender, ground almonds keep it from being sandy.
 */
const glutenFree = {
  'rice-flour': 0.45,
  'tapioca-starch': 0.2,
  'potato-starch': 0.15,
  'ground-almonds': 0.2,
} as const;
const gum = 0.005;
const wheatFlours = [
  'wheat-flour',
  'soft-wheat-flour',
  'strong-wheat-flour',
  'spelt-flour',
  'wholemeal-flour',
];

const withoutGluten = (formula: Formula): Swapped => {
  const wheat = wheatFlours.reduce((sum, id) => sum + percentOf(formula, id), 0);
  const swapped = wheatFlours.reduce(
    (f, id) =>
      replace(f, id, (line): readonly FormulaLine[] => [
        ...Object.entries(glutenFree).map(([ingredientId, share]) => ({
          ingredientId,
          percent: line.percent * share,
        })),
        { ingredientId: 'xanthan', percent: line.percent * gum },
      ]),
    formula,
  );
  const left = [
    ...new Set(
      [...formula.stages.flatMap(({ lines }) => lines), ...formula.toppings]
        .filter(({ ingredientId }) => !wheatFlours.includes(ingredientId))
        .flatMap((line) => [foodOf(line), ...doughParts(line).map(({ food }) => food)])
        .filter(({ allergens }) => allergens.includes('gluten'))
        .map(({ name }) => name.toLowerCase()),
    ),
  ];
  return {
    formula: mergeLines(swapped),
    says: say`${formatNumber(wheat)} % of a blend of rice, tapioca, potato and almond in place of wheat, with xanthan to bind. It takes up water slowly: rest the dough an hour or more, or it is sandy and spreads. ${
      left.length > 0 ? say`Gluten stays in it by: ${left.join(', ')}. ` : ''
    }It now holds nuts. Free of gluten is only what is made free of it, from flour dust to trays: local rules and your checks decide. A forecast: bake a trial tray.`,
  };
};

/** Flours that were bought ready mixed taken apart, and wheat replaced. */
export const flourSwaps = (formula: Formula): readonly Swap[] => [
  ...['self-raising-flour', 'self-rising-flour'].flatMap((id) =>
    swap(
      `plain-${id}`,
      say`Plain flour and powder for ${ingredient(id).name.toLowerCase()}`,
      has(formula, id),
      () => plainFlour(formula, id),
    ),
  ),
  ...swap(
    'gluten-free',
    say`A blend without gluten for wheat flour`,
    wheatFlours.some((id) => has(formula, id)),
    () => withoutGluten(formula),
  ),
];
