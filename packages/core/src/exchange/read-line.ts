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
  // Sifted before the name is how it was measured; after it, what is done to it later.
  [/\b(?:sifted|sieved)\s+[a-z]/i, 'sifted'],
  [/\bmelted\b/i, 'melted'],
  [/\bchopped\b/i, 'chopped'],
  [/\bchips?\b/i, 'chips'],
  [/\bcrushed\b/i, 'crushed'],
  [/\bground\b/i, 'ground'],
];

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
  !isAside(aside) && !isForTop(aside) && !/\d/.test(aside) && amountsIn(aside).length === 0;

/** Reads one line of a recipe: amounts, unit, ingredient, and what is said about them. Never throws. */
export const readLine = (raw: string, library: Library): WrittenLine => {
  const { text, bare, inside, behindCount, eggs } = plainForm(raw);
  if (text === '') return notWeighed(raw, 'empty');
  const measured = lineAmounts({ bare, inside, behindCount });
  const { amounts, given, times, eachOrAll } = measured;
  const counted = withoutMore(nameFor(measured));
  const name = withoutUse(counted.name);
  const [head = '', ...tails] = name.split(/,|;|\s+[–—-]\s+/);
  const tail = [...tails, ...inside.filter(describes)].join(' ').replace(/[,;]/g, ' ').trim();
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
    packings: packingWords.filter(([word]) => word.test(text)).map(([, packing]) => packing),
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
