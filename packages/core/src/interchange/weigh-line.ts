import { ingredient, type Ingredient } from '../ingredient/index.js';
import { massUnitsG, volumeUnitsMl } from '../quantity/index.js';
import { add, formatNumber, mul, relation, sumFigure, type Figure } from '../shown/index.js';
import type { WrittenAmount } from './read-amount.js';
import { readLine, type WrittenLine } from './read-line.js';
import { fills, specks, unitIn, type Measures } from './words.js';

/** How this kitchen, or the writer of the recipe, fills a cup. A number is grams of one cup. */
export interface CupSchools {
  readonly flour?: 'spooned' | 'dipped' | number;
  readonly 'brown sugar'?: 'packed' | 'loose' | number;
  readonly cocoa?: 'spooned' | 'dipped' | number;
}
export type SchoolName = keyof CupSchools;

export interface ReadSettings {
  readonly measures: Measures;
  readonly schools: CupSchools;
  /** Size of an egg where the recipe names none; left out, it is asked. */
  readonly eggSize?: string;
}

/** What the baker answered about a line. */
export interface LineAnswer {
  readonly ingredientId?: string;
  readonly massG?: number;
  readonly packing?: string;
  readonly size?: string;
  /** The amount to take out of a range, in the unit as written. */
  readonly amount?: number;
  /** Ounces by weight or by volume. */
  readonly ounces?: 'weight' | 'volume';
  readonly leaveOut?: boolean;
}

export interface Choice {
  readonly label: string;
  readonly answer: LineAnswer;
}

/** What has to be asked before a line can be weighed. */
export interface LineQuestion {
  readonly about: 'ingredient' | 'amount' | 'packing' | 'size' | 'ounces';
  readonly sentence: string;
  readonly choices: readonly Choice[];
}

/** A line as read: grams, how they came about, and what is uncertain; or the question that it hangs on. */
export interface ReadResult {
  readonly line: WrittenLine;
  readonly state: 'read' | 'ask' | 'left-out' | 'heading' | 'empty';
  readonly ingredientId?: string;
  readonly mass?: Figure;
  /** How far the grams may be off, when the words leave it open. */
  readonly rangeG?: readonly [number, number];
  readonly packing?: string;
  readonly uncertain: readonly string[];
  readonly question?: LineQuestion;
}

const ofMass = relation({
  name: 'Mass as written',
  symbol: 'm',
  unit: 'g',
  inputs: {
    n: { symbol: 'n', name: 'amount', unit: '', source: 'recipe' },
    u: { symbol: 'u', name: 'grams of the unit', unit: 'g', source: 'definition of the unit' },
  },
  formula: ({ n, u }) => mul(n, u),
  source: 'm = n u',
});
const ofVolume = relation({
  name: 'Mass of a volume',
  symbol: 'm',
  unit: 'g',
  inputs: {
    n: { symbol: 'n', name: 'amount', unit: '', source: 'recipe' },
    v: { symbol: 'v', name: 'volume of one measure', unit: 'mL', source: 'definition of the measure' },
    f: { symbol: 'f', name: 'filling, level = 1', unit: '' },
    rho: { symbol: 'ρ', name: 'bulk density as packed', unit: 'g/mL' },
  },
  formula: ({ n, v, f, rho }) => mul(mul(mul(n, v), f), rho),
  source: 'm = n v f ρ',
});
const ofPieces = relation({
  name: 'Mass of pieces',
  symbol: 'm',
  unit: 'g',
  inputs: {
    n: { symbol: 'n', name: 'amount', unit: '', source: 'recipe' },
    p: { symbol: 'p', name: 'grams of one', unit: 'g' },
  },
  formula: ({ n, p }) => mul(n, p),
  source: 'm = n p',
});
const both = relation({
  name: 'Both amounts',
  symbol: 'm',
  unit: 'g',
  inputs: {
    a: { symbol: 'm₁', name: 'first amount', unit: 'g' },
    b: { symbol: 'm₂', name: 'second amount', unit: 'g' },
  },
  formula: ({ a, b }) => add(a, b),
  source: 'm = m₁ + m₂',
});

/** Packings of one ingredient that differ by more than this are asked about, g/g. */
const tellApart = 0.1;

const schoolOf = ({ id, kind, densityGPerMl }: Ingredient): SchoolName | null => {
  if (id === 'cocoa-powder' || id === 'dutch-cocoa') return 'cocoa';
  if (kind === 'sugar' && 'packed' in densityGPerMl) return 'brown sugar';
  return kind === 'flour' && 'spooned' in densityGPerMl ? 'flour' : null;
};

