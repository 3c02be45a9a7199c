import { say } from '../shown/index.js';
import { readyIn } from '../formula/index.js';
import type { Library } from '../ingredient/index.js';
import { amountsIn, lineAmounts, type LineAmounts } from './line-amounts.js';
import { looseFigure, matchName } from './line-name.js';
import { isAside, isForTop, saidUse, withoutMore, withoutUse } from './line-use.js';
import { likely, wordsOf } from './match-ingredient.js';
import { plainForm } from './plain-form.js';
import { notWeighed, type WrittenLine } from './written-line.js';

const sizes = /\b(extra[- ]large|jumbo|large|medium|small)\b/i;
/** "medium-large" and "medium to large" say two: which, is asked. */
const betweenSizes = /\b(?:small|medium)\s*(?:-|–|\/|to|or)\s*(?:medium|large)\b/i;
const packingWords: readonly (readonly [RegExp, string])[] = [
  [/\bpacked\b/i, 'packed'],
  [/\bloose(?:ly)?\b/i, 'loose'],
  [/\bspooned\b/i, 'spooned'],
  [/\b(?:dipped|scooped)\b/i, 'dipped'],
  [/\bchips?\b/i, 'chips'],
];
/** Words that go on with what is done, and are no name. */
const goesOn = String.raw`and|or|then|but|over|in|into|with|until|for|to|on|by|once|twice|finely|coarsely|slightly`;
/** What is done to it: in front of the name before it is measured, behind the name afterwards. */
const done = [
  { words: 'sift(?:ed)?|sieved?', packing: 'sifted' },
  { words: 'melted', packing: 'melted' },
  { words: 'chopped', packing: 'chopped' },
  { words: 'crushed', packing: 'crushed' },
  { words: 'ground', packing: 'ground' },
].map(({ words, packing }) => ({
  packing,
  said: new RegExp(String.raw`\b(?:${words})\b`, 'i'),
  inFront: new RegExp(
    String.raw`\b(?:${words})\s+(?:(?:and|then|but)\s+\w+\s+)?(?!(?:${goesOn})\b)[a-z]`,
    'i',
  ),
  before: new RegExp(String.raw`\b(?:${words})\W+(?:before|then|and\s+then)\s+measur`, 'i'),
}));
/** What a line says is done to it, before it is measured or after. @param head the line up to its first comma */
const doneTo = (head: string, text: string, when: 'before' | 'after'): readonly string[] =>
  done
    .filter(({ said }) => said.test(text))
    .filter(({ inFront, before }) => (inFront.test(head) || before.test(text)) === (when === 'before'))
    .map(({ packing }) => packing);

const filledSo = /\b(heaping|heaped|rounded|generous|scant)\b/i;
/** "1 tsp baking powder, heaped": how it is filled may be said last. */
const filledAs = (amounts: LineAmounts['amounts'], said: string): LineAmounts['amounts'] => {
  const fill = filledSo.exec(said)?.[1]?.toLowerCase();
  const [amount, ...more] = amounts;
  return fill && amount?.unit.kind === 'volume' && more.length === 0 && !amount.fill
    ? [{ ...amount, fill }]
    : amounts;
};

/** The name as it is looked for: a spoon of ginger is of the ground one; how much fat or cocoa is in it is no part of it. */
const nameFor = ({ amounts, name }: LineAmounts): string => {
  const spoons = amounts.some(({ unit }) => unit.kind === 'volume' && /tsp|tbsp/.test(unit.unit));
  const shares = amounts.some(({ unit }) => unit.kind === 'percent');
  const ground = spoons ? name.replace(/^\s*ginger\s*$/i, 'ground ginger') : name;
  return shares
    ? ground
    : ground.replace(/(?<=\bcream\b.*)(\d\s*%)\s*fat\b/i, '$1').replace(/\d+(?:[.,]\d+)?\s*%/g, ' ');
};

/** Words in brackets that say what it is: "(salted)", "(dark brown, packed)". */
const describes = (aside: string): boolean =>
  !isAside(aside) &&
  !isForTop(aside) &&
  !/\d/.test(aside) &&
  // "(half brown, half white)" says of what kinds, and no amount.
  (/^half\s+(?!an?\b)/i.test(aside) || amountsIn(aside).length === 0);

/** Reads one line of a recipe: amounts, unit, ingredient, and what is said about them. Never throws. */
export const readLine = (raw: string, library: Library): WrittenLine => {
  const { text, bare, inside, behindCount, eggs } = plainForm(raw);
  if (text === '') return notWeighed(raw, 'empty');
  const measured = lineAmounts({ bare, inside, behindCount });
  const { given, times, eachOrAll } = measured;
  const counted = withoutMore(nameFor(measured));
  const name = withoutUse(counted.name);
  const [head = '', ...tails] = name.split(/,|;|\s+[–—-]\s+/);
  const tail = [...tails, ...inside.filter(describes)].join(' ').replace(/[,;]/g, ' ').trim();
  const amounts = filledAs(measured.amounts, name);
  const { ids, unread, left } = matchName(head.trim(), tail.replace(/\bbrowned\b/i, ''), library);
  // A figure that no reading accounts for is asked about, whatever else of the line is clear.
  const loose = looseFigure(name);
  // Nobody weighs "a cup of white": of an egg there are whites, of sugar there is white too.
  const onlyWhite = /^white$/i.test(head.trim()) ? ['white'] : [];
  const unclear = [...left, ...onlyWhite, ...(loose === null ? [] : [loose])];
  const said = betweenSizes.test(text) ? undefined : sizes.exec(text)?.[1]?.toLowerCase().replace(' ', '-');
  const size = eggs ? `eu-${eggs}` : said;
  if (
    amounts.length === 0 &&
    (text.endsWith(':') || /^(?:for the|ingredients|dough|method|topping)\b/i.test(text))
  )
    return notWeighed(raw, 'heading');
  return {
    text: raw,
    kind: 'ingredient',
    amounts,
    given,
    times,
    ...(eachOrAll && { eachOrAll }),
    name,
    ids,
    left: unclear,
    packings: [
      ...packingWords.filter(([word]) => word.test(text)).map(([, packing]) => packing),
      ...doneTo(head, text, 'before'),
    ],
    afterwards: doneTo(head, text, 'after'),
    ...(size && { size }),
    // "butter, browned" is weighed before browning; "browned butter" is the finished one.
    browned: /\bbrowned\b/i.test(tail) && /\bbutter\b/i.test(head),
    ready: readyIn(text),
    ...saidUse(counted.name, inside, ids, library),
    notes: [
      ...inside.filter(isAside).map((aside) => say`"${aside.trim()}" is not counted`),
      ...(counted.more === undefined ? [] : [say`"${counted.more}" is not counted`]),
      ...(/\boptional\b/i.test(raw) ? [say`optional; it is kept in`] : []),
      ...(/\bdivided\b/i.test(text) ? [say`goes in in parts`] : []),
      ...(unread ? [say`"${unread}" is not read`] : []),
    ],
    likely: ids.length === 0 || unclear.length > 0 ? likely(wordsOf(name).join(' '), library) : [],
  };
};
