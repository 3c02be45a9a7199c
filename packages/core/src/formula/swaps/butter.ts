import { fatOf, ingredient, solidShare, type FatName } from '../../ingredient/index.js';
import { formatNumber, say } from '../../shown/index.js';
import { partsOfDough } from '../balance.js';
import { browningLoss, type Formula } from '../formula.js';
import { addTo, changeSalt, has, percentOf, replace, swap, type Swap, type Swapped } from './lines.js';

/** A butter for another with the same plain butter in it; the salt follows in the added salt. */
const saltButter = (formula: Formula, from: string, to: string): Swapped => {
  const share = (id: string) =>
    ingredient(id).parts.find(({ ingredientId }) => ingredientId === 'butter')?.share ?? 1;
  const before = percentOf(formula, from);
  const swapped = replace(formula, from, (line) => [
    { ...line, ingredientId: to, percent: (line.percent * share(from)) / share(to) },
  ]);
  const saltBefore = before * (1 - share(from));
  const saltAfter = ((before * share(from)) / share(to)) * (1 - share(to));
  const wanted = saltBefore - saltAfter;
  const salted = changeSalt(swapped, wanted);
  return {
    formula: salted.formula,
    says:
      salted.rest > 1e-9
        ? say`All added salt is taken out, and ${formatNumber(salted.rest)} % more than before remains: the butter brings it.`
        : say`The same butter and the same salt as before: added salt ${formatNumber(salted.before)} → ${formatNumber(salted.after)} %.`,
  };
};

/** Fats that stand in for butter, and what each leaves behind. */
const otherFats = ['margarine', 'shortening', 'lard', 'coconut-oil', 'sunflower-oil'] as const;

/** All water of a dough, percent of its flour. */
const waterIn = (formula: Formula): number =>
  partsOfDough(formula).reduce((sum, { food, percent }) => sum + percent * food.composition.water, 0);

/** Another fat for butter: as much fat, water and salt as before, and what its melting does to the dough. */
const forButter = (formula: Formula, to: string): Swapped => {
  const butter = ingredient('butter');
  const other = ingredient(to);
  const fat = fatOf(other);
  const before = percentOf(formula, 'butter');
  const after = (before * butter.composition.fat) / other.composition.fat;
  const water = before * butter.composition.water - after * other.composition.water;
  const swapped = replace(formula, 'butter', (line) => [
    { ingredientId: to, percent: (line.percent * after) / before },
  ]);
  const salted = changeSalt(
    swapped,
    (before * butter.analysis.salt - after * other.analysis.salt) / ingredient('salt').analysis.salt,
  );
  const solid = (name: FatName) => `${Math.round(100 * solidShare(name, handC))}\u00a0%`;
  // Water can be given back, and taken off where water was added; the egg's is not touched: what stays is counted.
  const made = addTo(salted.formula, 'water', water, 'wet');
  const stays = waterIn(made) - waterIn(formula);
  const kept = stays > 0.05 ? say`and ${stays.toFixed(1)} % more water` : say`and the same water`;
  const softer = fat !== null && solidShare(fat, handC) < 0.7 * solidShare('milk-fat', handC);
  return {
    formula: made,
    says: say`The same fat and salt as before, ${kept}. At ${handC}\u00a0°C ${fat ? solid(fat) : '?'} of this fat is solid, of butter ${solid('milk-fat')}: ${
      softer
        ? say`the dough is softer and harder to portion. Chill it longer and portion it cold.`
        : say`the dough is about as firm.`
    } A forecast by what is typical of such fats; the taste and colour of butter are gone. Check the label for allergens, and bake a trial tray.`,
  };
};
/** Where dough is portioned, °C: how solid its fat is there decides how it handles. */
const handC = 10;

/** Butter browned, with as much milk fat as before; the water that it loses given back or not. */
const brown = (formula: Formula, giveBack: boolean): Swapped => {
  const butter = ingredient('butter').composition;
  const finished = ingredient('browned-butter').composition;
  const before = percentOf(formula, 'butter');
  const kept = 1 - browningLoss(butter.water);
  const weighIn = (before * butter.fat) / (kept * finished.fat);
  const water = before * butter.water - weighIn * kept * finished.water;
  const swapped = replace(formula, 'butter', (line) => [
    { ...line, percent: (line.percent * weighIn) / before, browned: true },
  ]);
  return {
    formula: giveBack ? addTo(swapped, 'water', water, 'wet') : swapped,
    says: giveBack
      ? say`The same milk fat; ${formatNumber(weighIn)} % go into the pan, and ${formatNumber(water)} % of water are given back.`
      : say`The same milk fat; ${formatNumber(weighIn)} % go into the pan. The dough has ${formatNumber(water)} % less water: less spread, sandier.`,
  };
};

/** Butter of another salt, browned, or another fat in its place. */
export const butterSwaps = (formula: Formula): readonly Swap[] => {
  const plainButter = has(formula, 'butter', (line) => !line.browned);
  return [
    ...swap('to-salted', say`Salted butter for unsalted`, plainButter, () =>
      saltButter(formula, 'butter', 'salted-butter'),
    ),
    ...swap('to-unsalted', say`Unsalted butter for salted`, has(formula, 'salted-butter'), () =>
      saltButter(formula, 'salted-butter', 'butter'),
    ),
    ...swap('brown-with-water', say`Brown the butter, water given back`, plainButter, () =>
      brown(formula, true),
    ),
    ...swap('brown', say`Brown the butter, water not given back`, plainButter, () => brown(formula, false)),
    ...otherFats.flatMap((id) =>
      swap(`fat-${id}`, say`${ingredient(id).name} for butter`, plainButter, () => forButter(formula, id)),
    ),
  ];
};
