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

/**
 * "200 g sugar, of which 50 g for rolling", "1 cup sugar, divided (3/4 cup for the dough, 1/4 cup for rolling)": the dough gets what
 * is left, and each part is a line of its own. What comes to more than there is, or to another sum, is left to be asked about.
 * @returns the lines, the dough's first; null where no part of the line is for something else
 */
export const sharesOfLine = (text: string, library: Library): readonly string[] | null => {
  const found = /^([^(,;:]+?)\s*(?:[(,;:]|\b(?=of\s+which\b|reserving\b))(.*)$/i.exec(text);
  const [, head = '', tail = ''] = found ?? [];
  const { amounts, rest: named } = takeAmounts(head);
  const name = named.trim();
  if (amounts.length === 0 || matchIngredient(name, library).ids.length === 0) return null;
  const whole = head.slice(0, head.length - named.length).trim();
  const inBrackets = /^[^(]*\([^)]*\d/.test(text);
  const shares: Share[] = [];
  const about: string[] = [];
  /** What the rest is for, where that is said. */
  let rest = '';
  let isMarked = /\bdivided\b/i.test(text);
  for (const segment of tail.split(/[,;:()]|\band\b/i).map((part) => part.trim())) {
    if (segment === '') continue;
    if (moreOfIt.test(segment)) return null;
    const remains = segment.replace(theRest, '');
    if (remains !== segment && purpose.test(remains)) {
      rest = remains.replace(onTops, 'for topping');
      continue;
    }
    const [mark = ''] = marks.exec(segment) ?? [];
    const share = shareOf(segment.slice(mark.length));
    if (share) {
      isMarked ||= mark !== '' || /\b(?:of\s+(?:it|which|this|that|them)|reserved)\b/i.test(segment);
      shares.push(share);
    } else if (/\d/.test(segment)) return null;
    else if (mark === '') about.push(segment);
  }
  const aside = shares.filter(({ use }) => !dough.test(use));
  const into = shares.filter(({ use }) => dough.test(use));
  const restAside = rest !== '' && !dough.test(rest);
  // In brackets a part on the pieces is of it; what is for the tray is beside it.
  const isOfIt = isMarked || rest !== '' || (inBrackets && aside.every(({ use }) => !isForBench(use)));
  if ((aside.length === 0 && !restAside) || !isOfIt) return null;
  const described = [name, ...about].join(', ');
  const all = shares.flatMap(({ counted }) => counted);
  const sum = inOneUnit([...amounts, ...all]);
  const isWhole = into.length > 0 && rest === '';
  const isWrong = sum && (isWhole ? Math.abs(sum(all) / sum(amounts) - 1) > alike : sum(all) >= sum(amounts));
  // Figures that do not fit together are asked about.
  if (isWrong) return [`${whole} ${name}, ${shares.map(({ amount }) => amount).join(' / ')} of it`];
  const isCount = amounts.every(({ unit }) => unit.kind === 'piece');
  const left =
    sum && isCount
      ? String(sum(amounts) - sum(all))
      : `${whole} ${shares.map(({ amount }) => `minus ${amount}`).join(' ')}`;
  return [
    ...into.map(({ amount }) => `${amount} ${described}`),
    ...(isWhole || restAside ? [] : [`${left} ${described}`]),
    ...aside.map(({ amount, use }) => `${amount} ${described} ${use}`),
    ...(restAside ? [`${left} ${described} ${rest}`] : []),
  ];
};
