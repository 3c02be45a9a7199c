import { ingredient, type Ingredient, type Library } from '../ingredient/index.js';
import { matchIngredient } from './match-ingredient.js';
import { takeAmounts } from './read-amount.js';
import { runTogether } from './run-together.js';
import { sharesOfLine } from './shares-of-line.js';

/** Joints between two ingredients, or two amounts of one, outside brackets. */
const joint = /\s*,\s*(?:and\s+|plus\s+)?|\s*;\s*|\s+(?:plus|and|&|\+|und|et)\s+/gi;

const named = (text: string, library: Library) => {
  const { amounts, rest } = takeAmounts(text);
  const name = rest.replace(/^\s*(?:of|extra|more)\s+/i, '').trim();
  // "1 egg (room temp) + 1 yolk"
  const { ids } = matchIngredient(name.replace(/[([][^)\]]*[)\]]/g, ' '), library);
  const egg = ids.some((id) => ingredient(id, library).kind === 'egg');
  return { counted: amounts.length > 0, name, known: ids.length > 0, egg, ids };
};

const size = /\b(?:small|medium|extra[- ]?large|large|jumbo)\b/i;
/** "1 large egg plus 1 yolk": the yolk is of an egg of that size. */
const sizedAlike = (
  a: ReturnType<typeof named>,
  b: ReturnType<typeof named>,
  left: string,
  right: string,
): string => {
  const [said] = size.exec(left) ?? [];
  if (!a.egg || !b.egg || said === undefined || size.test(right)) return right;
  return right.slice(0, right.length - b.name.length) + `${said} ${b.name}`;
};

const insideBrackets = (text: string, at: number): boolean => {
  const before = text.slice(0, at);
  return (before.match(/[([]/g) ?? []).length > (before.match(/[)\]]/g) ?? []).length;
};

/** Words that say of what kind something is, and are no food by themselves. */
const kindOnly =
  /^(?:white|brown|light|dark|milk|semi-?sweet|bittersweet|whole|unsalted|salted|plain|bread|cake|rye|granulated|caster)$/i;

/** "white & brown sugar": both are sugar, and no egg white; "milk and dark chocolate chunks" has no milk in it. */
const withSharedNoun = (names: readonly string[]): readonly string[] => {
  const words = (names.at(-1) ?? '').split(/\s+/);
  const from = words.findIndex((word) => !kindOnly.test(word));
  const noun = words.slice(from > 0 ? from : -1).join(' ');
  return names.map((name, i) => (i < names.length - 1 && kindOnly.test(name) ? `${name} ${noun}` : name));
};

/** "1/2 tsp each salt and soda", "100 g each of butter and sugar", "salt and soda, 1/2 tsp each": one line of each. */
const eachOf = (text: string, library: Library): readonly string[] | null => {
  const behind = /^(.+?),?\s+((?:[\d¼-¾⅐-⅞]|an?\s|one\s)[^,]*?)\s+(?:each|ea|of each|je)\.?$/i.exec(text);
  const turned =
    behind && /,|\band\b|&|\bund\b|\bet\b/.test(behind[1] ?? '') ? `${behind[2]} each ${behind[1]}` : text;
  const found = /^(.+?)\s+(?:each|ea\.?|of each|je)(?:\s+of)?\s*:?\s+(.+)$/i.exec(
    turned.replace(/^pinch/i, '1 pinch'),
  );
  if (!found) return null;
  const { amounts, rest } = takeAmounts(`${found[1]} `);
  const names = withSharedNoun(
    (found[2] ?? '').split(/\s*,\s*(?:and\s+)?|\s+(?:and|&|\+|und|et)\s+/i).filter(Boolean),
  );
  if (amounts.length === 0 || rest.trim() !== '' || names.length < 2) return null;
  return names.every((name) => matchIngredient(name, library).ids.length > 0)
    ? names.map((name) => `${found[1]} ${name}`)
    : null;
};

