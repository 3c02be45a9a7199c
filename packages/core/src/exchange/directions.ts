import { batchYield, type BatchYield } from './batch-yield.js';
import { ovenSetting } from './oven-setting.js';
import { countWords } from './words.js';

/* What a recipe says besides its ingredients: how hot, how long, how cold, how many. */

export interface Directions {
  readonly bake?: {
    readonly setC?: number;
    readonly fan?: boolean;
    readonly minutes?: readonly [number, number];
  };
  readonly rest?: {
    readonly hours: readonly [number, number];
    readonly where?: 'chilled' | 'frozen' | 'bench';
  };
  readonly yield?: BatchYield;
  /** What is done with the butter in a pan first. */
  readonly butter?: 'melted' | 'browned';
}

const number = String.raw`(\d+(?:[.,]\d+)?)`;
const range = String.raw`${number}(?:\s*(?:-|–|—|to|or|bis|à)\s*${number})?`;
const valueOf = (text: string | undefined) =>
  text === undefined ? undefined : Number(text.replace(',', '.'));

/** Numbers that a recipe writes as words. */
const spelled: Readonly<Record<string, number>> = { ...countWords, eleven: 11, twelve: 12, fifteen: 15 };
const inFigures = (text: string): string =>
  text.replace(
    new RegExp(
      String.raw`\b(${Object.keys(spelled).join('|')})\b(?=\s*-?\s*(?:(?:to|or)\s|min|hour|hr|dozen|doz\b|day|inch|in\b|cm\b|cookies|biscuits|pieces))`,
      'gi',
    ),
    (word) => String(spelled[word.toLowerCase()] ?? word),
  );

const minutesOf = (text: string): readonly [number, number] | undefined => {
  const found = new RegExp(String.raw`${range}\s*(?:more\s+)?(minutes?|mins?\.?|min\b|minuten)`, 'i').exec(
    text,
  );
  const from = valueOf(found?.[1]);
  if (from === undefined) return undefined;
  return [from, valueOf(found?.[2]) ?? from];
};

const timeUnits: readonly (readonly [RegExp, number])[] = [
  [/^(?:hours?|hrs?|h|stunden?|heures?)$/i, 1],
  [/^(?:days?|tage?|jours?)$/i, 24],
  [/^(?:weeks?|wochen?|semaines?)$/i, 7 * 24],
  [/^(?:minutes?|mins?|minuten)$/i, 1 / 60],
];
const duration = new RegExp(
  String.raw`${range}\s*-?\s*(hours?|hrs?|h|stunden?|heures?|days?|tage?|jours?|weeks?|wochen?|semaines?|minutes?|mins?|minuten)\b`,
  'gi',
);
const atMost =
  /\b(?:up\s+to|(?:at|for)\s+(?:the\s+)?most|maximum|max\.?|no\s+(?:more|longer)\s+than|bis\s+zu|höchstens|jusqu.à)\s+(?:of\s+)?$/i;

/** Overnight, h. */
const night = [8, 16] as const;

/**
 * How long, h: "2 hours", "24 to 72 hours", "at least 1 hour and up to 3 days", "overnight". What may be done "up to three
 * days ahead" need not be done at all.
 */
const hoursOf = (text: string): readonly [number, number] | undefined => {
  const overnight = /overnight|über nacht|une nuit/i.test(text);
  let from: number | undefined;
  let to: number | undefined;
  for (const found of text.matchAll(duration)) {
    const by = timeUnits.find(([unit]) => unit.test(found[3] ?? ''))?.[1] ?? 1;
    const low = (valueOf(found[1]) ?? 0) * by;
    const high = (valueOf(found[2]) ?? low / by) * by;
    if (atMost.test(text.slice(0, found.index))) {
      if (from === undefined ? overnight : high > from) to = high;
    } else if (from === undefined) [from, to] = [low, high];
  }
  // "1 hour at least, better overnight"
  if (overnight) return [Math.min(from ?? night[0], night[0]), Math.max(to ?? night[1], night[1])];
  return from === undefined || to === undefined ? undefined : [from, to];
};

const verbs =
  /\b(?:bake|preheat|pre-heat|heat|chill|refrigerate|freeze|rest|mix|beat|cream|stir|fold|whisk|roll out|shape|place|let|cool|makes?|yields?|serves?|line|scoop|press|cut|combine|divide|transfer|remove|until|backen|vorheizen|rühren|kneten|kühlen|ruhen|ergibt|cuire|enfourner|mélanger|préchauff\w*|pour|store|keeps?)\b/i;

