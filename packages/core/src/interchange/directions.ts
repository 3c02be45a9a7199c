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
  readonly yield?: { readonly pieces?: number; readonly diameterMm?: number; readonly pieceG?: number };
}

const number = String.raw`(\d+(?:[.,]\d+)?)`;
const range = String.raw`${number}(?:\s*(?:-|–|—|to|or|bis|à)\s*${number})?`;
const valueOf = (text: string | undefined) =>
  text === undefined ? undefined : Number(text.replace(',', '.'));

/** Gas marks in °C (usual table of cookers). */
const gasC: Readonly<Record<string, number>> = {
  1: 140,
  2: 150,
  3: 170,
  4: 180,
  5: 190,
  6: 200,
  7: 220,
  8: 230,
  9: 240,
};
/** As exact as it was written: 350 °F stay 350 °F on a screen that shows them. */
const toC = (f: number) => (f - 32) / 1.8;

const setOf = (text: string): Directions['bake'] => {
  const isFan = (at: number, length: number) =>
    /fan|convection|umluft|chaleur tournante/i.test(text.slice(Math.max(0, at - 12), at + length + 14));
  const celsius = new RegExp(
    String.raw`${number}\s*(?:°|º|degrees?|deg\.?)?\s*(?:C|celsius|grad)\b`,
    'i',
  ).exec(text);
  if (celsius) {
    const setC = valueOf(celsius[1]) ?? 0;
    return { setC, ...(isFan(celsius.index, celsius[0].length) && { fan: true }) };
  }
  const fahrenheit = new RegExp(
    String.raw`${number}\s*(?:°|º|degrees?|deg\.?)?\s*(?:F|fahrenheit)\b`,
    'i',
  ).exec(text);
  if (fahrenheit) {
    const setC = toC(valueOf(fahrenheit[1]) ?? 0);
    return { setC, ...(isFan(fahrenheit.index, fahrenheit[0].length) && { fan: true }) };
  }
  const gas = /\bgas\s*(?:mark)?\s*(\d)\b/i.exec(text);
  if (gas?.[1] && gas[1] in gasC) return { setC: gasC[gas[1]] as number };
  const bare = /\b(?:oven|ofen|four|bake|backen|cuire)\b[^.\d]*?(\d{3})\s*(?:°|º|degrees|grad)/i.exec(text);
  const degrees = valueOf(bare?.[1]);
  if (degrees === undefined) return undefined;
  // Without a letter: ovens are not set above 260 °C, and not below 200 °F.
  return { setC: degrees > 260 ? toC(degrees) : degrees };
};

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
  if (/\b(?:an|one)\s+hour\b/i.test(text)) return [1, 1];
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

/** Whether a line tells what to do and not what goes in. */
export const isInstruction = (text: string): boolean =>
  verbs.test(text) &&
  (/^\s*(?:\d{1,2}[.)]\s+)?(?:then\s+|now\s+)?(?:bake|preheat|pre-heat|heat|chill|refrigerate|freeze|rest|mix|beat|cream the|cream together|stir|fold|whisk|shape|place|let|cool|makes?|yields?|serves?|line|scoop|press|combine|divide|transfer|remove|store|backen|vorheizen|ergibt|cuire|enfourner|mélanger|préchauff\w*)\b/i.test(
    text,
  ) ||
    /\b(?:minutes?|minuten|min|hours?|stunden?|heures?|days?|overnight|°|degrees|gas mark)\b|°/i.test(text));

/** Lines about the recipe, not of it: times, yield, calories, the sum of the weights. */
const about =
  /^\s*(?:(?:prep(?:aration)?|cook(?:ing)?|bak(?:e|ing)|total|chill(?:ing)?|rest(?:ing)?|active|hands-on)\s+time|total(?:\s+(?:weight|mass|batch|dough))?|servings?|calories|kcal|energy|author|source|difficulty|cuisine|course|category|ready\s+in|batch\s+size|cuisson|repos|temps\s+\w+|préparation|(?:zubereitungs|back|ruhe|kühl|gesamt|arbeits)zeit|gesamt(?:gewicht)?|summe|portionen)\s*(?:[:=–-]|\d)/i;
export const isAbout = (text: string): boolean => about.test(text);

/** A sentence ends before a capital: "approx. 24" and "1.5 hours" go on. */
const sentenceEnd = /(?<=[.;!])\s+(?=\p{Lu})/u;

/** What one line tells of oven, rest and yield, each sentence of it by itself: "Chill for 2 hours. Bake for 12 minutes." */
export const directionsOf = (text: string): Directions =>
  joinDirections(text.split(sentenceEnd).map(tellsOf));

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
  const set = bakes ? setOf(text) : undefined;
  const minutes = bakes && !rests ? minutesOf(text) : undefined;
  const hours = rests ? hoursOf(text) : undefined;
  const pieces =
    new RegExp(
      String.raw`\b(?:makes?|yields?|servings?|ergibt|gibt|donne|pour)\b\s*:?(?:\s+(?:about|around|approx\.?|ca\.?|roughly|etwa|environ))?\s*${range}`,
      'i',
    ).exec(text) ??
    new RegExp(String.raw`${range}\s+(?:cookies|biscuits|pieces|kekse|plätzchen|stück)\b`, 'i').exec(text);
  // "20 x 57 g", "24 at 60 g"
  const weight = new RegExp(
    String.raw`${number}\s*(?:x|×|at|of|à|zu|pieces\s+(?:of|at)|cookies\s+(?:of|at))\s*${number}\s*g\b`,
    'i',
  ).exec(text);
  const centimetres = new RegExp(
    String.raw`${number}\s*-?\s*(cm|mm|inch(?:es)?|in\b|")\s*(?:across|wide|in diameter|round|cookies|biscuits|apart)?`,
    'i',
  ).exec(text);
  const across =
    centimetres && /across|wide|diameter|round|cookies|biscuits/i.test(centimetres[0]) ? centimetres : null;
  const lengthMm = across
    ? (valueOf(across[1]) ?? 0) *
      (/^mm$/i.test(across[2] ?? '') ? 1 : /^cm$/i.test(across[2] ?? '') ? 10 : 25.4)
    : undefined;
  const byWeight = weight && (pieces || /\b(?:yield|makes?|ergibt|pieces)\b/i.test(text)) ? weight : null;
  const counted = byWeight
    ? valueOf(byWeight[1])
    : pieces && !across?.[0].includes(pieces[1] ?? '#')
      ? valueOf(pieces[2] ?? pieces[1])
      : valueOf(pieces?.[1]);
  return {
    ...((set ?? minutes) && { bake: { ...set, ...(minutes && { minutes }) } }),
    ...(hours && {
      rest: {
        hours,
        ...(/freez/i.test(text)
          ? { where: 'frozen' as const }
          : /chill|refrigerat|fridge|cold|kühl/i.test(text)
            ? { where: 'chilled' as const }
            : {}),
      },
    }),
    ...((counted !== undefined || lengthMm !== undefined) && {
      yield: {
        ...(counted !== undefined && { pieces: counted }),
        ...(lengthMm !== undefined && { diameterMm: Math.round(lengthMm) }),
        ...(byWeight && { pieceG: valueOf(byWeight[2]) as number }),
      },
    }),
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
