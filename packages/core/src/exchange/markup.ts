/* What is left of a page in a text that was taken out of its source: tags and written-out letters. */

/** Those that stand in recipes; others are rarer than a slip. */
const letters: Readonly<Record<string, string>> = {
  amp: '&',
  nbsp: ' ',
  thinsp: ' ',
  ensp: ' ',
  emsp: ' ',
  quot: '"',
  apos: "'",
  lt: '<',
  gt: '>',
  deg: '°',
  frac12: '½',
  half: '½',
  frac13: '⅓',
  frac23: '⅔',
  frac14: '¼',
  frac34: '¾',
  frac18: '⅛',
  frac38: '⅜',
  frasl: '⁄',
  ndash: '–',
  mdash: '—',
  hellip: '…',
  times: '×',
  bull: '•',
  middot: '·',
  rsquo: '’',
  lsquo: '‘',
  rdquo: '”',
  ldquo: '“',
  auml: 'ä',
  ouml: 'ö',
  uuml: 'ü',
  szlig: 'ß',
  eacute: 'é',
  egrave: 'è',
  ecirc: 'ê',
  agrave: 'à',
  acirc: 'â',
  ccedil: 'ç',
  oelig: 'œ',
};

const codePoint = (digits: string, base: number, found: string): string => {
  const code = Number.parseInt(digits, base);
  return code > 31 && code <= 0x10ffff ? String.fromCodePoint(code) : found;
};

const lettersOf = (text: string): string =>
  text
    .replace(/&#x([\da-f]{1,6});/gi, (found, digits: string) => codePoint(digits, 16, found))
    .replace(/&#(\d{1,7});/g, (found, digits: string) => codePoint(digits, 10, found))
    .replace(
      /&([a-z]+\d{0,2});/gi,
      (found, name: string) => letters[name] ?? letters[name.toLowerCase()] ?? found,
    );

const tag = /<\/?[a-z][a-z\d]{0,15}(?:\s[^<>]{0,300})?\/?>/gi;

/** A line without what only a browser reads. */
export const withoutMarkup = (line: string): string =>
  /[&<]/.test(line) ? lettersOf(line).replace(tag, ' ') : line;