/** What is done with no amount said is no ingredient: "Roll in sugar"; but "drop of vanilla" is one. */
const doing =
  /^\s*(?:\d{1,2}[.)]\s+)?(?:roll|coat|dip|toss|drop|flatten|sift|rub|add|melt|put|break|take|leave|allow|turn|wait|bring|blend|work|spread|sprinkle|dust|wrap|knead|grease|brush|drizzle|decorate|sandwich)\s+(?!of\b)\D*$/i;

/** Whether a line tells what to do and not what goes in. */
export const isInstruction = (text: string): boolean => doing.test(text) || tells(text);

const heat = String.raw`\d{3}\s*(?:(?:°|º|deg(?:rees?)?\b\.?)\s*[CF]?|[CF])(?![a-z])`;
// Three digits at most: of a long row of them, every one would be tried with every other.
const time = String.raw`\d{1,3}\s*(?:min|mins|minutes)\b`;
const between = String.raw`(?:[^a-z]|\b(?:for|about|approx|ca|fan|convection|to|or|gas|mark|at|in|oven|[cf])\b)*`;
/** "350F 8-10 min", "12 minutes at 180 C": degrees and minutes, and nothing to weigh. */
const heatAndTime = new RegExp(
  String.raw`^\s*(?:@|at\s)?\s*${heat}${between}${time}|^\s*\d{1,3}\s*(?:(?:-|–|to)\s*)?${time}${between}${heat}|^\s*${time}${between}${heat}`,
  'i',
);

const tells = (text: string): boolean =>
  heatAndTime.test(text) ||
  (verbs.test(text) &&
    (/^\s*(?:\d{1,2}[.)]\s+)?(?:then\s+|now\s+)?(?:bake|preheat|pre-heat|heat|chill|refrigerate|freeze|rest|mix|beat|cream the|cream together|stir|fold|whisk|shape|place|let|cool|makes?|yields?|serves?|line|scoop|press|combine|divide|transfer|remove|store|backen|vorheizen|ergibt|cuire|enfourner|mélanger|préchauff\w*)\b/i.test(
      text,
    ) ||
      /\b(?:minutes?|minuten|min|hours?|stunden?|heures?|days?|overnight|°|degrees|gas mark)\b|°/i.test(
        text,
      )));

/** Lines about the recipe, not of it: times, yield, calories, the sum of the weights. */
const about =
  /^\s*(?:(?:prep(?:aration)?|cook(?:ing)?|bak(?:e|ing)|total|chill(?:ing)?|rest(?:ing)?|active|hands-on)\s+time|total(?:\s+(?:weight|mass|batch|dough))?|servings?|calories|kcal|energy|author|source|difficulty|cuisine|course|category|ready\s+in|batch\s+size|cuisson|repos|temps\s+\w+|préparation|(?:zubereitungs|back|ruhe|kühl|gesamt|arbeits)zeit|gesamt(?:gewicht)?|summe|portionen)\s*(?:[:=–-]|\d)/i;
/** "Preparation 15 min, cooking 12 min": times and nothing else. */
const times =
  /^(?:\s*[,;|/]?\s*(?:prep(?:aration)?|cook(?:ing)?|bak(?:e|ing)|chill(?:ing)?|rest(?:ing)?|cool(?:ing)?|active|total|ready|vorbereitung|zubereitung|backen|ruhen)\s*(?:time)?\s*[:=–-]?\s*(?:about\s+|ca\.?\s*)?\d[\d\s.,–-]*(?:minutes?|mins?\.?|hours?|hrs?\.?|h|std\.?|minuten|stunden?)(?:\s*\d+\s*(?:minutes?|mins?\.?))?\s*[.;]?)+\s*$/i;
/** "2172 g Total", as a table has it. */
const sum =
  /^\s*[\d.,]+\s*(?:g|kg|oz|lb|grams?|kilos?|ounces?|pounds?|%)?\s+(?:sub-?)?(?:total|sum|summe|gesamt)(?:\s+(?:weight|mass|dough|batch))?\s*$/i;
export const isAbout = (text: string): boolean => about.test(text) || sum.test(text) || times.test(text);

/** A sentence ends before a capital: "approx. 24" and "1.5 hours" go on. */
const sentenceEnd = /(?<=[.;!])\s+(?=\p{Lu})/u;

/** The next thing to do within a sentence: ", roll out", "and bake", "then chill". */
const nextStep =
  /(?:,|\s+and(?:\s+then)?|,?\s+then)\s+(?=(?:then\s+|and\s+)?(?:bake|chill|refrigerate|freeze|rest|roll|cut|cool|shape|backen)\b)/i;

