/* How hot a recipe wants its oven: of all the temperatures that a sentence names, the one to set. */

export interface OvenSetting {
  readonly setC: number;
  readonly fan?: boolean;
}

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
/** Without a letter: ovens are not set above this, °C, so that more is meant in °F. */
const mostC = 260;

const degrees = /(\d+(?:[.,]\d+)?)\s*(?:°|º|degrees?|deg\.?|grad)?\s*(C|F|celsius|fahrenheit|grad)\b/i;
/** No oven bakes below or above this, °C: a core, a walk-in, browned butter and a sugar boil are other things. */
const leastC = 100;
const highestC = 300;

/** "Oven 375", "bake at 350 for 10 minutes", "bake 350 12 min": three figures of degrees, and of nothing else. */
const bare = [
  /\b(?:oven|ofen|at|to)\s*:?\s+(\d{3})\b(?!\s*(?:%|(?:g|kg|ml|mm|cm|x|secs?|seconds?|minutes?|mins?|hours?|pieces?|cookies|biscuits|times)\b))/i,
  // "375 degrees, 9-11 min", "350° 10 min"
  /^\s*(\d{3})\s*(?:°|degrees\b|deg\b\.?)(?!\s*(?:C|F|celsius|fahrenheit)\b)/i,
  /\bbake\s+(\d{3})(?=\s*(?:$|[,.;)]|for\b|until\b|\d))/i,
];

const moving = /\b(?:fan|convection|umluft|hei(?:ß|ss)luft|chaleur tournante|ventilated)\b/i;
const still =
  /\b(?:(?:no|not|non|without|ohne|sans)(?:\s+(?:a|the|using|using the))?[\s-]+(?:fan|convection|umluft)|conventional|static|top and bottom heat)\b/i;

interface Said {
  readonly setC: number | null;
  readonly unit: 'C' | 'F' | null;
  readonly fan: boolean;
  readonly other: boolean;
}

/** Each part of a sentence by itself: in "180C/fan 160C" and "350°F (175°C, 155°C fan)" the fan is of one of them. */
const partsOf = (text: string): readonly Said[] =>
  text.split(/[/();]|,(?!\d)|\s(?:or|oder|ou)\s/i).map((part) => {
    const [, figure, letter = ''] = degrees.exec(part) ?? [];
    const isF = /^f/i.test(letter);
    const said = figure === undefined ? null : Number(figure.replace(',', '.'));
    const inC = said === null ? null : isF ? toC(said) : said;
    const setC = inC !== null && inC >= leastC && inC <= highestC ? inC : null;
    const fan = moving.test(part) && !still.test(part);
    return {
      setC,
      unit: setC === null ? null : isF ? 'F' : 'C',
      fan,
      // "190C (170 fan)": a figure of its own, in the letter of the one before.
      other: fan && setC === null && /\b\d{3}\b/.test(part),
    };
  });

/**
 * What a sentence says of the oven: °C before °F, without a fan before with one, the first of several. A part that
 * names only the fan is of the temperature before it, or else of the one behind.
 */
export const ovenSetting = (text: string): OvenSetting | undefined => {
  const parts = partsOf(text);
  const said: { setC: number; unit: 'C' | 'F'; fan: boolean }[] = [];
  let fanBefore = false;
  for (const { setC, unit, fan, other } of parts) {
    const last = said.at(-1);
    if (setC !== null && unit !== null) {
      said.push({ setC, unit, fan: fan || fanBefore });
      fanBefore = false;
    } else if (fan && last) last.fan ||= !other;
    else if (fan && !other) fanBefore = true;
  }
  const found =
    said.find(({ unit, fan }) => unit === 'C' && !fan) ??
    said.find(({ fan }) => !fan) ??
    said.find(({ unit }) => unit === 'C') ??
    said[0];
  if (found) return { setC: found.setC, ...(found.fan && { fan: true }) };
  const gas = /\bgas\s*(?:mark)?\s*(\d)\b/i.exec(text);
  if (gas?.[1] && gas[1] in gasC) return { setC: gasC[gas[1]] as number };
  const figure = bare.map((words) => words.exec(text)?.[1]).find((found) => found !== undefined);
  if (figure === undefined) return undefined;
  const setC = Number(figure) > mostC ? toC(Number(figure)) : Number(figure);
  if (setC < leastC || setC > highestC) return undefined;
  return { setC, ...(parts.some(({ fan, other }) => fan && !other) && { fan: true }) };
};
