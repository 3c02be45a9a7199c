import { numericQuantity } from 'numeric-quantity';
import { massUnitsG } from '../quantity/index.js';
import { isAside } from './line-use.js';
import { isNoise } from './match-ingredient.js';
import type { PlainForm } from './plain-form.js';
import { takeAmounts, type WrittenAmount } from './read-amount.js';
import { containers } from './words.js';

export const amountsIn = (text: string): readonly WrittenAmount[] =>
  takeAmounts(text.replace(/^(?:about|approx\.?|approximately|ca\.?|roughly|or|~|≈|=)\s*/i, '').trim())
    .amounts;
const isMass = (amounts: readonly WrittenAmount[]) =>
  amounts.length > 0 && amounts.every(({ unit }) => unit.kind === 'mass');

const isMetric = (amounts: readonly WrittenAmount[]) =>
  isMass(amounts) &&
  amounts.every(({ unit }) => unit.kind === 'mass' && unit.unit !== 'oz' && unit.unit !== 'lb');

const gramsOf = (amounts: readonly WrittenAmount[]) =>
  amounts.reduce(
    (sum, { low, sign, unit }) => sum + low * sign * (unit.kind === 'mass' ? massUnitsG[unit.unit] : 0),
    0,
  );
/** How far two weights of one amount may be apart: 8 oz is written as 225 g, and as 250 g. */
const roundedAway = 0.15;
/** Of grams beside grams nothing is rounded. */
const alikeInOneUnit = 0.005;
/** Whether a second amount says the first once more. Two weights that differ are not one: that is asked about. */
const agree = (one: readonly WrittenAmount[], other: readonly WrittenAmount[]): boolean => {
  if (!other.every(({ unit }) => unit.kind === 'mass' || unit.kind === 'volume')) return false;
  if (!isMass(one) || !isMass(other)) return true;
  const most = isMetric(one) === isMetric(other) ? alikeInOneUnit : roundedAway;
  return Math.abs(gramsOf(one) / gramsOf(other) - 1) < most;
};

/** "2 x", "½ of", "half of" */
const timesOf = (written: string): number => {
  if (/half/i.test(written)) return 0.5;
  if (/quarter/i.test(written)) return 0.25;
  return numericQuantity(written);
};

/** The weight on a container is a weight, also in ounces of something liquid. */
const netWeight = (amount: WrittenAmount): WrittenAmount => {
  if (amount.unit.kind !== 'mass') return amount;
  const grams = massUnitsG[amount.unit.unit];
  return { ...amount, low: amount.low * grams, high: amount.high * grams, unit: { kind: 'mass', unit: 'g' } };
};

/** Amounts at the front, or else at the end: "Flour, 500 g", "Salt 1 tsp". */
const split = (text: string): { amounts: readonly WrittenAmount[]; name: string } => {
  const front = takeAmounts(text);
  // "70 % dark chocolate, 200 g": what is in it stands in front, how much of it behind.
  const share = front.amounts.length > 0 && front.amounts.every(({ unit }) => unit.kind === 'percent');
  if (front.amounts.length > 0 && !share) return { amounts: front.amounts, name: front.rest };
  const words = share ? front.rest : text;
  for (const at of words.matchAll(/[\s:;=,–—-]+(?:[x×]\s*)?(?=[\d¼-¾⅐-⅞])/g)) {
    const back = takeAmounts(words.slice(at.index + at[0].length));
    // "Butter 250 g, soft", "brown sugar 1 cup packed": what follows is said of it.
    const said = /^\s*(?:$|,)/.test(back.rest) || (/^\s*[a-z\s]+$/i.test(back.rest) && isNoise(back.rest));
    // "Butter 8 oz/226 g": the same again, read where it stands in front.
    if (back.amounts.length > 0 && /^\s*[/|=]\s*(?=[\d¼-¾⅐-⅞])/.test(back.rest))
      return { amounts: back.amounts, name: `${back.rest} ${words.slice(0, at.index)}` };
    if (back.amounts.length > 0 && said)
      return { amounts: back.amounts, name: `${words.slice(0, at.index)} ${back.rest}`.replace(' ,', ',') };
  }
  return share ? { amounts: front.amounts, name: front.rest } : { amounts: [], name: text };
};

/** "can of", "jar": what it is sold in, in front of its name. */
export const inContainer = new RegExp(String.raw`^\s*(?:${containers})(?![a-z])\s*(?:of\s+)?`, 'i');

type Amounts = readonly WrittenAmount[];

/** How much a line says there is, and what is left of it: the name, with whatever is said behind it. */
export interface LineAmounts {
  readonly amounts: Amounts;
  /** Grams that it gives itself beside them. */
  readonly given: Amounts;
  readonly times: number;
  readonly name: string;
  /** Whether the weight beside a count of containers may be of each, or of them all. */
  readonly eachOrAll?: true;
}

/** "2 x 250 g", "half of 200 g" */
const multiple = /^(\d+(?:\s*\/\s*\d+)?|[¼-¾⅐-⅞]|half|an?\s+half|an?\s+quarter)\s*(?:[x×*]|\bof\b)\s*(?=\d)/i;