interface Packed {
  readonly packing: string;
  readonly rho: number;
  readonly source: string;
  readonly uncertain?: string;
}

const cupMl = (measures: Measures) => volumeUnitsMl[unitIn('cup', measures)];

const packed = (
  food: Ingredient,
  line: WrittenLine,
  answer: LineAnswer,
  settings: ReadSettings,
): Packed | LineQuestion => {
  const all = Object.entries(food.densityGPerMl);
  const of = (packing: string): Packed => ({
    packing,
    rho: food.densityGPerMl[packing] ?? Number.NaN,
    source: `${food.name}, ${packing}: ${food.source}`,
  });
  if (answer.packing !== undefined && answer.packing in food.densityGPerMl) return of(answer.packing);
  const said = line.packings.find((packing) => packing in food.densityGPerMl);
  if (said) return of(said);
  const school = schoolOf(food);
  const chosen = school ? settings.schools[school] : undefined;
  if (typeof chosen === 'number')
    return {
      packing: 'own',
      rho: chosen / cupMl(settings.measures),
      source: `own cup of ${formatNumber(chosen)} g`,
    };
  if (chosen !== undefined && chosen in food.densityGPerMl) return of(chosen);
  const [first, second] = all;
  if (!first) return { packing: '', rho: Number.NaN, source: '' };
  const densities = all.map(([, rho]) => rho);
  if (second && Math.max(...densities) / Math.min(...densities) - 1 > tellApart)
    return {
      about: 'packing',
      sentence: `How was the ${food.name.toLowerCase()} measured? It matters: ${all.map(([name, rho]) => `a cup ${name} is ${formatNumber(rho * cupMl(settings.measures))} g`).join(', ')}.`,
      choices: all.map(([packing, rho]) => ({
        label: `${packing}, ${Math.round(rho * cupMl(settings.measures))} g a cup`,
        answer: { packing },
      })),
    };
  return { ...of(first[0]), ...(second && { uncertain: `taken as ${first[0]}` }) };
};

interface Weighed {
  readonly figure: Figure;
  readonly range: readonly [number, number];
  readonly packing?: string;
  readonly uncertain: readonly string[];
}

/** A size as people write it: `eu-m` is "EU M". */
export const sayPiece = (size: string): string =>
  size.startsWith('eu-') ? `EU ${size.slice(3).toUpperCase()}` : size;

const sizeChoices = (food: Ingredient): readonly Choice[] =>
  Object.entries(food.pieceG).map(([size, grams]) => ({
    label: `${sayPiece(size)}, ${grams} g`,
    answer: { size },
  }));

const pieceOf = (
  food: Ingredient,
  line: WrittenLine,
  answer: LineAnswer,
  settings: ReadSettings,
): { size: string; grams: number; said: boolean } | LineQuestion => {
  const sizes = Object.keys(food.pieceG);
  const wanted = [answer.size, line.size, food.kind === 'egg' ? settings.eggSize : undefined].find(
    (size) => size !== undefined && size in food.pieceG,
  );
  const size = wanted ?? (sizes.length === 1 ? sizes[0] : undefined);
  if (size !== undefined)
    return {
      size,
      grams: food.pieceG[size] ?? Number.NaN,
      said: wanted === answer.size || wanted === line.size,
    };
  if (sizes.length > 1)
    return {
      about: 'size',
      sentence: `Which size of ${food.name.toLowerCase()}?`,
      choices: sizeChoices(food),
    };
  return {
    about: 'amount',
    sentence: `How many grams is one ${food.name.toLowerCase()}, or the whole amount? Pieces of it have no set weight.`,
    choices: [],
  };
};

const isQuestion = (x: object): x is LineQuestion => 'about' in x;

const sized = (figure: Figure, range: readonly [number, number] = [1, 1]) =>
  [figure.value * range[0], figure.value * range[1]] as const;

