/** What the files say, and what an American baker says instead; the longer before what is in it. */
const words: Readonly<Record<string, string>> = {
  trays: 'sheet pans',
  tray: 'sheet pan',
  'soft wheat flour': 'cake flour',
  'strong wheat flour': 'bread flour',
  'wholemeal wheat flour': 'whole wheat flour',
  'wheat flour': 'all-purpose flour',
  cornflour: 'cornstarch',
  'caster sugar': 'superfine sugar',
  'icing sugar': 'powdered sugar',
  'raw cane sugar': 'turbinado sugar',
  'black treacle': 'dark molasses',
  'skimmed milk': 'skim milk',
  'crystallised ginger': 'candied ginger',
  'cream, 35 % fat': 'heavy cream',
  'strained yoghurt': 'Greek yogurt',
  yoghurt: 'yogurt',
  aluminium: 'aluminum',
  colours: 'colors',
  colour: 'color',
  coloured: 'colored',
  centre: 'center',
  flavour: 'flavor',
  millilitre: 'milliliter',
  litre: 'liter',
};
const pattern = new RegExp(
  `(?<![\\p{L}\\d])(?:${Object.keys(words)
    .sort((a, b) => b.length - a.length)
    .join('|')})(?![\\p{L}\\d])`,
  'giu',
);

/** A text in American words, with its capital where it had one. */
export const inAmerican = (text: string): string =>
  text.replace(pattern, (found) => {
    const said = words[found.toLowerCase()] ?? found;
    return /^\p{Lu}/u.test(found) ? said[0]?.toUpperCase() + said.slice(1) : said;
  });