/** "2 cups / 250 g flour", "8 oz 225 g butter", "1 cup = 200 g sugar", "250 g / 9 oz / 2 cups flour": the same again. */
const saidAgain = (
  amounts: Amounts,
  written: string,
): { readonly besides: readonly Amounts[]; readonly name: string } => {
  const besides: Amounts[] = [];
  let name = written;
  const measuredFirst = amounts.length > 0 && amounts.every(({ unit }) => unit.kind !== 'piece');
  while (measuredFirst) {
    const also = takeAmounts(name.replace(/^\s*(?:[/|=–—-]\s*)?(?=[\d¼-¾⅐-⅞])/, ''));
    const agrees = [amounts, ...besides].every((one) => agree(one, also.amounts));
    if (also.amounts.length === 0 || !agrees) break;
    besides.push(also.amounts);
    name = also.rest;
  }
  return { besides, name };
};

/** Parts two amounts: "7 oz/200 g"; between two figures a slash is that of a fraction, "8 1/3 oz". */
const betweenAmounts = /[;|]|(?<!\d)\/|\/(?!\d)|,\s|\bor\b/;

/** The weight that brackets give; of two the metric one. Another choice and what is for the tray are not the amount. */
const weightInside = (inside: readonly string[]): Amounts => {
  const weights = inside
    .filter((aside) => !isAside(aside))
    .flatMap((aside) => aside.split(betweenAmounts).map((part) => amountsIn(part.trim())))
    .filter(isMass);
  return weights.find(isMetric) ?? weights[0] ?? [];
};

/** So many times an amount, from the lowest count to the highest. */
const timesEach = (count: WrittenAmount, each: Amounts): Amounts =>
  each.map((amount) => ({ ...amount, low: amount.low * count.low, high: amount.high * count.high }));

const isOfAll = (aside: string): boolean =>
  /\b(?:total|in all|all together|altogether|together|all told|insgesamt|zusammen|en tout|au total)\b/i.test(
    aside,
  );

/** "1 (14 oz) can", "3 (50 g each)": as many as the count says, each of the weight inside. */
const countedUp = (
  found: LineAmounts,
  { inside, behindCount }: Pick<PlainForm, 'inside' | 'behindCount'>,
): LineAmounts => {
  const [only] = found.amounts;
  // "60 g each" is of one piece.
  const each = inside.find((aside) => /\b(?:each|apiece|je|pro stück|chacun)\b/i.test(aside));
  const eachAmount = each === undefined ? [] : amountsIn(each);
  const container = only?.unit.kind === 'vague' ? null : inContainer.exec(found.name);
  const name = container ? found.name.slice(container[0].length) : found.name;
  if (!only) return { ...found, name };
  if (isMass(eachAmount) && !isMass(found.amounts))
    return { amounts: timesEach(only, eachAmount), given: [], times: found.times, name };
  // "2 (4-ounce) sticks": of each, as of any container.
  const sticks = only.unit.kind === 'stick' && behindCount;
  const vague = sticks || only.unit.kind === 'vague' || (only.unit.kind === 'piece' && container !== null);
  if (vague && isMass(found.given)) {
    const weight = found.given.map(netWeight);
    if (inside.some(isOfAll)) return { amounts: weight, given: [], times: 1, name };
    const one = only.low === 1 && only.high === 1;
    // "3 (100 g) bars" are of 100 g; in "3 bars (300 g)" it may be either.
    return one || behindCount
      ? { amounts: timesEach(only, weight), given: [], times: found.times, name }
      : { amounts: [only], given: weight, times: found.times, name, eachOrAll: true };
  }
  if (vague && container)
    return { ...found, amounts: [{ ...only, unit: { kind: 'vague', name: container[0].trim() } }], name };
  return { ...found, name };
};

/** "flour (2 cups)", "eggs (2)": what the brackets say, where nothing else of the line says how much. */
const amountInside = (inside: readonly string[]): Amounts => {
  const [only = '', ...others] = inside.filter((aside) => !isAside(aside) && /\d|[¼-¾⅐-⅞]/.test(aside));
  const { amounts, rest } = takeAmounts(`${only} `);
  return others.length === 0 && rest.trim() === '' ? amounts : [];
};

/** Takes a line's amounts off it, wherever they stand. */
export const lineAmounts = ({
  bare,
  inside,
  behindCount,
}: Pick<PlainForm, 'bare' | 'inside' | 'behindCount'>): LineAmounts => {
  const factor = multiple.exec(bare);
  const taken = split(factor ? bare.slice(factor[0].length) : bare);
  const { besides, name } = saidAgain(taken.amounts, taken.name);
  // Of two weights the metric one is meant to be weighed: ounces beside it are rounded more.
  const given = besides.find(isMetric) ?? besides.find(isMass) ?? weightInside(inside);
  const shares = taken.amounts.every(({ unit }) => unit.kind === 'percent');
  const amounts =
    isMass(given) && shares ? given : taken.amounts.length === 0 ? amountInside(inside) : taken.amounts;
  return countedUp(
    {
      amounts,
      // What the line weighs itself counts, whatever stands in brackets.
      given: isMass(amounts) ? [] : given,
      times: factor ? timesOf(factor[1] ?? '1') : 1,
      name,
    },
    { inside, behindCount },
  );
};
