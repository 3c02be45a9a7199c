import type { Library } from '../ingredient/index.js';
import { isForBench } from './line-use.js';
import { matchIngredient } from './match-ingredient.js';
import { takeAmounts, type WrittenAmount } from './read-amount.js';

/** Words that say that what follows is a part of the line, and no more of it. */
const marks =
  /^(?:(?:divided|of\s+which|thereof|of\s+it|use[ds]?|with|reserv(?:e|ed|ing)|keep(?:ing)?|sav(?:e|ing)|set(?:ting)?\s+aside)\b\s*:?\s*)+/i;
const ofIt = /^(?:(?:of\s+)?(?:it|which|this|that|them)\b|reserved\b|set\s+aside\b)\s*/i;
const purpose =
  /^(?:for\s+(?!each\b)|to\s+(?:roll|coat|dust|sprinkl|top|brush|glaz|greas|finish|garnish|decorat)|(?:in|into)\s+(?:the\s+)?(?:dough|batter|mix)|(?:on|over)\s+(?:the\s+)?tops?\b)/i;
const dough = /^(?:for|in|into|to)\s+(?:the\s+)?(?:doughs?|batter|mix(?:ture)?|cookies?|biscuits?|bowl)\b/i;
const onTops = /^(?:for|on|over|to)\s+(?:the\s+)?tops?\b.*$/i;
const moreOfIt = /^(?:plus|and|\+|&|extra|another|more|or)\b|^[+&]/i;

interface Share {
  readonly amount: string;
  readonly use: string;
  readonly counted: readonly WrittenAmount[];
}

/** "the rest on top" */
const theRest = /^(?:the\s+)?(?:rest|remainder|remaining)\s+(?:of\s+(?:it|them)\s+)?/i;

const shareOf = (said: string): Share | null => {
  const { amounts, rest } = takeAmounts(`${said} `);
  const use = rest.trim().replace(ofIt, '');
  if (amounts.length === 0 || amounts.some(({ unit }) => unit.kind === 'percent') || !purpose.test(use))
    return null;
  return {
    amount: said
      .slice(0, said.length - rest.trim().length)
      .replace(/\s+of\s*$/i, '')
      .trim(),
    use: use.replace(onTops, 'for topping'),
    counted: amounts,
  };
};

/** So much of one unit, or null where there are several. */
const inOneUnit = (amounts: readonly WrittenAmount[]): ((all: readonly WrittenAmount[]) => number) | null => {
  const name = ({ unit }: WrittenAmount) => ('unit' in unit ? unit.unit : unit.kind);
  const [first] = amounts;
  return first && amounts.every((amount) => name(amount) === name(first))
    ? (all) => all.reduce((sum, { low, sign }) => sum + low * sign, 0)
    : null;
};

/** Two sums that are written as the same may differ by so much. */
const alike = 0.02;