/** Grams of one amount of a known ingredient, or what has to be asked. */
const weighAmount = (
  amount: WrittenAmount,
  food: Ingredient,
  line: WrittenLine,
  answer: LineAnswer,
  settings: ReadSettings,
): Weighed | LineQuestion => {
  const n = amount.low * line.times * amount.sign;
  const { unit } = amount;
  switch (unit.kind) {
    case 'mass': {
      const byVolume = unit.unit === 'oz' && (food.kind === 'liquid' || food.kind === 'syrup');
      if (byVolume && answer.ounces === undefined && line.given.length === 0 && line.amounts.length === 1) {
        const rho = Object.values(food.densityGPerMl)[0] ?? 1;
        return {
          about: 'ounces',
          sentence: `Ounces of ${food.name.toLowerCase()} by weight, or fluid ounces?`,
          choices: [
            { label: `by weight, ${formatNumber(n * massUnitsG.oz)} g`, answer: { ounces: 'weight' } },
            { label: `fluid, ${formatNumber(n * volumeUnitsMl.floz * rho)} g`, answer: { ounces: 'volume' } },
          ],
        };
      }
      if (byVolume && answer.ounces === 'volume')
        return weighAmount(
          { ...amount, unit: { kind: 'volume', unit: 'floz' } },
          food,
          line,
          answer,
          settings,
        );
      const figure = ofMass({ n, u: massUnitsG[unit.unit] });
      return { figure, range: sized(figure), uncertain: [] };
    }
    case 'percent': {
      const figure = ofMass({ n, u: { value: 10, source: 'per kilogram of flour' } });
      return { figure, range: sized(figure), uncertain: ["baker's percent, for 1 kg of flour"] };
    }
    case 'volume':
    case 'speck': {
      const fit = packed(food, line, answer, settings);
      if (isQuestion(fit)) return fit;
      const fill = amount.fill ? fills[amount.fill] : undefined;
      const speck = unit.kind === 'speck' ? specks[unit.name] : undefined;
      const ml =
        unit.kind === 'speck'
          ? specks[unit.name].tsp * volumeUnitsMl.tsp
          : volumeUnitsMl[unitIn(unit.unit, settings.measures)];
      const figure = ofVolume({
        n,
        v: ml,
        f: { value: fill?.factor ?? 1, source: amount.fill ? `${amount.fill}: typical` : 'level' },
        rho: { value: fit.rho, source: fit.source },
      });
      const loose = fill
        ? ([fill.range[0] / fill.factor, fill.range[1] / fill.factor] as const)
        : (speck?.range ?? ([1, 1] as const));
      return {
        figure,
        range: sized(figure, [loose[0], loose[1]]),
        packing: fit.packing,
        uncertain: [
          ...(fit.uncertain ? [fit.uncertain] : []),
          ...(fill || speck
            ? [`a ${amount.fill ?? (unit.kind === 'speck' ? unit.name : '')} measure is uncertain`]
            : []),
        ],
      };
    }
    case 'stick': {
      const grams = food.pieceG.stick;
      if (grams === undefined)
        return {
          about: 'amount',
          sentence: `How many grams of ${food.name.toLowerCase()}? A stick is a measure of butter.`,
          choices: [],
        };
      const figure = ofPieces({ n, p: { value: grams, source: 'a US stick: ¼ lb of butter' } });
      return { figure, range: sized(figure), uncertain: [] };
    }
    case 'piece': {
      const piece = pieceOf(food, line, answer, settings);
      if (isQuestion(piece)) return piece;
      const figure = ofPieces({
        n,
        p: { value: piece.grams, source: `${food.name}, ${piece.size}: typical` },
      });
      return {
        figure,
        range: sized(figure, piece.said ? [1, 1] : [0.9, 1.1]),
        uncertain: piece.said ? [] : [`one ${sayPiece(piece.size)} taken as ${piece.grams} g`],
      };
    }
    default:
      return {
        about: 'amount',
        sentence: `How many grams of ${food.name.toLowerCase()}? "${unit.name}" is no measure.`,
        choices: [],
      };
  }
};

const leaveOut: Choice = { label: 'No ingredient: leave it out', answer: { leaveOut: true } };

const ask = (line: WrittenLine, question: LineQuestion, known: Partial<ReadResult> = {}): ReadResult => ({
  line,
  state: 'ask',
  uncertain: line.notes,
  ...known,
  question,
});

const askIngredient = (line: WrittenLine): ReadResult => {
  const named = line.name || line.text.trim();
  const offered = line.ids.length > 1 ? line.ids : [...new Set([...line.ids, ...line.likely])];
  return ask(line, {
    about: 'ingredient',
    sentence:
      line.ids.length > 1
        ? `Which is meant by "${named}"?`
        : line.ids.length === 1
          ? `Is "${named}" ${ingredient(line.ids[0] ?? '').name.toLowerCase()}? "${line.left.join(' ')}" is not known.`
          : `What is "${named}"? It is not in the library by that name.`,
    choices: [
      ...offered.map((id) => ({ label: ingredient(id).name, answer: { ingredientId: id } })),
      leaveOut,
    ],
  });
};

const addUp = (parts: readonly Weighed[]): Figure | null =>
  parts
    .map(({ figure }) => figure)
    .reduce<Figure | null>((sum, figure) => (sum ? both({ a: sum, b: figure }) : figure), null);

/**
 * The grams of a line, or the one question that it hangs on. Nothing is guessed without saying so: what is taken for
 * granted stands in `uncertain`.
 */
