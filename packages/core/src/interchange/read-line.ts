import { numericQuantity } from 'numeric-quantity';
import { readyIn, type ReadyWay } from '../formula/index.js';
import { ingredient } from '../ingredient/index.js';
import { isNoise, likely, matchIngredient, wordsOf, type Match } from './match-ingredient.js';
import { massUnitsG } from '../quantity/index.js';
import { takeAmounts, type WrittenAmount } from './read-amount.js';
import { containers } from './words.js';

/** A line of a written recipe, taken apart but not yet weighed. */
export interface WrittenLine {
  readonly text: string;
  readonly kind: 'ingredient' | 'heading' | 'empty';
  readonly amounts: readonly WrittenAmount[];
  /** Grams that the recipe gives itself, beside cups or pieces: "1 cup (125 g)". */
  readonly given: readonly WrittenAmount[];
  /** "2 x 100 g": 2. */
  readonly times: number;
  readonly name: string;
  /** What it may be: one id is known, several are to be asked about. */
  readonly ids: readonly string[];
  /** Words of the name that nothing in the library accounts for. */
  readonly left: readonly string[];
  /** Packings that the words name, in the order of the library's names for them. */
  readonly packings: readonly string[];
  readonly size?: string;
  readonly browned: boolean;
  /** What is done to it before it is weighed. */
  readonly ready: readonly ReadyWay[];
  readonly topping: boolean;
  /** It is for the tray or the bench, and no part of what is eaten: "butter, for greasing". */
  readonly bench: boolean;
  /** What the reader should know besides: "more for rolling is not counted". */
  readonly notes: readonly string[];
  /** Likely ingredients for a name that is not known. */
  readonly likely: readonly string[];
}

const bullets = /^\s*(?:[-*•▪◦‣☐□·]\s+|\d{1,2}[.)]\s+(?=\S))/;
const sizes = /\b(extra[- ]large|jumbo|large|medium|small)\b/i;
const packingWords: readonly (readonly [RegExp, string])[] = [
  [/\bpacked\b/i, 'packed'],
  [/\bloose(?:ly)?\b/i, 'loose'],
  [/\bspooned\b/i, 'spooned'],
  [/\b(?:dipped|scooped)\b/i, 'dipped'],
  // Sifted before the name is how it was measured; after it, what is done to it later.
  [/\b(?:sifted|sieved)\s+[a-z]/i, 'sifted'],
  [/\bmelted\b/i, 'melted'],
  [/\bchopped\b/i, 'chopped'],
  [/\bchips?\b/i, 'chips'],
  [/\bcrushed\b/i, 'crushed'],
  [/\bground\b/i, 'ground'],
];

/** "Optional: 1 cup pecans", "plus 2 tbsp sugar", "another 50 g": what joins the line to the one before. */
const joining =
  /^(?:(?:\(?optional\)?|plus|and|also|another|\+|&)\s*[:,–—-]?\s+)+(?=[\d¼-¾⅐-⅞]|an?\s|one\s|two\s|three\s|half\s)/i;

const cleaned = (line: string): string =>
  line
    .replace(bullets, '')
    .replace(/\s+/g, ' ')
    .replace(/[“”]/g, '"')
    .trim()
    .replace(joining, '')
    // "Flour ........ 500 g"
    .replace(/\s*\.{3,}\s*|\s*…+\s*/g, ' ')
    .replace(
      /^(?:an?\s+)?(\d[\d.,/⁄]*|[¼-¾⅐-⅞]|half)-(?=(?:cups?|tsp|tbsp|teaspoons?|tablespoons?|sticks?)\b)/i,
      '$1 ',
    )
    .replace(/\bchoc\b\.?/gi, 'chocolate')
    .replace(/^(pinch|dash|smidgen)\s/i, '1 $1 ')
    .replace(/^(?:anything\s+)?between\s+(\S+)\s+and\s+(?=[\d¼-¾⅐-⅞])/i, '$1 to ');

/** "2 eggs, about 110 g without shells", "1 cup sugar, 200 g": the weight beside the count, as in brackets. */
const weightBehind = (text: string): string =>
  /^(?:[\d¼-¾⅐-⅞](?![\d.,]*\s*%)|an?\s|one\s|two\s|three\s)/i.test(text)
    ? text.replace(
        /(?:\s*[,=@]\s*|\s+at\s+)(\d[\d.,]*\s*(?:g|kg|oz|ml)\b)\s*((?:each|apiece|in total|total|all told|net|weighed|shelled|without (?:the )?shells?|out of (?:the )?shells?)?)\s*$/i,
        ' ($1 $2)',
      )
    : text;

