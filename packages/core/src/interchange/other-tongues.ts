/*
 * Kitchen words of metric pages in German and French, as the library has them. Only what stands in recipes for biscuits;
 * what is not here is asked about like any unknown word.
 */
const phrases: readonly (readonly [RegExp, string])[] = [
  [/\bc(?:uill?[eè]res?)?\.?\s*à\s*(?:soupe|s\.?)(?=\s|$)/gi, 'tbsp'],
  [/\bc(?:uill?[eè]res?)?\.?\s*à\s*(?:café|thé|c\.?)(?=\s|$)/gi, 'tsp'],
  [/\bEL\b/g, 'tbsp'],
  [/\bTL\b/g, 'tsp'],
  [/\b(?:Prise|pincée)n?s?\b/gi, 'pinch'],
  [/\bgestr(?:\.|ichene[rn]?)\s*/gi, 'level '],
  [/\bgeh(?:\.|äufte[rn]?)\s*/gi, 'heaped '],
  [/\b(?:Weizen)?mehl\b(?:\s*\(?(?:Type|T)\s*\d+\)?)?/gi, 'plain flour'],
  [/\bfarine(?:\s+de\s+blé)?(?:\s*\(?T\s*\d+\)?)?/gi, 'plain flour'],
  [/\bRoggenmehl\b/gi, 'rye flour'],
  [/\bPuderzucker\b|\bsucre\s+glace\b/gi, 'icing sugar'],
  [/\b(?:brauner\s+Zucker|sucre\s+roux|cassonade)\b/gi, 'brown sugar'],
  [/\bVanillezucker\b|\bsucre\s+vanillé\b/gi, 'vanilla sugar'],
  [/\bZucker\b|\bsucre(?:\s+(?:en\s+poudre|semoule|blanc))?\b/gi, 'sugar'],
  [/\bbeurre\s+(?:demi-sel|salé)\b|\bgesalzene\s+Butter\b/gi, 'salted butter'],
  [/\bbeurre(?:\s+doux)?\b/gi, 'butter'],
  [/\bEigelbe?\b|\bjaunes?\s+d['’]?\s*œufs?\b|\bjaunes?\b/gi, 'egg yolk'],
  [/\bEiweiße?\b|\bblancs?\s+d['’]?\s*œufs?\b/gi, 'egg white'],
  [/\bEi(?:er)?\b|(?<!\p{L})(?:œ|oe)ufs?\b/giu, 'eggs'],
  [/\bBackpulver\b|\blevure\s+chimique\b/gi, 'baking powder'],
  [/\bNatron\b|\bbicarbonate(?:\s+de\s+soude)?\b/gi, 'baking soda'],
  [/\bSalz\b|\bsel(?:\s+fin)?\b/gi, 'salt'],
  [/\bMilch\b|\blait\b/gi, 'milk'],
  [/\bHaferflocken\b|\bflocons\s+d['’]avoine\b/gi, 'rolled oats'],
  [/\bHonig\b|\bmiel\b/gi, 'honey'],
  [/\bZimt\b|\bcannelle\b/gi, 'cinnamon'],
  [/\bgemahlene\s+Mandeln\b|\bpoudre\s+d['’]amandes?\b/gi, 'ground almonds'],
  [/\bMandeln\b|\bamandes\b/gi, 'almonds'],
  [/\bWalnüsse\b|\bnoix\b/gi, 'walnuts'],
  [/\bHaselnüsse\b|\bnoisettes\b/gi, 'hazelnuts'],
  [/\bRosinen\b|\braisins\s+secs\b/gi, 'raisins'],
  [/\b(?:Zartbitterschokolade|chocolat\s+noir)\b/gi, 'dark chocolate'],
  [/\bKakao(?:pulver)?\b|\bcacao(?:\s+en\s+poudre)?\b/gi, 'cocoa powder'],
  [/\bSpeisestärke\b|\bfécule\s+de\s+maïs\b/gi, 'cornflour'],
  [/(?<=\d\s*(?:g|kg|ml|cl|l|tbsp|tsp|pinch)\s+)d['’e]\s*/gi, ''],
];

/** The line with its German and French kitchen words in English; any other line as it is. */
export const inEnglish = (line: string): string =>
  phrases.reduce((text, [words, english]) => text.replace(words, english), line);
