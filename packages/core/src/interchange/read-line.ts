import { isNoise, likely, matchIngredient, wordsOf, type Match } from './match-ingredient.js';
import { massUnitsG } from '../quantity/index.js';
import { takeAmounts, type WrittenAmount } from './read-amount.js';

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
  readonly topping: boolean;
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

const cleaned = (line: string): string =>
  line.replace(bullets, '').replace(/\s+/g, ' ').replace(/[“”]/g, '"').trim();

/** "zest of 1 lemon", "juice of half a lime" with the fruit as the measure. */
const fruitFirst = (text: string): string =>
  text
    .replace(
      /^(?:(?:finely|freshly)?\s*(?:grated|squeezed)?\s*)?(zest|juice|rind)\s+(?:of|from)\s+(.+?)\s*(lemons?|limes?|oranges?)\b/i,
      (_, what: string, amount: string, fruit: string) =>
        `${amount} ${fruit} ${what.replace(/rind/i, 'zest')}`,
    )
    .replace(/\b(lemons?|limes?|oranges?),\s*(zest|juice)d\b/i, '$1 $2');

const amountsIn = (text: string): readonly WrittenAmount[] =>
  takeAmounts(text.replace(/^(?:about|approx\.?|approximately|ca\.?|roughly|or|~|≈|=)\s*/i, '').trim())
    .amounts;
const isMass = (amounts: readonly WrittenAmount[]) =>
  amounts.length > 0 && amounts.every(({ unit }) => unit.kind === 'mass');

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
  topping: false,
  notes: [],
  likely: [],
});

/** Amounts at the front, or else at the end: "Flour, 500 g", "Salt 1 tsp". */
/** What is for the tray or the bench is no part of the recipe. */
const notCounted =
  /\b(?:for|to)\s+(?:the\s+)?(?:trays?|tins?|pans?|bench|dust\w*|greas\w*|roll\w*|sprinkl\w*|work\s*surface)\b/i;

const split = (text: string): { amounts: readonly WrittenAmount[]; name: string } => {
  const front = takeAmounts(text);
  if (front.amounts.length > 0) return { amounts: front.amounts, name: front.rest };
  for (const at of text.matchAll(/[\s:–—-]+(?=[\d¼-¾⅐-⅞])/g)) {
    const back = takeAmounts(text.slice(at.index + at[0].length));
    if (back.amounts.length > 0 && back.rest.trim() === '')
      return { amounts: back.amounts, name: text.slice(0, at.index) };
  }
  return { amounts: [], name: text };
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
  const said = turned.ids.some((id) => !plain.ids.includes(id));
  if (said && turned.left.length <= plain.left.length) return turned;
  const unread = meaningful(tail);
  return { ...plain, ...(unread.length > 0 && { unread: unread.join(' ') }) };
};

/** A line that is about eggs, and the letter of their size: "Größe M", "size L", "taille M", "(M)". */
const eggOf = /^.*(?:\b(?:eggs?|ei|eier|eigelbe?|eiwei(?:ß|ss)e?|oeufs?|yolks?)\b|œufs?\b).*$/i;
const lettered =
  /[([]?,?\s*\b(?:size|größe|grösse|groesse|gr\.?|gewichtsklasse|klasse|taille|calibre)\s*(s|m|l|xl)\b[)\]]?|\((s|m|l|xl)\)/i;

