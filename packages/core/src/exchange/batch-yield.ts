import { numericQuantity } from 'numeric-quantity';
import { massUnitsG } from '../quantity/index.js';

/* How many pieces a recipe makes, how wide and how heavy. */

export interface BatchYield {
  readonly pieces?: number;
  readonly diameterMm?: number;
  readonly pieceG?: number;
}

const figure = String.raw`(?:\d+\s+\d+\s*[/⁄]\s*\d+|\d+\s*[/⁄]\s*\d+|\d+(?:[.,]\d+)?\s*[¼-¾⅐-⅞]?|[¼-¾⅐-⅞])`;
const dozens = String.raw`(?:\s*(dozen|doz\.?|dz\.?|dutzend|douzaines?)(?![a-z]))?`;
/** "500 g", "2 trays": a figure of these counts no pieces. */
const notPieces = String.raw`(?!\d|[.,]\d|\s*(?:%|°|(?:g|kg|ml|cl|l|oz|lbs?|grams?|cups?|tbsp|tsp|pounds?|ounces?|minutes?|mins?|hours?|days?|trays?|sheets?|batch(?:es)?|loaves|loaf|logs?|rolls?|cm|mm|inch(?:es)?)(?![a-z])))`;
/** "2 1/2 dozen" is thirty; half a piece is none. */
const whole = String.raw`\d+(?:\s+1\/2(?=\s*do?z)|\s*½(?=\s*do?z))?`;
const count = String.raw`(${whole})(?:\s*(?:-|–|—|to|or|bis|à)\s*(${whole}))?${dozens}${notPieces}`;
const about = String.raw`(?:\s*(?:about|around|approx\.?|approximately|ca\.?|roughly|etwa|environ|~|≈))?`;
const wide = new RegExp(
  String.raw`(${figure})\s*-?\s*(cm|mm|inch(?:es)?|in\b|")\s*-?\s*(?:across|wide|in diameter|round|cookies|biscuits)`,
  'i',
);
const says = new RegExp(
  String.raw`\b(?:makes?|yields?|servings?|ergibt|gibt|donne|pour)\b\s*:?${about}\s*${count}`,
  'i',
);
const counts = new RegExp(String.raw`${count}\s+(?:cookies|biscuits|pieces|kekse|plätzchen|stück)\b`, 'i');
/** "20 x 57 g", "24 at 60 g" */
const weighs = /(\d+)\s*(?:x|×|at|of|à|zu|pieces\s+(?:of|at)|cookies\s+(?:of|at))\s*(\d+(?:[.,]\d+)?)\s*g\b/i;

const numberOf = (text: string) => numericQuantity(text.replace(',', '.').replace(/\s+/g, ' ').trim());

const grams = String.raw`(\d+(?:[.,]\d+)?)\s*-?\s*(?:g|grams?|gramm)\b`;
const ounces = String.raw`(${figure})\s*-?\s*(?:oz\b\.?|ounces?\b)`;
const portion = String.raw`(?:dough\s+)?(?:balls?|portions?|scoops?|pieces?|mounds?|pucks?|rounds?|lumps?|kugeln?|stücke?n?|boules?)\b`;
const roughly = String.raw`(?:\s*[(,:]?\s*(?:of|at|to|weighing|each|about|around|approx\.?|approximately|ca\.?|roughly|je|à|de|d.environ))*\s*[(]?\s*`;
/** "2 oz (57 g) portions", "60 g balls", "1.5 oz scoop" */
const beforePortion = (weight: string) =>
  new RegExp(String.raw`${weight}\s*[)/,]?\s*(?:each\s+)?${portion}`, 'i');
/** "pieces (about 25 g)", "balls of 60 g each" */
const behindPortion = (weight: string) => new RegExp(String.raw`${portion}${roughly}${weight}`, 'i');
const inGrams = [
  beforePortion(grams),
  behindPortion(grams),
  // "57 g/2 oz balls"
  beforePortion(String.raw`${grams}\s*[(/]\s*${ounces}`),
];
const inOunces = [beforePortion(ounces), behindPortion(ounces)];
/** What is chopped or broken up is no dough. */
const noDough = /\b(?:chop|break|chocolate|butter|nuts?|caramels?|toffee)\w*\b/i;

/** The weight that each portion is said to have, g. Grams before ounces. */
const portionG = (text: string): number | undefined => {
  if (noDough.test(text)) return undefined;
  const found = (patterns: readonly RegExp[]) =>
    patterns.map((pattern) => pattern.exec(text)?.[1]).find((weight) => weight !== undefined);
  const said = found(inGrams);
  if (said !== undefined) return Number(said.replace(',', '.'));
  const inOz = found(inOunces);
  return inOz === undefined ? undefined : Math.round(numberOf(inOz) * massUnitsG.oz * 10) / 10;
};

const mmPer: Readonly<Record<string, number>> = { mm: 1, cm: 10 };

/** What a sentence says of it; of a range of pieces the larger end. Numbers in figures. */
export const batchYield = (text: string): BatchYield | undefined => {
  const across = wide.exec(text);
  const diameterMm = across
    ? Math.round(numberOf(across[1] ?? '') * (mmPer[(across[2] ?? '').toLowerCase()] ?? 25.4))
    : undefined;
  // "3 dozen 2 1/2-inch cookies": how wide they are is not how many.
  const words = across ? text.replace(across[0], ' cookies ').replace(/\s+/g, ' ') : text;
  const pieces = says.exec(words) ?? counts.exec(words);
  const weight = weighs.exec(words);
  const byWeight = weight && (pieces || /\b(?:yield|makes?|ergibt|pieces)\b/i.test(words)) ? weight : null;
  const counted = byWeight
    ? Number(byWeight[1])
    : pieces
      ? Math.round(numberOf(pieces[2] ?? pieces[1] ?? '') * (pieces[3] ? 12 : 1))
      : undefined;
  const pieceG = byWeight ? Number((byWeight[2] ?? '').replace(',', '.')) : portionG(words);
  if (counted === undefined && diameterMm === undefined && pieceG === undefined) return undefined;
  return {
    ...(counted !== undefined && { pieces: counted }),
    ...(diameterMm !== undefined && { diameterMm }),
    ...(pieceG !== undefined && { pieceG }),
  };
};