/** What one line tells of oven, rest and yield, each sentence of it by itself: "Chill for 2 hours. Bake for 12 minutes." */
export const directionsOf = (text: string): Directions =>
  noFigure.test(text)
    ? {}
    : joinDirections(
        inFigures(text)
          .split(sentenceEnd)
          .flatMap((sentence) => sentence.split(nextStep))
          .map(tellsOf),
      );

/** No recipe writes so many digits in a row: reading them would take the square of their number. */
const noFigure = /\d{20}/;

/** Butter that goes into no dough: on the tray, on the baked piece, or into melted chocolate. */
const otherButter = /\b(?:brush|grease|butter\s+the|tray|sheet|pan\s+with|chocolate|schokolade|chocolat)\b/i;
const browns =
  /\bbrown(?:ing)?\s+(?:(?:all\s+)?the|your)\s+butter\b|^\s*(?:\d{1,2}[.)]\s+)?brown\s+butter\b|\bbutter\b[^.;]{0,60}\buntil\b[^.;]{0,40}\b(?:brown(?:ed)?|amber|nutty)\b|\bbutter\b[^.;]{0,20}\bbräunen\b|\bbeurre\s+noisette\b/i;
const melts =
  /\b(?:melt(?:ed|ing)?|fondre|fondu)\b[^.;]{0,30}\b(?:butter|margarine|beurre)\b|\b(?:butter|margarine|beurre)\b[^.;]{0,30}\b(?:melts?|melted|schmelzen|zerlassen|fondre)\b/i;

const butterIn = (text: string): Directions['butter'] => {
  if (otherButter.test(text)) return undefined;
  if (browns.test(text)) return 'browned';
  return melts.test(text) ? 'melted' : undefined;
};

const tellsOf = (text: string): Directions => {
  const bakes =
    heatAndTime.test(text) ||
    /\b(?:bake|baking|oven|backen|backzeit|ofen|four|enfourner|cuire|cuisson|preheat|gas|degrees|deg)\b|°/i.test(
      text,
    );
  // How long it keeps is no rest before the oven.
  const keeps =
    /\b(?:keeps?|store[sd]?|storage|storing|lasts?|leftovers?|airtight|ahead|haltbar|aufbewahren|conserve\w*)\b/i.test(
      text,
    );
  const rests =
    !keeps &&
    /\b(?:chill|refrigerate|rest|fridge|cold|freeze|freezer|kühl\w*|kaltstellen|ruhe\w*|repos\w*)\b/i.test(
      text,
    );
  const set = bakes ? ovenSetting(text) : undefined;
  const minutes = bakes && !rests ? minutesOf(text) : undefined;
  const hours = rests ? hoursOf(text) : undefined;
  const made = batchYield(text);
  const butter = butterIn(text);
  return {
    ...(butter && { butter }),
    ...((set ?? minutes) && { bake: { ...set, ...(minutes && { minutes }) } }),
    ...(hours && {
      rest: {
        hours,
        ...(/freez/i.test(text)
          ? { where: 'frozen' as const }
          : /chill|refrigerat|réfrigér|fridge|frigo|frais|cold|kühl/i.test(text)
            ? { where: 'chilled' as const }
            : {}),
      },
    }),
    ...(made && { yield: made }),
  };
};

/** The longest rest is the dough's: butter that cools for twenty minutes goes before it. */
const longestRest = (all: readonly Directions[]): Directions['rest'] =>
  all.reduce<Directions['rest']>(
    (longest, { rest }) => (rest && (!longest || rest.hours[0] > longest.hours[0]) ? rest : longest),
    undefined,
  );

/** What several lines tell, the first of each counting; fan and minutes are added where they stand elsewhere. */
export const joinDirections = (all: readonly Directions[]): Directions => {
  const bake = Object.assign({}, ...all.map((one) => one.bake ?? {}).reverse()) as NonNullable<
    Directions['bake']
  >;
  const rest = longestRest(all);
  const made = Object.assign({}, ...all.map((one) => one.yield ?? {}).reverse()) as NonNullable<
    Directions['yield']
  >;
  // Butter that is browned is melted before.
  const butter = all.find((one) => one.butter === 'browned')?.butter ?? all.find((one) => one.butter)?.butter;
  return {
    ...(butter && { butter }),
    ...(Object.keys(bake).length > 0 && { bake }),
    ...(rest && { rest }),
    ...(Object.keys(made).length > 0 && { yield: made }),
  };
};
