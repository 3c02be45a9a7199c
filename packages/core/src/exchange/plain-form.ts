import { containers } from './words.js';

/** A line in the form that is read, whatever way it was written. */
export interface PlainForm {
  /** Cleaned, with what is in brackets. */
  readonly text: string;
  /** Without what is in brackets. */
  readonly bare: string;
  /** What is in brackets, in its order. */
  readonly inside: readonly string[];
  /** Whether brackets stand right behind the count: "3 (100 g) bars". */
  readonly behindCount: boolean;
  /** The letter of a size of eggs: "M". */
  readonly eggs?: string;
}

const bullets =
  /^\s*(?:[-–—*•▪▫◦‣⁃∙●○■▢▣☐☑☒□·✓✔✗✘→➔➜▸►»>]\uFE0F?\s+|[▢☐☑☒□•●✓✔]\uFE0F?|\d{1,2}[.)]\s+(?=\S))/u;
/** "Optional: 1 cup pecans", "plus 2 tbsp sugar", "another 50 g": what joins the line to the one before. */
const joining =
  /^(?:(?:\(?optional\)?|plus|and|also|another|\+|&)\s*[:,–—-]?\s+)+(?=[\d¼-¾⅐-⅞]|an?\s|one\s|two\s|three\s|half\s)/i;