const fractions: Readonly<Record<string, number>> = { half: 1 / 2, 'a third': 1 / 3, 'a quarter': 1 / 4 };
const ofTheWhole =
  /(?<=^|[(,;:]\s*|\b(?:which|and|reserv\w+|with)\s+)(half|a\s+third|a\s+quarter)\s+(?:of\s+it\s+)?(?=for\b|in\b|into\b|on\b|to\b)/gi;
/** "half for rolling" as so much of one amount. */
const inFigures = (tail: string, amounts: readonly WrittenAmount[]): string => {
  const [amount, ...others] = amounts;
  if (!amount || others.length > 0 || amount.low !== amount.high) return tail;
  const { unit, low } = amount;
  return tail.replace(ofTheWhole, (_, said: string) => {
    const share = low * (fractions[said.toLowerCase().replace(/\s+/g, ' ')] ?? 0);
    return `${Number(share.toPrecision(6))} ${'unit' in unit ? unit.unit : ''} of it `;
  });
};

const beside =
  /((?:\d[\d\s./¼-¾⅐-⅞]*|[¼-¾⅐-⅞]|an?|one|half)\s*[a-z]+\.?)\s*[([]\s*(?:about\s+|approx\.?\s+)?(\d[\d.,]*\s*(?:g|kg|oz|lb)\.?)\s*[)\]]/gi;
/** "1 cup (200 g)" by its weight alone, so that the brackets that are left say what a part is for. */
const byWeight = (text: string): string =>
  text.replace(beside, (found, measure: string, weight: string) =>
    takeAmounts(`${measure} `).rest.trim() === '' && takeAmounts(`${weight} `).rest.trim() === ''
      ? weight
      : found,
  );

/** What a line says behind the name of what it is of. */
interface Tail {
  readonly shares: readonly Share[];
  /** What is said of all of it. */
  readonly about: readonly string[];
  /** What the rest is for, where that is said. */
  readonly rest: string;
  /** Whether every figure is of a part. */
  readonly isClear: boolean;
  /** Whether the parts are said to be of it, and no more of it. */
  readonly isMarked: boolean;
}

/** @returns null where more of it is named */
const tailOf = (tail: string): Tail | null => {
  const shares: Share[] = [];
  const about: string[] = [];
  let rest = '';
  let isClear = true;
  let isMarked = /\bdivided\b/i.test(tail);
  for (const segment of tail
    .split(/[,;:()]|\band\b/i)
    .map((part) => part.trim())
    .filter(Boolean)) {
    if (moreOfIt.test(segment)) return null;
    const remains = segment.replace(theRest, '');
    const [mark = ''] = marks.exec(segment) ?? [];
    const share = shareOf(segment.slice(mark.length));
    if (remains !== segment && purpose.test(remains)) {
      rest = remains.replace(onTops, 'for topping');
    } else if (share) {
      isMarked ||= mark !== '' || /\b(?:of\s+(?:it|which|this|that|them)|reserved)\b/i.test(segment);
      shares.push(share);
    } else if (/\d/.test(segment)) isClear = false;
    else if (mark === '') about.push(segment);
  }
  return { shares, about, rest, isClear, isMarked: isMarked || rest !== '' };
};

/**
 * "200 g sugar, of which 50 g for rolling", "1 cup sugar, divided (3/4 cup for the dough, 1/4 cup for rolling)": the dough gets what
 * is left, and each part is a line of its own. What comes to more than there is, or to another sum, is left to be asked about.
 * @returns the lines, the dough's first; null where no part of the line is for something else
 */
export const sharesOfLine = (written: string, library: Library): readonly string[] | null => {
  const text = byWeight(written);
  const [, head = '', behind = ''] =
    /^([^(,;:]+?)\s*(?:[(,;:]|\b(?=of\s+which\b|reserving\b))(.*)$/i.exec(text) ?? [];
  const { amounts, rest: named } = takeAmounts(head);
  const name = named.trim();
  // "1 cup sugar plus 1 tbsp" is no name yet.
  if (amounts.length === 0 || /\d/.test(name) || matchIngredient(name, library).ids.length === 0) return null;
  const tail = tailOf(inFigures(behind.trim(), amounts));
  if (!tail) return null;
  const { shares, rest, isMarked } = tail;
  const inBrackets = /\([^)]*\d[^)]*\)/.test(text);
  // In brackets a part on the pieces is of it; what is for the tray is beside it.
  const isOf = ({ use }: Share): boolean => isMarked || (inBrackets && !isForBench(use));
  const parts = shares.filter(isOf);
  const aside = parts.filter(({ use }) => !dough.test(use));
  const into = parts.filter(({ use }) => dough.test(use));
  const restAside = rest !== '' && !dough.test(rest);
  if (aside.length === 0 && !restAside) return null;
  const whole = head.slice(0, head.length - named.length).trim();
  const all = parts.flatMap(({ counted }) => counted);
  const sum = inOneUnit([...amounts, ...all]);
  const isWhole = into.length > 0 && rest === '';
  const fits = !sum || (isWhole ? Math.abs(sum(all) / sum(amounts) - 1) <= alike : sum(all) < sum(amounts));
  // Figures that do not fit together are asked about.
  if (!tail.isClear || !fits)
    return [`${whole} ${name}, ${parts.map(({ amount }) => amount).join(' / ')} of it`];
  const besides = shares.filter((share) => !isOf(share)).map(({ amount, use }) => ` (${amount} ${use})`);
  const described = [name, ...tail.about].join(', ') + besides.join('');
  const isCount = amounts.every(({ unit }) => unit.kind === 'piece');
  const left =
    sum && isCount
      ? String(sum(amounts) - sum(all))
      : `${whole} ${parts.map(({ amount }) => `minus ${amount}`).join(' ')}`;
  return [
    ...into.map(({ amount }) => `${amount} ${described}`),
    ...(isWhole || restAside ? [] : [`${left} ${described}`]),
    ...aside.map(({ amount, use }) => `${amount} ${described} ${use}`),
    ...(restAside ? [`${left} ${described} ${rest}`] : []),
  ];
};
