import { fatOf, ingredient, solidShare, type FatName } from '../ingredient/index.js';
import { formatNumber, JokulError, requireNumber } from '../shown/index.js';
import { leaveningOf } from './balance.js';
import { browningLoss, doughLines, type Formula, type FormulaLine, type FormulaStage } from './formula.js';

/** A formula with one thing in place of another, computed whole, and what was done about it. */
export interface Swapped {
  readonly formula: Formula;
  /** What was kept the same, and what could not be. */
  readonly says: string;
}
export interface Swap {
  readonly id: string;
  readonly title: string;
  readonly apply: () => Swapped;
}

const has = (formula: Formula, id: string, test: (line: FormulaLine) => boolean = () => true) =>
  doughLines(formula).some((line) => line.ingredientId === id && test(line));
const percentOf = (formula: Formula, id: string) =>
  doughLines(formula)
    .filter((line) => line.ingredientId === id)
    .reduce((sum, line) => sum + line.percent, 0);

/** Every line of that ingredient replaced by other lines, where it stands. */
const replace = (
  formula: Formula,
  id: string,
  by: (line: FormulaLine) => readonly FormulaLine[],
): Formula => ({
  ...formula,
  stages: formula.stages.map((stage): FormulaStage => ({
    ...stage,
    lines: stage.lines.flatMap((line) => (line.ingredientId === id ? by(line) : [line])),
  })),
});

/** Puts `percent` of an ingredient in: onto its own line, else as a new line in the stage of that id, else the last. */
const addTo = (formula: Formula, id: string, percent: number, stageId: string): Formula => {
  if (percent === 0) return formula;
  if (has(formula, id)) {
    let done = false;
    return replace(formula, id, (line) => {
      if (done) return [line];
      done = true;
      const sum = line.percent + percent;
      return sum > 1e-9 ? [{ ...line, percent: sum }] : [];
    });
  }
  if (percent < 0) return formula;
  const at = formula.stages.findIndex((stage) => stage.id === stageId);
  const index = at === -1 ? formula.stages.length - 1 : at;
  return {
    ...formula,
    stages: formula.stages.map((stage, i) =>
      i === index ? { ...stage, lines: [...stage.lines, { ingredientId: id, percent }] } : stage,
    ),
  };
};

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
        ? `All added salt is taken out, and ${formatNumber(salted.rest)} % more than before remains: the butter brings it.`
        : `The same butter and the same salt as before: added salt ${formatNumber(salted.before)} → ${formatNumber(salted.after)} %.`,
  };
};

/**
 * More or less added salt, by all salts that the dough has, each in its proportion: fine, coarse, flaked.
 * @param change as of fine salt, % of flour; no more is taken off than there is
 * @returns what is left over that could not be taken off, and the salt added before and after, % of flour
 */
const changeSalt = (
  formula: Formula,
  change: number,
): { readonly formula: Formula; readonly rest: number; readonly before: number; readonly after: number } => {
  const fine = ingredient('salt').analysis.salt;
  const saltOf = (line: FormulaLine) => {
    const { kind, analysis } = ingredient(line.ingredientId);
    return kind === 'salt' ? (line.percent * analysis.salt) / fine : 0;
  };
  const before = doughLines(formula).reduce((sum, line) => sum + saltOf(line), 0);
  const after = Math.max(0, before + change);
  const rest = after - before - change;
  if (before === 0) return { formula: addTo(formula, 'salt', after, 'dry'), rest, before, after };
  const share = after / before;
  const scaled = (line: FormulaLine): readonly FormulaLine[] => {
    if (saltOf(line) === 0) return [line];
    return share > 1e-9 ? [{ ...line, percent: line.percent * share }] : [];
  };
  const stages = formula.stages.map((stage) => ({ ...stage, lines: stage.lines.flatMap(scaled) }));
  return { formula: { ...formula, stages }, rest, before, after };
};