export const weighLine = (line: WrittenLine, settings: ReadSettings, answer: LineAnswer = {}): ReadResult => {
  if (line.kind !== 'ingredient') return { line, state: line.kind, uncertain: [] };
  if (answer.leaveOut) return { line, state: 'left-out', uncertain: [] };
  const id =
    answer.ingredientId ?? (line.ids.length === 1 && line.left.length === 0 ? line.ids[0] : undefined);
  if (id === undefined) return askIngredient(line);
  const food = ingredient(id);
  const known = { ingredientId: id };
  if (answer.massG !== undefined) {
    const mass = ofMass({ n: answer.massG, u: { value: 1, source: 'entered by the baker' } });
    return { line, state: 'read', ...known, mass, uncertain: line.notes };
  }
  if (line.amounts.length === 0)
    return ask(
      line,
      {
        about: 'amount',
        sentence: `How many grams of ${food.name.toLowerCase()}? The recipe does not say.`,
        choices: [leaveOut],
      },
      known,
    );
  const open = line.amounts.find(({ low, high }) => low !== high);
  if (open && answer.amount === undefined)
    return ask(
      line,
      {
        about: 'amount',
        sentence: `${formatNumber(open.low)} or ${formatNumber(open.high)}: how much is it to be?`,
        choices: [...new Set([open.low, (open.low + open.high) / 2, open.high])].map((amount) => ({
          label: formatNumber(amount),
          answer: { amount },
        })),
      },
      known,
    );
  const amounts = line.amounts.map((amount) =>
    amount === open && answer.amount !== undefined
      ? { ...amount, low: answer.amount, high: answer.amount }
      : amount,
  );
  const weighed = amounts.map((amount) => weighAmount(amount, food, line, answer, settings));
  const parts = weighed.filter((part): part is Weighed => !isQuestion(part));
  const estimate = parts.length === weighed.length ? addUp(parts) : null;
  if (line.given.length > 0) {
    const mass = sumFigure({
      name: 'Grams given in the recipe',
      symbol: 'm',
      unit: 'g',
      terms: line.given.map(({ low, unit }) => ({
        symbol: 'm',
        name: 'as written beside the measure',
        value: low * (unit.kind === 'mass' ? massUnitsG[unit.unit] : Number.NaN),
        unit: 'g' as const,
        source: 'recipe',
      })),
      source: 'the weight in the recipe counts before its measure',
    });
    const off = estimate ? mass.value / estimate.value - 1 : 0;
    return {
      line,
      state: 'read',
      ...known,
      mass,
      uncertain: [
        ...line.notes,
        ...(Math.abs(off) > 0.2
          ? [`the weight and the measure of the recipe are ${formatNumber(Math.abs(off) * 100)} % apart`]
          : []),
      ],
    };
  }
  const question = weighed.find(isQuestion);
  if (question) return ask(line, question, known);
  if (!estimate || !(estimate.value > 0))
    return ask(
      line,
      { about: 'amount', sentence: `How many grams of ${food.name.toLowerCase()}?`, choices: [] },
      known,
    );
  const low = parts.reduce((sum, part) => sum + part.range[0], 0);
  const high = parts.reduce((sum, part) => sum + part.range[1], 0);
  const packing = parts.find((part) => part.packing)?.packing;
  return {
    line,
    state: 'read',
    ...known,
    mass: estimate,
    ...(high > low * 1.0001 && { rangeG: [low, high] as const }),
    ...(packing && { packing }),
    uncertain: [...line.notes, ...new Set(parts.flatMap((part) => part.uncertain))],
  };
};

/** All lines of a pasted text, each with its answer if it has one. Percent and grams are not mixed silently. */
export const readRecipe = (
  text: string,
  settings: ReadSettings,
  answers: Readonly<Record<number, LineAnswer>> = {},
): readonly ReadResult[] => {
  const lines = text.split(/\r?\n/).map(readLine);
  const inPercent = (line: WrittenLine) => line.amounts.some(({ unit }) => unit.kind === 'percent');
  const mixed = lines.some(inPercent) && lines.some((line) => line.amounts.length > 0 && !inPercent(line));
  return lines.map((line, i) => {
    const result = weighLine(line, settings, answers[i]);
    if (!mixed || !inPercent(line) || result.state !== 'read' || answers[i]?.massG !== undefined)
      return result;
    return ask(
      line,
      {
        about: 'amount',
        sentence: 'Percent among weights: how many grams is this line?',
        choices: [],
      },
      { ...(result.ingredientId && { ingredientId: result.ingredientId }) },
    );
  });
};