/** "zest of 1 lemon", "juice of half a lime" with the fruit as the measure. */
const fruitFirst = (text: string): string =>
  text
    .replace(
      /^(?:(?:finely|freshly)?\s*(?:grated|squeezed)?\s*)?(zest|juice|rind)\s+(?:of|from)\s+(.+?)\s*(lemons?|limes?|oranges?)\b/i,
      (_, what: string, amount: string, fruit: string) =>
        `${amount} ${fruit} ${what.replace(/rind/i, 'zest')}`,
    )
    .replace(/\b(lemons?|limes?|oranges?),\s*(zest|juice)e?d\b/i, '$1 $2')
    .replace(/^(?:the\s+)?seeds?\s+(?:of|from)\s+(.*\bvanilla\s+(?:pods?|beans?))/i, '$1');

const amountsIn = (text: string): readonly WrittenAmount[] =>
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
/** Whether a second amount says the first once more. Two weights that differ are not one: that is asked about. */
const agree = (one: readonly WrittenAmount[], other: readonly WrittenAmount[]): boolean =>
  other.every(({ unit }) => unit.kind === 'mass' || unit.kind === 'volume') &&
  (!isMass(one) || !isMass(other) || Math.abs(gramsOf(one) / gramsOf(other) - 1) < roundedAway);

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

const empty = (text: string, kind: WrittenLine['kind']): WrittenLine => ({
  text,
  kind,
  amounts: [],
  given: [],
  times: 1,
  name: text,
  ids: [],
  left: [],
  packings: [],
  browned: false,
  ready: [],
  topping: false,
  bench: false,
  notes: [],
  likely: [],
});

/** Amounts at the front, or else at the end: "Flour, 500 g", "Salt 1 tsp". */
/** What is for the tray or the bench is no part of the recipe. */
const notCounted =
  /\b(?:for|to)\s+(?:the\s+)?(?:trays?|tins?|pans?|bench|dust\w*|greas\w*|roll\w*|sprinkl\w*|work\s*surface)\b/i;

const onTray =
  /\b(?:for|to)\s+(?:the\s+)?(?:greas\w*|(?:(?:dust|lin|brush|greas)\w*\s+)?(?:the\s+)?(?:baking\s+)?(?:trays?|tins?|pans?|sheets?|bench|board|work\s*surface|counter))\b/i;
/** Flour that is dusted or rolled in keeps dough from sticking; sugar is eaten. */
const isFloury = (id: string): boolean => ingredient(id).kind === 'flour' || /flour|starch/.test(id);

/** What goes onto the pieces, said behind the name or, by itself, in brackets: "(for rolling)". */
const onTop =
  /\b(?:for|to)\s+(?:the\s+)?(?:roll(?:ing)?|dust(?:ing)?|sprinkl(?:e|ing)|top(?:ping)?|garnish|coat(?:ing)?|finish(?:ing)?|decorat\w*|brush(?:ing)?|glaz(?:e|ing))\b/i;
const onTopWhole = new RegExp(String.raw`^\s*${onTop.source}[a-z\s]*$`, 'i');

const split = (text: string): { amounts: readonly WrittenAmount[]; name: string } => {
  const front = takeAmounts(text);
  // "70 % dark chocolate, 200 g": what is in it stands in front, how much of it behind.
  const share = front.amounts.length > 0 && front.amounts.every(({ unit }) => unit.kind === 'percent');
  if (front.amounts.length > 0 && !share) return { amounts: front.amounts, name: front.rest };
  const words = share ? front.rest : text;
  for (const at of words.matchAll(/[\s:;=,–—-]+(?=[\d¼-¾⅐-⅞])/g)) {
    const back = takeAmounts(words.slice(at.index + at[0].length));
    // "Butter 250 g, soft", "brown sugar 1 cup packed": what follows is said of it.
    const said = /^\s*(?:$|,)/.test(back.rest) || (/^\s*[a-z\s]+$/i.test(back.rest) && isNoise(back.rest));
    if (back.amounts.length > 0 && said)
      return { amounts: back.amounts, name: `${words.slice(0, at.index)} ${back.rest}`.replace(' ,', ',') };
  }
  return share ? { amounts: front.amounts, name: front.rest } : { amounts: [], name: text };
};

