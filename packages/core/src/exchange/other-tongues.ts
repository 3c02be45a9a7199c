/*
 * Kitchen words of metric pages in German and French, as the library has them. Only what stands in recipes for biscuits;
 * what is not here is asked about like any unknown word.
 */
const phrases: readonly (readonly [RegExp, string])[] = [
  [/(?<=\d)\s+(?:bis|à)\s+(?=\d)/gi, ' to '],
  [/\b(?:(?:farina|flour)\s+)?(?:di\s+)?tipo\s+0{1,2}(?![\d.,])(?:\s+(?:flour|farina))?/gi, '"00" flour'],
  [/(?<=^\s*(?:[-*•–]\s*)?)(?:ein\s+halber|ein\s+halbes|eine\s+halbe|une?\s+demi(?:e|-)?)\s*/gi, '1/2 '],
  [/(?<=^\s*(?:[-*•–]\s*)?)(?:eine[rn]?|une?)\s+(?=\p{L})/giu, '1 '],
  [/\bPäckchen\b|\bPck\.?(?=\s)|\bBeutel\b/gi, 'packet'],
  [/\b(?:Becher|pots?)\b(?=\s)/gi, 'tub'],
  [/\bTafeln?\b|\btablettes?\b/gi, 'bar'],
  [/\bDinkelmehl\b(?:\s*\(?(?:Type|T)\s*\d+\)?)?/gi, 'spelt flour'],
  [/\b(?:Weizen)?vollkornmehl\b|\bfarine\s+(?:complète|intégrale)\b/gi, 'wholemeal flour'],
  [/\bfarine\s+de\s+seigle\b/gi, 'rye flour'],
  [/\bfarine\s+de\s+riz\b|\bReismehl\b/gi, 'rice flour'],
  [/\bErdnuss(?:butter|mus)\b|\bbeurre\s+de\s+cacahu[eè]tes?\b/gi, 'peanut butter'],
  [/\bMandelmus\b/gi, 'almond butter'],
  [/\bErdnüsse\b|\bcacahu[eè]tes\b/gi, 'peanuts'],
  [/\bPekannüsse\b|\bnoix\s+de\s+pécan\b/gi, 'pecans'],
  [/\bPistazien\b|\bpistaches\b/gi, 'pistachios'],
  [/\bKokos(?:raspeln?|flocken)\b|\bnoix\s+de\s+coco(?:\s+râpée?)?\b/gi, 'desiccated coconut'],
  [/\bcrème\s+de\s+tartre\b|\bWeinstein\b/gi, 'cream of tartar'],
  [/\bSahne\b|\bcrème\s+(?:liquide|entière|fleurette)(?:\s+entière)?\b/gi, 'cream'],
  [/\bFrischkäse\b|\bfromage\s+frais\b/gi, 'cream cheese'],
  [/\bJoghurt\b|\byaourt\b/gi, 'yoghurt'],
  [/\bMilchpulver\b|\blait\s+en\s+poudre\b/gi, 'milk powder'],
  [/\bZitronensaft\b|\bjus\s+de\s+citrons?\b/gi, 'lemon juice'],
  [/\bZitronen(?:schale|abrieb|zeste)\b|\bzestes?\s+de\s+citrons?\b/gi, 'lemon zest'],
  [/\bOrangensaft\b|\bjus\s+d['’]oranges?\b/gi, 'orange juice'],
  [/\bOrangen(?:schale|abrieb)\b|\bzestes?\s+d['’]oranges?\b/gi, 'orange zest'],
  [/\b(?:Sonnenblumen|Pflanzen|Raps)?öl\b/giu, 'vegetable oil'],
  [/\bhuile(?:\s+de\s+(?:tournesol|colza)|\s+neutre)?\b/gi, 'vegetable oil'],
  [/\bWasser\b|\beau\b/gi, 'water'],
  [/\b(?:Kartoffel)stärke\b|\bfécule(?:\s+de\s+pommes?\s+de\s+terre)?\b(?!\s+de\s+maïs)/gi, 'potato starch'],
  [/\bMaizena\b|\bMaïzena\b|\bMaisstärke\b/gi, 'cornflour'],
  [/\bIngwer(?:pulver)?\b|\bgingembre(?:\s+(?:moulu|en\s+poudre))\b/gi, 'ground ginger'],
  [/\bVanille(?:extrakt|aroma)\b|\bextrait\s+de\s+vanille\b/gi, 'vanilla extract'],
  [/\bVanilleschoten?\b|\bgousses?\s+de\s+vanille\b/gi, 'vanilla pod'],
  [/\bVollmilchschokolade\b|\bchocolat\s+au\s+lait\b/gi, 'milk chocolate'],
  [/\bwei(?:ß|ss)e\s+(?:Schokolade|Kuvertüre)\b|\bchocolat\s+blanc\b/gi, 'white chocolate'],
  [/\bSchoko(?:laden)?(?:tropfen|stückchen|drops)\b|\bpépites\s+de\s+chocolat\b/gi, 'chocolate chips'],
  [/\b(?:dunkle|Zartbitter)[\s-]*(?:Kuvertüre|schokolade)\b/gi, 'dark chocolate'],
  [/\bDatteln?\b|\bdattes?\b/gi, 'dates'],
  [/\b(?:Marmelade|Konfitüre)\b|\bconfiture\b/gi, 'jam'],
  [/\bAhornsirup\b|\bsirop\s+d['’]érable\b/gi, 'maple syrup'],
  [/\bHirschhornsalz\b/gi, "baker's ammonia"],
  [/\bfleur\s+de\s+sel\b/gi, 'flaky salt'],
  [
    /\b(?:flüssige[rs]?|kalte[rs]?|zerlassene[rs]?|geschmolzene[rs]?|feine[rsmn]?|gro(?:be|b)[rs]?|geriebene[rs]?|gesiebte[rs]?|gehackte[rsn]?|geröstete[rsn]?|zimmerwarme[rs]?|frische[rsn]?)\s+(?=\p{L})/giu,
    '',
  ],
  [
    /\b(?:ramolli|froid|tempéré|râpé|tamisé|concassé|fondu|grillé)e?s?\b|(?<=\s)(?:en\s+(?:morceaux|dés|pommade)|pommade)\b/giu,
    '',
  ],
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
  [/\bdunkel(?:er|es|e)?\b(?!\s+(?:Schoko|Kuvert))/gi, 'dark'],
  [/\bhell(?:er|es|e)?\b/gi, 'light'],
  [/\bVanillezucker\b|\bsucre\s+vanillé\b/gi, 'vanilla sugar'],
  [/\bZucker\b|\bsucre(?:\s+(?:en\s+poudre|semoule|blanc))?\b/gi, 'sugar'],
  [/\bbeurre\s+(?:demi-sel|salé)\b|\bgesalzene\s+Butter\b/gi, 'salted butter'],
  [/\bbeurre\s+noisette\b/gi, 'browned butter'],
  [/\bbeurre(?:\s+doux)?\b/gi, 'butter'],
  [/\bEigelbe?\b|\bjaunes?\s+d['’]?\s*(?:œ|oe)ufs?\b|\bjaunes?\b/gi, 'egg yolk'],
  [/\bEiweiße?\b|\bblancs?\s+d['’]?\s*(?:œ|oe)ufs?\b/gi, 'egg white'],
  [/\bEi(?:er)?\b|(?<!\p{L})(?:œ|oe)ufs?\b/giu, 'eggs'],
  [/\bBackpulver\b|\blevure\s+chimique\b/gi, 'baking powder'],
  // That of ammonium, or of potassium, is another one.
  [/\bNatron\b|(?<!\bammonium\s|\bpotassium\s|\bsodium\s)\bbicarbonate(?:\s+de\s+soude)?\b/gi, 'baking soda'],
  [/\bSalz\b|\bsel(?:\s+fin)?\b/gi, 'salt'],
  [/\bMilch\b|\blait\b/gi, 'milk'],
  [/(?:\b(?:zarte|kernige|feine|grobe)n?\s+)?\bHaferflocken\b|\bflocons\s+d['’]avoine\b/gi, 'rolled oats'],
  [/\bHonig\b|\bmiel\b/gi, 'honey'],
  [/\bZimt\b|\bcannelle\b/gi, 'cinnamon'],
  [/\bgemahlene\s+Mandeln\b|\bpoudre\s+d['’]amandes?\b/gi, 'ground almonds'],
  [/\bMandeln\b|\bamandes\b/gi, 'almonds'],
  [/\bWalnüsse\b|\bnoix\b/gi, 'walnuts'],
  [/\bHaselnüsse\b|\bnoisettes\b/gi, 'hazelnuts'],
  [/\bRosinen\b|\braisins\s+secs\b/gi, 'raisins'],
  [/\b(?:Zartbitterschokolade|chocolat\s+noir)\b/gi, 'dark chocolate'],
  [/\bKakao(?:pulver)?\b|\bcacao(?:\s+en\s+poudre|\s+powder)?\b(?!\s*nibs?\b)/gi, 'cocoa powder'],
  [/\bSpeisestärke\b|\bfécule\s+de\s+maïs\b/gi, 'cornflour'],
  // A word that only begins like it, "desiccated", stays whole.
  [/(?<=\d\s*(?:g|kg|ml|cl|l|tbsp|tsp|pinch)\s+)(?:d['’]\s*|de\s+)/gi, ''],
];

/** Where a word begins or ends, accented letters being letters. */
const edge = String.raw`(?:(?<=\p{L})(?!\p{L})|(?<!\p{L})(?=\p{L}))`;
const wholeWords = () =>
  phrases.map(
    ([{ source, flags }, english]) =>
      [
        new RegExp(source.replaceAll(String.raw`\b`, edge), flags.includes('u') ? flags : `${flags}u`),
        english,
      ] as const,
  );
/** Made when the first recipe is read: it takes a tenth of a second, and most who load the core read none. */
let words: ReturnType<typeof wholeWords> | undefined;

/** The line with its German and French kitchen words in English; any other line as it is. */
export const inEnglish = (line: string): string => {
  words ??= wholeWords();
  return words.reduce((text, [found, english]) => text.replace(found, english), line);
};