/** Reads one line of a recipe: amounts, unit, ingredient, and what is said about them. Never throws. */
export const readLine = (raw: string): WrittenLine => {
  const text = cleaned(raw);
  if (text === '') return empty(raw, 'empty');
  // "One 12-ounce package" and "2 L eggs" in the form that is read below.
  const unhyphened = text
    .replace(/(\d)\s*-\s*(oz|ounces?|g|grams?|lb|pounds?|kg|ml)\b/gi, '$1 $2')
    .replace(
      /^(\d+|an?|one|two|three|four)\s+(\d+(?:[.,]\d+)?)\s*(oz\.?|ounces?|g|grams?|lb|pounds?|kg|ml)\s+(cans?|tins?|packets?|packages?|bars?|jars?|bags?|blocks?|boxes|box|tubs?)\b/i,
      '$1 ($2 $3) $4',
    )
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
  const multiple = /^(\d+)\s*[x×]\s*(?=\d)/i.exec(bare);
  if (multiple) bare = bare.slice(multiple[0].length);
  let { amounts, name } = split(bare);
  // "2 cups / 250 g flour"
  const slashed = /^\s*\/\s*/.exec(name);
  const beside = slashed ? takeAmounts(name.slice(slashed[0].length)) : null;
  if (beside && beside.amounts.length > 0) name = beside.rest;
  // In brackets: another choice and what is for the tray are not the amount; "60 g each" is of one piece.
  const asides = inside.filter((aside) => /^\s*(?:or|oder|ou)\b/i.test(aside) || notCounted.test(aside));
  const each = inside.find((aside) => /\b(?:each|apiece|je|pro stück|chacun)\b/i.test(aside));
  const eachAmount = each === undefined ? [] : amountsIn(each);
  const amountInside =
    inside
      .filter((aside) => !asides.includes(aside))
      .map(amountsIn)
      .find(isMass) ?? [];
  let given = beside && isMass(beside.amounts) ? beside.amounts : amountInside;
  // What the line weighs itself counts, whatever stands in brackets.
  if (isMass(amounts)) given = [];
  let times = Number(multiple?.[1] ?? 1);
  // "1 (14 oz) can": as many as the count says, each of the weight inside.
  const [only] = amounts;
  const container =
    /^\s*(?:cans?|tins?|packets?|packages?|bars?|jars?|bags?|blocks?|boxes|box|pots?|tubs?)\b\s*(?:of\s+)?/i.exec(
      only?.unit.kind === 'vague' ? '' : name,
    );
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

  const notes: string[] = asides.map((aside) => `"${aside.trim()}" is not counted`);
  const more =
    /\b(?:plus|and|\+)\s+(?:some\s+)?(?:more|extra)\b.*$/i.exec(name) ??
    // "plus 20 g for dusting" is for the bench, the rest is not.
    /\b(?:plus|and|\+)\s+[^,]*\bfor\s+(?:the\s+)?(?:dust|roll|work|bench|grea|tin|tray|pan|sprinkl)\w*.*$/i.exec(
      name,
    );
  if (more) {
    notes.push(`"${more[0].trim()}" is not counted`);
    name = name.slice(0, more.index);
  }
  if (/\boptional\b/i.test(text)) notes.push('optional; it is kept in');
  if (/\bdivided\b/i.test(text)) notes.push('goes in in parts');
  const forTop =
    /\b(?:for|to)\s+(?:the\s+)?(?:roll(?:ing)?|dust(?:ing)?|sprinkl(?:e|ing)|top(?:ping)?|garnish|coat(?:ing)?|finish(?:ing)?|decorat\w*)\b/i.test(
      name,
    );
  name = name
    .replace(
      /\b(?:for|to)\s+(?:the\s+)?(?:roll|dust|sprinkl|top|garnish|coat|finish|taste|decorat|serv|greas).*$/i,
      '',
    )
    .trim();
  const [head = '', ...tails] = name.split(/,|;|\s+[–—-]\s+/);
  // Words in brackets say what it is: "(salted)", "(dark brown, packed)".
  const described = inside.filter(
    (aside) => !asides.includes(aside) && amountsIn(aside).length === 0 && !/\d/.test(aside),
  );
  const tail = [...tails, ...described].join(' ').replace(/[,;]/g, ' ').trim();
  // "butter, browned" is weighed before browning; "browned butter" is the finished one.
  const browned = /\bbrowned\b/i.test(tail) && /\bbutter\b/i.test(head);
  const { ids, left, unread } = matchName(head.trim(), tail.replace(/\bbrowned\b/i, ''));
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
    topping: forTop,
    notes,
    likely: ids.length === 0 || left.length > 0 ? likely(wordsOf(name).join(' ')) : [],
  };
};