/** "butter or margarine": what each of the two is. Same ingredient twice is no choice. */
const eitherOr = (head: string): readonly string[] | null => {
  const sides = head.split(/\s+or\s+/i);
  if (sides.length < 2) return null;
  const ids = sides.map((side) => matchIngredient(side).ids);
  return ids.every((side) => side.length > 0) ? [...new Set(ids.flat())] : null;
};

const meaningful = (text: string) => wordsOf(text).filter((word) => matchIngredient(word).left.length > 0);

/**
 * The name before the comma; with what is behind it put in front ("sugar, brown") when that means something. Words
 * behind the comma that mean nothing here are handed back, to be said.
 */
const matchName = (head: string, tail: string): Match & { readonly unread?: string } => {
  const choice = eitherOr(head);
  if (choice) return { ids: choice, left: [] };
  const plain = matchIngredient(head);
  if (tail === '') return plain;
  const whole = matchIngredient(`${head} ${tail}`);
  if (whole.ids.length === 1 && whole.left.length === 0) return whole;
  // "(dark brown, packed)": what only says how it is prepared does not stand between the words of a name.
  const telling = tail
    .split(/\s+/)
    .filter((word) => !isNoise(word))
    .join(' ');
  const turned = matchIngredient(`${telling} ${head}`);
  // "Brown sugar (dark)": of two that it may be, one.
  const settled = plain.ids.length > 1 && turned.ids.length === 1 && turned.left.length === 0;
  const said = settled || turned.ids.some((id) => !plain.ids.includes(id));
  if (said && turned.left.length <= plain.left.length) return turned;
  const unread = meaningful(tail);
  return { ...plain, ...(unread.length > 0 && { unread: unread.join(' ') }) };
};

/** A line that is about eggs, and the letter of their size: "Größe M", "size L", "taille M", "(M)". */
const eggOf = /^.*(?:\b(?:eggs?|ei|eier|eigelbe?|eiwei(?:ß|ss)e?|oeufs?|yolks?)\b|œufs?\b).*$/i;
const lettered =
  /[([]?,?\s*\b(?:size|größe|grösse|groesse|gr\.?|gewichtsklasse|klasse|taille|calibre)\s*(s|m|l|xl)\b[)\]]?|\((s|m|l|xl)\)/i;

/** Chocolate of so much cocoa is a dark one, %. */
const darkFrom = 55;
/** "chocolate (70 %)": how much cocoa there is tells which chocolate it is. */
const withCocoa = (text: string): string => {
  const share = /(\d{2})\s*%/.exec(text)?.[1];
  if (share === undefined || !/\bchocolate\b/i.test(text) || /\b(?:milk|white|dark|ruby)\b/i.test(text))
    return text;
  return Number(share) >= darkFrom ? text.replace(/\bchocolate\b/i, 'dark chocolate') : text;
};

/** "1 12 oz bag", "one 8-oz brick", "½ of a 14 oz can" */
const packaged = new RegExp(
  String.raw`^(\d+(?:\s*\/\s*\d+)?|[¼-¾⅐-⅞]|an?|one|two|three|four)\s+(?:of\s+)?(?:an?\s+)?(\d+(?:[.,]\d+)?)\s*(oz\.?|ounces?|g|grams?|lb|pounds?|kg|ml)\s+(${containers})(?![a-z])`,
  'i',
);
const inContainer = new RegExp(String.raw`^\s*(?:${containers})(?![a-z])\s*(?:of\s+)?`, 'i');

/** Figures that say of what part, or what becomes of it, are no further amount. */
const explained =
  /\b(?:of which|of it|thereof|davon|dont|to|after|from|into|for|plus|each|size|at|about)\s+(?:\S+\s+)?$/i;
/** An amount, a share of the flour beside another, or a bare figure in front, that is left in the name; null where there is none. */
const looseFigure = (name: string): string | null => {
  const [front] = /^\s*\d[\d.,]*/.exec(name) ?? [];
  if (front !== undefined) return front.trim();
  for (const found of name.matchAll(/\d[\d.,]*\s*(?:(?:g|kg|ml|oz|lbs?|cups?|tbsp|tsp)\b|%)/gi))
    if (!explained.test(name.slice(0, found.index))) return found[0];
  return null;
};

