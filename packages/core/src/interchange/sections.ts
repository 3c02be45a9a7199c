/** What a part of a recipe becomes. */
export type LineUse = 'dough' | 'filling' | 'icing' | 'topping' | 'other';

const uses: readonly (readonly [RegExp, LineUse])[] = [
  [/fill/i, 'filling'],
  [/icing|glaze|frosting|ganache|glasur|guss|glaçage/i, 'icing'],
  [/topping|finish|decorat|coat|roll|sprinkl|dust|garnish|streusel|crumble/i, 'topping'],
  [/dough|cookie|biscuit|base|batter|teig|pâte|ingredients|dry|wet/i, 'dough'],
];
export const lineUseOf = (section: string): LineUse =>
  uses.find(([words]) => words.test(section))?.[1] ?? 'other';

const names =
  'dough|cookies?|cookie dough|biscuits?|base|batter|filling|icing|glaze|frosting|ganache|topping|toppings|coating|finish|finishing|decoration|crumble|streusel|dry ingredients|wet ingredients|ingredients|teig|füllung|glasur|guss|pâte|glaçage|garniture';
const inline = new RegExp(
  String.raw`^\s*(?:for\s+(?:the\s+|rolling|dusting)?)?\s*(?:the\s+)?((?:${names})(?:\s+(?:dough|ingredients))?)\s*[:–—-]\s+(.*\S)\s*$`,
  'i',
);
const alone = new RegExp(
  String.raw`^\s*(?:#+\s*)?(?:for\s+the\s+(.+?)|(?:the\s+)?((?:${names})(?:\s+(?:dough|ingredients))?))\s*:?\s*$`,
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
    const found = inline.exec(text) ?? /^\s*for\s+the\s+([a-z ]+?)\s*:\s*(.*\d.*)$/i.exec(text);
    return found ? { section: (found[1] ?? '').trim(), rest: (found[2] ?? '').trim() } : null;
  }
  const found = alone.exec(text) ?? /^\s*(?:#+\s*)?([A-Za-zÀ-ÿ' -]{2,40}):\s*$/.exec(text);
  return found ? { section: (found[1] ?? found[2] ?? '').trim(), rest: '' } : null;
};
