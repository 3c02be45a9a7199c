/** What a part of a recipe becomes. */
export type LineUse = 'dough' | 'filling' | 'icing' | 'topping' | 'other';

const uses: readonly (readonly [RegExp, LineUse])[] = [
  [/fill|füll|garniture|fourrage|cœur|coeur/i, 'filling'],
  [/icing|glaze|frosting|ganache|glasur|guss|glaçage/i, 'icing'],
  [
    /topping|\btop\b|belag|deko|finish|decorat|coat|roll|sprinkl|dust|garnish|brush|wash|streusel|crumble/i,
    'topping',
  ],
  [/dough|cookie|biscuit|base|batter|teig|pâte|ingredients|dry|wet/i, 'dough'],
];
/** Headings under which is told what to do, or what else there is to know: no ingredients stand there. */
const tellings: readonly (readonly [RegExp, 'method' | 'notes'])[] = [
  [
    /^(?:the\s+)?(?:method|directions?|instructions?|procedure|process|steps?|how to make(?: it)?|preparation|zubereitung|anleitung|so geht['’]?s|préparation|étapes|réalisation)$/i,
    'method',
  ],
  [
    /^(?:(?:baker|cook|recipe|chef)['’]?s?\s+)?(?:notes?|tips?|storage|storing|to store|make[- ]ahead|nutrition(?:al)?(?: facts| information)?|equipment|hinweise?|tipps?|aufbewahrung|conseils?|astuces?|conservation|allergens?)$/i,
    'notes',
  ],
];
/** What kind of text follows a heading that is no part of the recipe; undefined for a part. */
export const tellingOf = (section: string): 'method' | 'notes' | undefined =>
  tellings.find(([words]) => words.test(section.trim()))?.[1];

export const lineUseOf = (section: string): LineUse =>
  uses.find(([words]) => words.test(section))?.[1] ?? 'other';

const names =
  'dough|cookies?|cookie dough|biscuits?|base|batter|filling|icing|glaze|frosting|ganache|topping|toppings|coating|finish|finishing|decoration|crumble|streusel|egg ?wash|dry ingredients|wet ingredients|dry|wet|dry mix(?:ture)?|wet mix(?:ture)?|to (?:finish|decorate|serve|coat|roll|sprinkle|garnish|brush|top)|ingredients|teig|füllung|glasur|guss|pâte|glaçage|garniture';
const telling =
  'method|directions?|instructions?|procedure|steps?|preparation|zubereitung|anleitung|préparation|notes?|tips?|storage|nutrition|equipment|hinweise?|tipps?|conseils?';
const inline = new RegExp(
  String.raw`^\s*(?:for\s+(?:the\s+|rolling|dusting)?)?\s*(?:the\s+)?((?:${names})(?:\s+(?:dough|ingredients))?)\s*[:–—-]\s+(.*\S)\s*$`,
  'i',
);
const alone = new RegExp(
  String.raw`^\s*(?:#+\s*)?(?:(?:for\s+the|für\s+(?:den|die|das)|pour\s+(?:la|le|les)|zutaten\s+(?:für\s+)?(?:den|die|das))\s+(.+?)|for\s+((?:rolling|coating|finishing|decorating|decoration|dusting|sprinkling|garnish|serving|brushing))|(?:the\s+)?((?:${names}|${telling})(?:\s+(?:dough|ingredients))?))\s*:?\s*$`,
  'i',
);

export interface SectionStart {
  readonly section: string;
  /** What stands behind the heading on the same line. */
  readonly rest: string;
}

/** A heading of a section, alone or with an ingredient behind it ("Topping: 50 g sugar"); null for any other line. */
export const sectionStart = (text: string): SectionStart | null => {
  if (/\d/.test(text)) {
    const found =
      inline.exec(text) ??
      /^\s*(?:for\s+the|für\s+(?:den|die|das)|pour\s+(?:la|le|les))\s+([\p{L} ]+?)\s*:\s*(.*\d.*)$/iu.exec(
        text,
      );
    return found ? { section: (found[1] ?? '').trim(), rest: (found[2] ?? '').trim() } : null;
  }
  const found = alone.exec(text) ?? /^\s*(?:#+\s*)?([A-Za-zÀ-ÿ' -]{2,40}):\s*$/.exec(text);
  return found ? { section: (found[1] ?? found[2] ?? found[3] ?? '').trim(), rest: '' } : null;
};
