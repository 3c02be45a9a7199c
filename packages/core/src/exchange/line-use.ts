import { ingredient, type Library } from '../ingredient/index.js';

/** What is for the tray or the bench is no part of the recipe. */
const notCounted =
  /\b(?:for|to)\s+(?:the\s+)?(?:trays?|tins?|pans?|bench|dust\w*|greas\w*|roll\w*|sprinkl\w*|work\s*surface)\b/i;

const onTray =
  /\b(?:for|to)\s+(?:the\s+)?(?:greas\w*|(?:(?:dust|lin|brush|greas)\w*\s+)?(?:the\s+)?(?:baking\s+)?(?:trays?|tins?|pans?|sheets?|bench|board|work\s*surface|counter))\b/i;
/** Whether words say that it is for the tray or the bench. */
export const isForBench = (use: string): boolean => onTray.test(use);

/** Flour that is dusted or rolled in keeps dough from sticking; sugar is eaten. */
const isFloury = (id: string, library: Library): boolean =>
  ingredient(id, library).kind === 'flour' || /flour|starch/.test(id);

/** What goes onto the pieces, said behind the name or, by itself, in brackets: "(for rolling)". */
const onTop =
  /\b(?:for|to)\s+(?:the\s+|an?\s+)?(?:egg\s*wash|roll(?:ing)?|dust(?:ing)?|sprinkl(?:e|ing)|top(?:ping)?|garnish|coat(?:ing)?|finish(?:ing)?|decorat\w*|brush(?:ing)?|glaz(?:e|ing)|drizzl(?:e|ing))\b/i;
const onTopWhole = new RegExp(String.raw`^\s*${onTop.source}[a-z\s]*$`, 'i');

/** What the words say that a line is for, beside the dough. */
export interface SaidUse {
  readonly topping: boolean;
  readonly bench: boolean;
}

/** Whether it goes onto the pieces, or is for the tray or the bench: there flour is, and sugar is not. */
export const saidUse = (
  name: string,
  inside: readonly string[],
  ids: readonly string[],
  library: Library,
): SaidUse => {
  const forTray = onTray.test(name) || inside.some(isForBenchAlone);
  const forTop = onTop.test(name) || inside.some(isForTop);
  const dustedFlour =
    [name, ...inside].some((said) => /\b(?:for|to)\s+(?:the\s+)?(?:dust|roll)\w*\b/i.test(said)) &&
    ids.some((id) => isFloury(id, library));
  return { topping: forTop && !forTray && !dustedFlour, bench: forTray || dustedFlour };
};

/** "(for greasing)", "(to grease the tin)": all of the line is for that; "(20 g for the tin)" is beside it. */
const isForBenchAlone = (aside: string): boolean => /^\s*(?:for|to)\b\D*$/i.test(aside) && onTray.test(aside);

/** Whether words in brackets say only what is for the top. */
export const isForTop = (aside: string): boolean =>
  onTopWhole.test(aside) || /^\s*egg\s*wash\s*$/i.test(aside);

/** "57 g in the shell": what is bought, and not what goes in. */
const inShell = /\b(?:in|with|including|incl\.?)\s+(?:the\s+|their\s+|its\s+)?shells?\b|\bunshelled\b/i;

/** "50 g for the tops", "80 g in the dough": a part of it, and not how much a cup of it weighs. */
const partFor =
  /^\s*(?:[\d¼-¾⅐-⅞]|an?\s|half\s).*?(?:\bfor\s+(?:the\s+)?(?:dough|batter|tops?|topping|finish|decorat|garnish|coat|fill|frost|glaz|brush|crumble|base)\w*|\b(?:in|into)\s+the\s+(?:dough|batter|mix)|\bon\s+(?:the\s+)?tops?)\b/i;

/** Whether words in brackets are another choice, or what is for the tray: they are no amount of the line. */
export const isAside = (aside: string): boolean =>
  partFor.test(aside) ||
  /^\s*(?:or|oder|ou)\b/i.test(aside) ||
  inShell.test(aside) ||
  (notCounted.test(aside) && !isForTop(aside));

const more =
  /(?:\b(?:plus|and|with)\s|[+&,;]\s*)\s*(?:some\s+|a\s+little\s+|a\s+bit\s+)?(?:more|extra|additional)\b.*$/i;
/** "plus 20 g for dusting" is for the bench, the rest is not. */
const moreForBench =
  /(?:\b(?:plus|and)\s|[+&]\s*)[^,]*\bfor\s+(?:the\s+)?(?:dust|roll|work|bench|grea|tin|tray|pan|sprinkl)\w*.*$/i;

/** ", soaked in 200 ml hot water and drained": it does not go in. */
const soakedAndDrained =
  /[,\s]*\b(?:soaked|steeped|plumped|boiled|blanched)\s+in\b.*\b(?:drained|strained|discarded|squeezed)\b.*$/i;

/** "plus more for rolling" taken off a name, with what was taken. */
export const withoutMore = (name: string): { readonly name: string; readonly more?: string } => {
  const found = more.exec(name) ?? moreForBench.exec(name) ?? soakedAndDrained.exec(name);
  return found
    ? { name: name.slice(0, found.index), more: found[0].replace(/^[,\s]+/, '').trim() }
    : { name };
};

/** A name without what it is for. */
export const withoutUse = (name: string): string =>
  name
    .replace(
      /\b(?:for|to)\s+(?:the\s+|an?\s+)?(?:egg\s*wash|roll|dust|sprinkl|top|garnish|coat|finish|taste|decorat|serv|greas|brush|glaz|drizzl).*$/i,
      '',
    )
    .replace(/,?\s*\b(?:if|as|when)\s+(?:needed|necessary|required)\b.*$/i, '')
    .trim();