/** Fats that stand in for butter, and what each leaves behind. */
const otherFats = ['margarine', 'shortening', 'lard', 'coconut-oil', 'sunflower-oil'] as const;

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
  // Water can be given back, and taken off where water was added; the egg's is not touched.
  const stays = Math.max(0, -water - percentOf(formula, 'water'));
  const kept = stays > 0.05 ? `and ${stays.toFixed(1)} % more water` : 'and the same water';
  const softer = fat !== null && solidShare(fat, handC) < 0.7 * solidShare('milk-fat', handC);
  return {
    formula: addTo(salted.formula, 'water', water, 'wet'),
    says: `The same fat and salt as before, ${kept}. At ${handC}\u00a0°C ${fat ? solid(fat) : '?'} of this fat is solid, of butter ${solid('milk-fat')}: ${
      softer
        ? 'the dough is softer and harder to portion. Chill it longer and portion it cold.'
        : 'the dough is about as firm.'
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
      ? `The same milk fat; ${formatNumber(weighIn)} % go into the pan, and ${formatNumber(water)} % of water are given back.`
      : `The same milk fat; ${formatNumber(weighIn)} % go into the pan. The dough has ${formatNumber(water)} % less water: less spread, sandier.`,
  };
};

/** Something wet for whole egg, with the same water in the dough. */
const forEgg = (formula: Formula, to: string): Swapped => {
  const egg = ingredient('whole-egg').composition;
  const other = ingredient(to).composition;
  const before = percentOf(formula, 'whole-egg');
  const solids = 1 - egg.water;
  const rich = other.water < egg.water;
  // A richer one by its solids, the water made up; a leaner one by its water.
  const after = rich ? (before * solids) / (1 - other.water) : (before * egg.water) / other.water;
  const water = rich ? before * egg.water - after * other.water : 0;
  const swapped = replace(formula, 'whole-egg', (line) => [
    { ...line, ingredientId: to, percent: (line.percent * after) / before },
  ]);
  const change = (of: 'fat' | 'protein') => {
    const by = after * other[of] - before * egg[of];
    return `${by >= 0 ? '+' : '−'}${formatNumber(Math.abs(by))} % ${of}`;
  };
  return {
    formula: addTo(swapped, 'water', water, 'wet'),
    says: `The same water as before${water > 0 ? `, ${formatNumber(water)} % of it added` : ''}; ${change('fat')}, ${change('protein')}. See it as a trial.`,
  };
};

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
    says: `The same mass: ${formatNumber(before * (1 - share))} % white sugar and ${formatNumber(before * share)} % molasses.`,
  };
};

/** Lines of the same ingredient in one stage become one. */
const mergeLines = (formula: Formula): Formula => ({
  ...formula,
  stages: formula.stages.map((stage) => ({
    ...stage,
    lines: stage.lines.reduce<readonly FormulaLine[]>((lines, line) => {
      const same = lines.findIndex(
        (l) => l.ingredientId === line.ingredientId && (l.browned ?? false) === (line.browned ?? false),
      );
      return same === -1
        ? [...lines, line]
        : lines.map((l, i) => (i === same ? { ...l, percent: l.percent + line.percent } : l));
    }, []),
  })),
});

const plainFlour = (formula: Formula, from: string): Swapped => ({
  formula: mergeLines(
    replace(formula, from, (line) =>
      ingredient(from).parts.map(({ ingredientId, share }) => ({
        ingredientId,
        percent: line.percent * share,
      })),
    ),
  ),
  says: `Taken apart into what it is made of: ${ingredient(from).source.replace('made of ', '')}.`,
});

const gasPerG = { soda: 286, powder: 71 } as const;

const sodaToPowder = (formula: Formula): Swapped => {
  const { base, acid } = leaveningOf(formula);
  const met = Math.min(1, base.value > 0 ? acid.value / base.value : 0);
  const soda = percentOf(formula, 'baking-soda');
  const powder = (soda * gasPerG.soda * (1 + met)) / 2 / gasPerG.powder;
  return {
    formula: addTo(
      replace(formula, 'baking-soda', () => []),
      'baking-powder',
      powder,
      'dry',
    ),
    says: `The same gas: ${formatNumber(powder)} % powder. Nothing is left to brown and spread it: paler, cakier.`,
  };
};

const powderToSoda = (formula: Formula): Swapped => {
  const powder = percentOf(formula, 'baking-powder');
  const soda = (powder * gasPerG.powder) / gasPerG.soda;
  const without = replace(formula, 'baking-powder', () => []);
  const withSoda = addTo(without, 'baking-soda', soda, 'dry');
  const total = doughLines(withSoda).reduce((sum, line) => sum + line.percent, 0);
  const left = Math.max(0, leaveningOf(withSoda).left.value - Math.max(0, leaveningOf(without).left.value));
  // mmol per kg of dough into percent of the acid salt.
  const tartar = ((left / 1000) * total) / ingredient('cream-of-tartar').leavening.acidMmolPerG;
  return {
    formula: addTo(withSoda, 'cream-of-tartar', tartar, 'dry'),
    says:
      tartar > 0
        ? `The same gas: ${formatNumber(soda)} % soda, and ${formatNumber(tartar)} % cream of tartar for the acid that the dough lacks. It works at once: bake soon.`
        : `The same gas: ${formatNumber(soda)} % soda; the dough has acid enough. It works at once: bake soon.`,
  };
};

/**
 * One flour of the formula as a blend of two at a wanted protein; flour stays as much as it was.
 * @param proteinPercent protein of the blend, % of flour as is
 * @throws JokulError `out-of-reach` when the two flours do not reach it, `out-of-range`
 */
export const blendFlour = (
  formula: Formula,
  flourId: string,
  blend: readonly [string, string],
  proteinPercent: number,
): Swapped => {
  requireNumber(proteinPercent, 'The protein', 0.1, 90, '%');
  const [a, b] = blend.map((id) => 100 * ingredient(id).composition.protein) as [number, number];
  const share = (proteinPercent - b) / (a - b);
  if (!(share >= 0 && share <= 1))
    throw new JokulError(
      'out-of-reach',
      `${ingredient(blend[0]).name} has ${formatNumber(a)} % and ${ingredient(blend[1]).name} ${formatNumber(b)} % protein: ${formatNumber(proteinPercent)} % is not between them.`,
      'proteinPercent',
    );
  return {
    formula: mergeLines(
      replace(formula, flourId, (line) =>
        [
          { ingredientId: blend[0], percent: line.percent * share },
          { ingredientId: blend[1], percent: line.percent * (1 - share) },
        ].filter(({ percent }) => percent > 1e-9),
      ),
    ),
    says: `${formatNumber(100 * share)} % ${ingredient(blend[0]).name.toLowerCase()} and ${formatNumber(100 * (1 - share))} % ${ingredient(blend[1]).name.toLowerCase()} in place of ${ingredient(flourId).name.toLowerCase()}: ${formatNumber(proteinPercent)} % protein.`,
  };
};

/** Share of an inclusion that is kept back to be pressed in on top: trade practice. */
const keptBack = 0.1;

const keepBack = (formula: Formula, id: string): Swapped => {
  const percent = percentOf(formula, id) * keptBack;
  const at = formula.toppings.findIndex((line) => line.ingredientId === id);
  const toppings =
    at === -1
      ? [...formula.toppings, { ingredientId: id, percent }]
      : formula.toppings.map((line, i) => (i === at ? { ...line, percent: line.percent + percent } : line));
  const less = replace(formula, id, (line) => [{ ...line, percent: line.percent * (1 - keptBack) }]);
  return {
    formula: { ...less, toppings },
    says: `${formatNumber(percent)} % are set aside before folding and pressed in on top; as much as before in and on the pieces. The dough is lighter by it.`,
  };
};

/** The swaps that this formula allows. */
export const swapsFor = (formula: Formula): readonly Swap[] => {
  const swap = (id: string, title: string, possible: boolean, apply: () => Swapped): readonly Swap[] =>
    possible ? [{ id, title, apply }] : [];
  const plainButter = has(formula, 'butter', (line) => !line.browned);
  const egg = has(formula, 'whole-egg');
  return [
    ...swap('to-salted', 'Salted butter for unsalted', plainButter, () =>
      saltButter(formula, 'butter', 'salted-butter'),
    ),
    ...swap('to-unsalted', 'Unsalted butter for salted', has(formula, 'salted-butter'), () =>
      saltButter(formula, 'salted-butter', 'butter'),
    ),
    ...swap('brown-with-water', 'Brown the butter, water given back', plainButter, () =>
      brown(formula, true),
    ),
    ...swap('brown', 'Brown the butter, water not given back', plainButter, () => brown(formula, false)),
    ...otherFats.flatMap((id) =>
      swap(`fat-${id}`, `${ingredient(id).name} for butter`, plainButter, () => forButter(formula, id)),
    ),
    ...swap('egg-yolk', 'Yolk for whole egg', egg, () => forEgg(formula, 'egg-yolk')),
    ...swap('egg-white', 'White for whole egg', egg, () => forEgg(formula, 'egg-white')),
    ...swap('yoghurt', 'Yoghurt for egg', egg, () => forEgg(formula, 'yoghurt')),
    ...swap('whole-milk', 'Milk for egg', egg, () => forEgg(formula, 'whole-milk')),
    ...Object.keys(molassesShare).flatMap((id) =>
      swap(
        `white-${id}`,
        `White sugar and molasses for ${ingredient(id).name.toLowerCase()}`,
        has(formula, id),
        () => whiten(formula, id),
      ),
    ),
    ...['self-raising-flour', 'self-rising-flour'].flatMap((id) =>
      swap(
        `plain-${id}`,
        `Plain flour and powder for ${ingredient(id).name.toLowerCase()}`,
        has(formula, id),
        () => plainFlour(formula, id),
      ),
    ),
    ...swap('soda-to-powder', 'Powder for soda', has(formula, 'baking-soda'), () => sodaToPowder(formula)),
    ...[...new Set(doughLines(formula).map(({ ingredientId }) => ingredientId))]
      .filter((id) => ingredient(id).kind === 'inclusion')
      .flatMap((id) =>
        swap(
          `keep-back-${id}`,
          `A tenth of the ${ingredient(id).name.toLowerCase()} kept back for the top`,
          true,
          () => keepBack(formula, id),
        ),
      ),
    ...swap('powder-to-soda', 'Soda for powder', has(formula, 'baking-powder'), () => powderToSoda(formula)),
  ];
};