/** "Flour 300 g, butter 200 g", "salt, 5 g; soda, 4 g": several, each with its amount behind it. */
const namesFirst = (text: string, library: Library): readonly string[] | null => {
  if (takeAmounts(text).amounts.length > 0) return null;
  const pairs = [...text.matchAll(nameThenAmount)];
  const left = text.replace(nameThenAmount, '').replace(/[\s,;.&+]|\band\b|\bund\b|\bet\b/gi, '');
  if (pairs.length < 2 || left !== '') return null;
  const parts = pairs.map(([, name = '', amount = '']) => [name.trim(), amount.trim()] as const);
  const all = parts.every(([name, amount]) => {
    const { amounts, rest } = takeAmounts(`${amount} `);
    return amounts.length > 0 && rest.trim() === '' && matchIngredient(name, library).ids.length > 0;
  });
  return all ? parts.map(([name, amount]) => `${amount} ${name}`) : null;
};
const nameThenAmount =
  /([\p{L}][\p{L}\s'’-]*?)[\s,:–—-]+(\d[\d.,]*\s*(?:\d+\/\d+\s*)?(?:(?:g|kg|ml|l|oz|lb|tsp|tbsp|cups?)\b\.?|%))/giu;

/** What goes round or on the pieces: it is eaten, so it is a line of its own. What is for the bench is not. */
const onPieces =
  /^(.*?)\s+(for|to)\s+(?:the\s+)?((?:roll|coat|sprinkl|top|decorat|finish|garnish|dredg|drizzl|brush|glaz)\w*)\b.*$/i;

/** "Roll in 2 tbsp sugar + 1 tsp cinnamon": what stands in the line is of that. */
const rolledIn =
  /^(?:roll|coat|dip|toss|sprinkle|dust)(?:\s+(?:the\s+)?(?:balls|pieces|cookies|dough|tops|them))?\s+(?:in|with)\s+(?=[\d¼-¾⅐-⅞]|an?\s|one\s|half\s)(.*)$/i;

/** The ingredients of what the pieces are rolled in, where their amounts are said; null for any other line. */
export const coatOfLine = (text: string, library: Library): readonly string[] | null => {
  const [, coat = ''] = rolledIn.exec(text) ?? [];
  const parts = coat === '' ? [] : partsOfLine(coat, library);
  const all = parts.every((part) => {
    const { counted, known } = named(part, library);
    return counted && known;
  });
  return parts.length > 0 && all ? parts.map((part) => `${part} for rolling`) : null;
};

/** "Soda dissolved in 1 tbsp hot water", "(mixed with 50 ml milk)": what it is mixed with goes in too. */
const mixedWith =
  /\s*[,([]?\s*\b(?:dissolved|stirred|mixed|whisked|beaten|blended|combined|melted|soaked|sifted|moistened|thinned|rubbed)\s+(?:together\s+)?(?:in|into|with)\s+(?:about\s+|an?\s+extra\s+)?(?=[\d¼-¾⅐-⅞]|an?\s|one\s|two\s|half\s)/i;
/** What both of them are for. */
const purpose = /[,\s]*\b(?:for|to)\s+(?:the\s+)?[a-z]+[a-z\s]*$/i;
/** Water that raisins lie in is not in the dough. */
const thrownAway = /\b(?:drained|strained|discarded|thrown\s+away|squeezed)\b/i;

const mixedParts = (text: string, library: Library): readonly string[] | null => {
  const found = mixedWith.exec(text);
  if (!found || thrownAway.test(text)) return null;
  const left = text.slice(0, found.index).trim();
  const right = text
    .slice(found.index + found[0].length)
    .replace(/[)\]]/, '')
    .trim();
  const [a, b] = [named(left, library), named(right.replace(purpose, ''), library)];
  if (!a.counted || !a.known || !b.counted || !b.known) return null;
  const use = purpose.exec(right)?.[0] ?? '';
  return [`${left}${use}`, right];
};

/** "1 egg + 1 tbsp water (egg wash)": what is brushed on is brushed on together. */
const brushedOn = /\begg\s*wash\b|\b(?:for|to)\s+(?:the\s+)?(?:brush|glaz)\w*/i;
/** A little of something: no figure, and something that goes in all the same. */
const aLittle =
  /^(?:an?\s+)?(?:good\s+|small\s+|large\s+|generous\s+)?(?:pinch|dash|smidgen|knob|handful|splash|drizzle|squeeze|glug|bit|some|(?:few\s+)?drops?)\b\s*(?:of\s+)?/i;
/** "pinch of salt", "some walnuts", where all of it is a name. */
const isALittle = (text: string, library: Library): boolean => {
  const [said = ''] = aLittle.exec(text) ?? [];
  if (said === '') return false;
  const { ids, left } = matchIngredient(text.slice(said.length), library);
  return ids.length > 0 && left.length === 0;
};

/** "4 tbsp sugar and 1 tsp cinnamon for rolling": so are both of what is put on together, where no comma parts them. */
const putOn = /\b(?:for|to)\s+(?:the\s+)?(?:roll|coat|sprinkl|dredg)\w*/i;
const jointed = /(?:[+&]|\b(?:and|plus|with|und|et))\s*(?=[\d¼-¾⅐-⅞]|an?\s)/i;
const parted = /,\s*(?=[\d¼-¾⅐-⅞])/;
/** What pieces are rolled in; flour, fat and what makes dough rise are the dough's. */
const isPutOn = ({ kind }: Ingredient): boolean => !['flour', 'butter', 'fat', 'leavening'].includes(kind);

/** "Half white and half brown": two of one thing, and no two amounts. */
const inHalves = /\bhalf\s+(?!of\b|an?\b)[\p{L}-]+.*\bhalf\s+[\p{L}-]+/iu;

/**
 * A line that names two ingredients as two lines; a second amount of the same one is put in front ("1 cup flour plus
 * 2 tbsp" is "1 cup plus 2 tbsp flour"). A joint counts only where both sides have an amount and the left one a name.
 */
export const partsOfLine = (text: string, library: Library): readonly string[] => {
  const shares = sharesOfLine(text, library);
  if (shares) return shares;
  if (inHalves.test(text)) return [text];
  const parts = splitLine(text, library);
  const [use] = putOn.exec(parts.at(-1) ?? '') ?? [];
  const brushed = brushedOn.test(text);
  if (parts.length < 2 || (!brushed && (use === undefined || parted.test(text) || !jointed.test(text))))
    return parts;
  const said = brushed ? 'for brushing' : use;
  const own = parts.map((part) =>
    named(part.replace(putOn, '').replace(/\b(?:for\s+)?(?:an?\s+|the\s+)?egg\s*wash\b/i, ''), library),
  );
  const last = own.at(-1);
  const together = own.every(({ ids }) => ids.every((id) => isPutOn(ingredient(id, library))));
  if (!together) return parts;
  return parts.map((part, i) => {
    // "1 egg plus 1 egg for glazing": the first is none of that.
    const isOther = i === parts.length - 1 || !own[i]?.ids.some((id) => last?.ids.includes(id));
    return brushedOn.test(part) || putOn.test(part) || !isOther ? part : `${part} ${said}`;
  });
};

const splitLine = (text: string, library: Library): readonly string[] => {
  const coat = coatOfLine(text, library);
  if (coat) return coat;
  const each = eachOf(text, library) ?? namesFirst(text, library);
  if (each) return each;
  const apart = runTogether(text, library, (part) => splitLine(part, library));
  if (apart) return apart;
  const mixed = mixedParts(text, library);
  if (mixed) return mixed;
  const both =
    /^((?:finely\s+)?(?:grated\s+)?zest|juice)\s+(?:and|&|plus)\s+(zest|juice)\s+((?:of|from)\s+.+)$/i.exec(
      text,
    );
  if (both) return [`${both[1]} ${both[3]}`, `${both[2]} ${both[3]}`];
  for (const found of text.matchAll(joint)) {
    const at = found.index;
    if (insideBrackets(text, at)) continue;
    const [left, right] = [text.slice(0, at), text.slice(at + found[0].length)];
    if (aLittle.test(right) && isALittle(right, library)) {
      const a = named(left, library);
      if (a.counted && a.known) return [...splitLine(left.trim(), library), right.trim()];
    }
    // Looking up a name costs more than seeing a figure.
    if (!takeAmounts(right).amounts.some(({ unit }) => unit.kind !== 'percent')) continue;
    const a = named(left, library);
    if (!a.counted || !a.known) continue;
    const b = named(right, library);
    if (b.known && /[a-z]/i.test(b.name))
      return [left.trim(), ...splitLine(sizedAlike(a, b, left, right).trim(), library)];
    // "200 g sugar, plus 50 g for rolling"
    const round = onPieces.exec(right);
    if (
      round &&
      takeAmounts(`${round[1]} `)
        .rest.replace(/[([].*[)\]]|,/g, '')
        .trim() === ''
    )
      return [
        left.trim(),
        `${(round[1] ?? '').replace(/,\s*$/, '').trim()} ${a.name} ${round[2]} ${round[3]}`,
      ];
    // The same ingredient, more of it: but "plus 2 tbsp for dusting" is for something else.
    if (b.name === '' && /plus|\+|and|&/i.test(found[0])) {
      const { rest } = takeAmounts(left);
      // "2 cups (250 g) flour + 2 tbsp": the weight in brackets is of the cups alone.
      if (/[([][^)\]]*\d/.test(left))
        return [left.trim(), `${right.trim()} ${a.name.replace(/[([].*?[)\]]/g, '').trim()}`];
      const amount = left.slice(0, left.length - rest.length).trim();
      return [`${amount} plus ${right.trim()} ${rest.trim()}`];
    }
  }
  return [text];
};