const cleaned = (line: string): string =>
  line
    .replace(bullets, '')
    // "[1 cup walnuts, optional]"
    .replace(/^\s*[([]([^()[\]]*\d[^()[\]]*)[)\]]\s*$/, '$1')
    .replace(/\s+/g, ' ')
    .replace(/[“”]/g, '"')
    // A line in quotes, as a spreadsheet gives it.
    .replace(/^\s*(["'])([^"']*\d[^"']*)\1\s*,?\s*$/, '$2')
    // "Butter – 250 g – softened": the weight between the name and what is said of it.
    .replace(
      /^([\p{L}][\p{L}\s'’-]*?)\s+[–—-]\s+(\d[\d.,]*\s*(?:g|kg|ml|oz|lbs?|cups?|tsp|tbsp)\b\.?)\s+[–—-]\s+(\D+)$/iu,
      '$2 $1, $3',
    )
    // "butter at 68°F", "butter cut in 1/2-inch cubes": how warm and how cut is no part of the name.
    .replace(/\s+at\s+(?:about\s+)?\d+\s*°\s*[CF]\b/i, '')
    .replace(/,?\s+cut\s+(?:in|into|to)\s+[^,(]*$/i, '')
    .trim()
    .replace(joining, '')
    // "Flour ........ 500 g"
    .replace(/\s*\.{3,}\s*|\s*…+\s*/g, ' ')
    .replace(
      /^(?:an?\s+)?(\d[\d.,/⁄]*|[¼-¾⅐-⅞]|half)-(?=(?:cups?|tsp|tbsp|teaspoons?|tablespoons?|sticks?)\b)/i,
      '$1 ',
    )
    .replace(/\bchoc\b\.?/gi, 'chocolate')
    .replace(/\b(?:good|big|large)\s+(?=pinch)/i, 'generous ')
    // "2 lg eggs"
    .replace(
      /\b(lge?|med|sm)\b\.?(?=\s+(?:[a-z-]+\s+)?(?:eggs?|yolks?|whites?)\b)/gi,
      (_, size: string) => ({ l: 'large', m: 'medium', s: 'small' })[size[0]?.toLowerCase() ?? ''] ?? size,
    )
    // "1 egg, half of it"
    .replace(
      /^(.*?),?\s+(?:use\s+)?(?:only\s+)?half(?:\s+of\s+(?:it|them))?(\s*\([^)]*\))?$/i,
      'half of $1$2',
    )
    // "(beaten, for glazing)": what it is for by itself.
    .replace(/[([]([^()[\]\d]*?),\s*((?:for|to)\s+[^()[\],]*)[)\]]/gi, '($1) ($2)')
    // "00 flour", "type 00": what it is called, and no amount.
    .replace(/\btype\s+0{1,2}(?![\d.,])(?:\s+(?:flour|farina))?/i, '"00" flour')
    .replace(/(?<=\s)0{1,2}(?=\s+(?:flour|farina|mehl)\b)/i, '"00"')
    .replace(/^(pinch|dash|smidgen)\s/i, '1 $1 ')
    .replace(/^(?:anything\s+)?between\s+(\S+)\s+and\s+(?=[\d¼-¾⅐-⅞])/i, '$1 to ');

/** "2 eggs, about 110 g without shells", "1 cup sugar, 200 g": the weight beside the count, as in brackets. */
const weightBehind = (text: string): string =>
  /^(?:[\d¼-¾⅐-⅞](?![\d.,]*\s*%)|an?\s|one\s|two\s|three\s)/i.test(text)
    ? text.replace(
        /(?:\s*[,=@]\s*|\s*\/\s*(?<=[a-z]\s*\/\s*)|\s+[-–—]\s+|\s+at\s+)(\d[\d.,]*\s*(?:g|kg|oz|ml)\b)\s*((?:each|apiece|in total|total|all told|net|weighed|shelled|without (?:the )?shells?|out of (?:the )?shells?|(?:in|with) (?:the |their )?shells?)?)\s*$/i,
        ' ($1 $2)',
      )
    : text;

/** "3 eggs, yolks only", "2 eggs (whites)", "1 white": what of the egg goes in. */
const partOfEgg = (text: string): string =>
  text
    .replace(
      /\beggs?\b\s*[,(–-]\s*(?:just\s+|only\s+)?(?:the\s+)?(white|yolk)s?(?:\s+only)?\s*\)?\s*$/i,
      (_, part: string) => `egg ${part.toLowerCase()}s`,
    )
    .replace(
      /^(\d+|an?|one|two|three)\s+((?:small|medium|large|extra[- ]large|jumbo)\s+)?white$/i,
      '$1 $2egg white',
    )
    .replace(
      /^(?:the\s+)?(white|yolk)s?\s+(?:of|from)\s+(\d+|an?|one|two|three)\s+(.*?)eggs?$/i,
      '$2 $3egg $1',
    );

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

/** A line that is about eggs, and the letter of their size: "Größe M", "size L", "taille M", "(M)". */
const eggOf = /^.*(?:\b(?:eggs?|ei|eier|eigelbe?|eiwei(?:ß|ss)e?|oeufs?|yolks?)\b|œufs?\b).*$/i;
const lettered =
  /[([]?,?\s*\b(?:size|größe|grösse|groesse|gr\.?|gewichtsklasse|klasse|taille|calibre)\s*(s|m|l|xl)\b[)\]]?|\((s|m|l|xl)\)/i;

/** Chocolate of so much cocoa is a dark one, %. */
const darkFrom = 55;
/** "chocolate (70 %)": how much cocoa there is tells which chocolate it is. */
const withCocoa = (text: string): string => {
  const share = /(\d{2})\s*%/.exec(text)?.[1];
  if (
    share === undefined ||
    !/\bchocolate\b/i.test(text) ||
    /\b(?:milk|white|dark|ruby|bitter\s?-?sweet|semi\s?-?sweet)\b/i.test(text)
  )
    return text;
  return Number(share) >= darkFrom ? text.replace(/\bchocolate\b/i, 'dark chocolate') : text;
};

/** "1 12 oz bag", "one 8-oz brick", "½ of a 14 oz can" */
const packaged = new RegExp(
  String.raw`^(\d+(?:\s*\/\s*\d+)?|[¼-¾⅐-⅞]|an?|one|two|three|four)\s+(?:of\s+)?(?:an?\s+)?(\d+(?:[.,]\d+)?)\s*(oz\.?|ounces?|g|grams?|lb|pounds?|kg|ml)\s+(${containers}|sticks?)(?![a-z])`,
  'i',
);

/** "One 12-ounce package" and "2 L eggs" in the form that is read. */
export const plainForm = (raw: string): PlainForm => {
  const text = withCocoa(weightBehind(partOfEgg(cleaned(raw))));
  const unhyphened = text
    // "1 (heaped) tsp"
    .replace(/[([]\s*(heaped|heaping|rounded|generous|scant|level)\s*[)\]]/gi, '$1')
    .replace(/(\d)\s*-\s*(oz|ounces?|g|grams?|lb|pounds?|kg|ml)\b/gi, '$1 $2')
    .replace(packaged, '$1 ($2 $3) $4')
    .replace(/^(\d+)\s+(S|M|L|XL)\s+(eggs?\b)/, '$1 eu-$2 $3')
    .replace(eggOf, (line) => line.replace(lettered, ' eu-$1$2 '));
  const eggs = /\beu-(s|m|l|xl)\b/i.exec(unhyphened)?.[1]?.toLowerCase();
  const readable = unhyphened.replace(/\s*\beu-(?:s|m|l|xl)\b\s*/i, ' ').trim();
  const bare = readable
    .replace(/[([][^)\]]*[)\]]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  return {
    text,
    bare: fruitFirst(bare),
    inside: [...readable.matchAll(/[([]([^)\]]*)[)\]]/g)].map((m) => m[1] ?? ''),
    behindCount:
      /^(?:[\d¼-¾⅐-⅞][\d\s./¼-¾⅐-⅞–-]*|an?|one|two|three|four|five|six|half(?:\s+an?)?)\s*[([]/i.test(
        readable,
      ),
    ...(eggs && { eggs }),
  };
};
