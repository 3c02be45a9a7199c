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

const hoursOf = (text: string): readonly [number, number] | undefined => {
  if (/overnight|über nacht|une nuit/i.test(text)) return [8, 16];
  const hours = new RegExp(String.raw`${range}\s*(?:hours?|hrs?\b|h\b|stunden?|heures?)`, 'i').exec(text);
  if (hours) {
    const from = valueOf(hours[1]) ?? 0;
    return [from, valueOf(hours[2]) ?? from];
  }
  const days = new RegExp(String.raw`${range}\s*(?:days?|tage?|jours?)`, 'i').exec(text);
  if (days) {
    const from = (valueOf(days[1]) ?? 0) * 24;
    return [from, (valueOf(days[2]) ?? from / 24) * 24];
  }
  const minutes = minutesOf(text);
  return minutes && [minutes[0] / 60, minutes[1] / 60];
};

const verbs =
  /\b(?:bake|preheat|pre-heat|heat|chill|refrigerate|freeze|rest|mix|beat|cream|stir|fold|whisk|roll out|shape|place|let|cool|makes?|yields?|serves?|line|scoop|press|cut|combine|divide|transfer|remove|until|backen|vorheizen|rühren|kneten|kühlen|ruhen|ergibt|cuire|enfourner|mélanger|préchauff\w*|pour|store|keeps?)\b/i;

/** What is done with no amount said is no ingredient: "Roll in sugar"; but "drop of vanilla" is one. */
const deed =
  /^\s*(?:\d{1,2}[.)]\s+)?(?:roll|coat|dip|toss|drop|flatten|sift|rub|add|melt|put|break|take|leave|allow|turn|wait|bring|blend|work|spread|sprinkle|dust|wrap|knead|grease|brush|drizzle|decorate|sandwich)\s+(?!of\b)\D*$/i;

/** Whether a line tells what to do and not what goes in. */
export const isInstruction = (text: string): boolean => deed.test(text) || tells(text);

const tells = (text: string): boolean =>
  verbs.test(text) &&
  (/^\s*(?:\d{1,2}[.)]\s+)?(?:then\s+|now\s+)?(?:bake|preheat|pre-heat|heat|chill|refrigerate|freeze|rest|mix|beat|cream the|cream together|stir|fold|whisk|shape|place|let|cool|makes?|yields?|serves?|line|scoop|press|combine|divide|transfer|remove|store|backen|vorheizen|ergibt|cuire|enfourner|mélanger|préchauff\w*)\b/i.test(
    text,
  ) ||
    /\b(?:minutes?|minuten|min|hours?|stunden?|heures?|days?|overnight|°|degrees|gas mark)\b|°/i.test(text));

/** Lines about the recipe, not of it: times, yield, calories, the sum of the weights. */
const about =
  /^\s*(?:(?:prep(?:aration)?|cook(?:ing)?|bak(?:e|ing)|total|chill(?:ing)?|rest(?:ing)?|active|hands-on)\s+time|total(?:\s+(?:weight|mass|batch|dough))?|servings?|calories|kcal|energy|author|source|difficulty|cuisine|course|category|ready\s+in|batch\s+size|cuisson|repos|temps\s+\w+|préparation|(?:zubereitungs|back|ruhe|kühl|gesamt|arbeits)zeit|gesamt(?:gewicht)?|summe|portionen)\s*(?:[:=–-]|\d)/i;
/** "2172 g Total", as a table has it. */
const sum =
  /^\s*[\d.,]+\s*(?:g|kg|oz|lb|grams?|kilos?|ounces?|pounds?|%)?\s+(?:sub-?)?(?:total|sum|summe|gesamt)(?:\s+(?:weight|mass|dough|batch))?\s*$/i;
export const isAbout = (text: string): boolean => about.test(text) || sum.test(text);

/** A sentence ends before a capital: "approx. 24" and "1.5 hours" go on. */
const sentenceEnd = /(?<=[.;!])\s+(?=\p{Lu})/u;

/** The next thing to do within a sentence: ", roll out", "and bake", "then chill". */
const nextStep =
  /(?:,|\s+and(?:\s+then)?|,?\s+then)\s+(?=(?:then\s+|and\s+)?(?:bake|chill|refrigerate|freeze|rest|roll|cut|cool|shape|backen)\b)/i;

/** What one line tells of oven, rest and yield, each sentence of it by itself: "Chill for 2 hours. Bake for 12 minutes." */
export const directionsOf = (text: string): Directions =>
  joinDirections(
    inFigures(text)
      .split(sentenceEnd)
      .flatMap((sentence) => sentence.split(nextStep))
      .map(tellsOf),
  );

const tellsOf = (text: string): Directions => {
  const bakes =
    /\b(?:bake|baking|oven|backen|backzeit|ofen|four|enfourner|cuire|cuisson|preheat|gas)\b|°/i.test(text);
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
  return {
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

/** What several lines tell, the first of each counting; fan and minutes are added where they stand elsewhere. */
export const joinDirections = (all: readonly Directions[]): Directions => {
  const bake = Object.assign({}, ...all.map((one) => one.bake ?? {}).reverse()) as NonNullable<
    Directions['bake']
  >;
  const rest = all.find((one) => one.rest)?.rest;
  const made = Object.assign({}, ...all.map((one) => one.yield ?? {}).reverse()) as NonNullable<
    Directions['yield']
  >;
  return {
    ...(Object.keys(bake).length > 0 && { bake }),
    ...(rest && { rest }),
    ...(Object.keys(made).length > 0 && { yield: made }),
  };
};