/** Reads one line of a recipe: amounts, unit, ingredient, and what is said about them. Never throws. */
export const readLine = (raw: string): WrittenLine => {
  const text = withCocoa(weightBehind(cleaned(raw)));
  if (text === '') return empty(raw, 'empty');
  // "One 12-ounce package" and "2 L eggs" in the form that is read below.
  const unhyphened = text
    .replace(/(\d)\s*-\s*(oz|ounces?|g|grams?|lb|pounds?|kg|ml)\b/gi, '$1 $2')
    .replace(packaged, '$1 ($2 $3) $4')
    .replace(/^(\d+)\s+(S|M|L|XL)\s+(eggs?\b)/, '$1 eu-$2 $3')
    .replace(eggOf, (line) => line.replace(lettered, ' eu-$1$2 '));
  const euSize = /\beu-(s|m|l|xl)\b/i.exec(unhyphened)?.[1]?.toLowerCase();
  const readable = unhyphened.replace(/\s*\beu-(?:s|m|l|xl)\b\s*/i, ' ').trim();
  const inside = [...readable.matchAll(/[([]([^)\]]*)[)\]]/g)].map((m) => m[1] ?? '');
  let bare = fruitFirst(
    readable
      .replace(/[([][^)\]]*[)\]]/g, ' ')
      .replace(/\s+/g, ' ')
      .trim(),
  );
  // "2 x 250 g", "half of 200 g"
  const multiple =
    /^(\d+(?:\s*\/\s*\d+)?|[¼-¾⅐-⅞]|half|an?\s+half|an?\s+quarter)\s*(?:[x×*]|\bof\b)\s*(?=\d)/i.exec(bare);
  if (multiple) bare = bare.slice(multiple[0].length);
  let { amounts, name } = split(bare);
  // "2 cups / 250 g flour", "8 oz 225 g butter", "1 cup = 200 g sugar", "250 g / 9 oz / 2 cups flour"
  const measuredFirst = amounts.length > 0 && amounts.every(({ unit }) => unit.kind !== 'piece');
  const besides: (readonly WrittenAmount[])[] = [];
  while (measuredFirst) {
    const also = takeAmounts(name.replace(/^\s*(?:[/|=–—-]\s*)?(?=[\d¼-¾⅐-⅞])/, ''));
    const agrees = [amounts, ...besides].every((one) => agree(one, also.amounts));
    if (also.amounts.length === 0 || !agrees) break;
    besides.push(also.amounts);
    name = also.rest;
  }
  // In brackets: another choice and what is for the tray are not the amount; "60 g each" is of one piece.
  const asides = inside.filter(
    (aside) => /^\s*(?:or|oder|ou)\b/i.test(aside) || (notCounted.test(aside) && !onTopWhole.test(aside)),
  );
  const each = inside.find((aside) => /\b(?:each|apiece|je|pro stück|chacun)\b/i.test(aside));
  const eachAmount = each === undefined ? [] : amountsIn(each);
  const weightsInside = inside
    .filter((aside) => !asides.includes(aside))
    .flatMap((aside) => aside.split(/[;/|]|,\s|\bor\b/).map((part) => amountsIn(part.trim())))
    .filter(isMass);
  const amountInside = weightsInside.find(isMetric) ?? weightsInside[0] ?? [];
  // Of two weights the metric one is meant to be weighed: ounces beside it are rounded more.
  let given = besides.find(isMetric) ?? besides.find(isMass) ?? amountInside;
  if (isMass(given) && amounts.every(({ unit }) => unit.kind === 'percent')) amounts = given;
  // What the line weighs itself counts, whatever stands in brackets.
  if (isMass(amounts)) given = [];
  let times = multiple ? timesOf(multiple[1] ?? '1') : 1;
  // "1 (14 oz) can": as many as the count says, each of the weight inside.
  const [only] = amounts;
  const container = only?.unit.kind === 'vague' ? null : inContainer.exec(name);
  if (isMass(eachAmount) && only && !isMass(amounts)) {
    times *= only.low;
    amounts = eachAmount;
    given = [];
  }
  const vague =
    only !== undefined &&
    amounts.includes(only) &&
    (only.unit.kind === 'vague' || (only.unit.kind === 'piece' && container !== null));
  if (vague && isMass(given)) {
    times *= only.low;
    amounts = given.map((inside) => netWeight(inside));
    given = [];
  } else if (vague && container) amounts = [{ ...only, unit: { kind: 'vague', name: container[0].trim() } }];
  if (container) name = name.slice(container[0].length);

  // A spoon of ginger is of the ground one.
  if (amounts.some(({ unit }) => unit.kind === 'volume' && /tsp|tbsp/.test(unit.unit)))
    name = name.replace(/^\s*ginger\s*$/i, 'ground ginger');
  // How much fat or cocoa is in it is no part of its name.
  if (!amounts.some(({ unit }) => unit.kind === 'percent')) name = name.replace(/\d+(?:[.,]\d+)?\s*%/g, ' ');

  const notes: string[] = asides.map((aside) => `"${aside.trim()}" is not counted`);
  const more =
    /(?:\b(?:plus|and|with)\s|[+&,;]\s*)\s*(?:some\s+|a\s+little\s+|a\s+bit\s+)?(?:more|extra|additional)\b.*$/i.exec(
      name,
    ) ??
    // "plus 20 g for dusting" is for the bench, the rest is not.
    /(?:\b(?:plus|and)\s|[+&]\s*)[^,]*\bfor\s+(?:the\s+)?(?:dust|roll|work|bench|grea|tin|tray|pan|sprinkl)\w*.*$/i.exec(
      name,
    );
  if (more) {
    notes.push(`"${more[0].trim()}" is not counted`);
    name = name.slice(0, more.index);
  }
  if (/\boptional\b/i.test(raw)) notes.push('optional; it is kept in');
  if (/\bdivided\b/i.test(text)) notes.push('goes in in parts');
  const dusted = /\b(?:for|to)\s+(?:the\s+)?(?:dust|roll)\w*\b/i.test(name);
  const forTray = onTray.test(name);
  const forTop = onTop.test(name) || inside.some((aside) => onTopWhole.test(aside));
  name = name
    .replace(
      /\b(?:for|to)\s+(?:the\s+)?(?:roll|dust|sprinkl|top|garnish|coat|finish|taste|decorat|serv|greas|brush|glaz).*$/i,
      '',
    )
    .trim();
  const [head = '', ...tails] = name.split(/,|;|\s+[–—-]\s+/);
  // Words in brackets say what it is: "(salted)", "(dark brown, packed)".
  const described = inside.filter(
    (aside) =>
      !asides.includes(aside) &&
      amountsIn(aside).length === 0 &&
      !/\d/.test(aside) &&
      !onTopWhole.test(aside),
  );
  const tail = [...tails, ...described].join(' ').replace(/[,;]/g, ' ').trim();
  // "butter, browned" is weighed before browning; "browned butter" is the finished one.
  const browned = /\bbrowned\b/i.test(tail) && /\bbutter\b/i.test(head);
  const matched = matchName(head.trim(), tail.replace(/\bbrowned\b/i, ''));
  const { ids, unread } = matched;
  // A figure that no reading accounts for is asked about, whatever else of the line is clear.
  const loose = looseFigure(name);
  const left = loose === null ? matched.left : [...matched.left, loose];
  if (unread) notes.push(`"${unread}" is not read`);

  if (
    amounts.length === 0 &&
    (text.endsWith(':') || /^(?:for the|ingredients|dough|method|topping)\b/i.test(text))
  )
    return empty(raw, 'heading');
  const said = sizes.exec(text)?.[1]?.toLowerCase().replace(' ', '-');
  const size = euSize ? `eu-${euSize}` : said;
  return {
    text: raw,
    kind: 'ingredient',
    amounts,
    given,
    times,
    name: name.trim(),
    ids,
    left,
    packings: packingWords.filter(([word]) => word.test(text)).map(([, packing]) => packing),
    ...(size && { size }),
    browned,
    ready: readyIn(text),
    topping: forTop && !forTray && !(dusted && ids.some(isFloury)),
    bench: forTray || (dusted && ids.some(isFloury)),
    notes,
    likely: ids.length === 0 || left.length > 0 ? likely(wordsOf(name).join(' ')) : [],
  };
};
