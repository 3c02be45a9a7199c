import {
  celsiusToFahrenheit,
  formatFixed,
  formatNumber,
  formatQuantity,
  massUnitsG,
  type Unit,
} from '@jokul/core';
import type { Units } from './units';

/*
 * The core says its sentences in grams, °C and millimetres. On a device that has ounces, °F and inches the figures in them
 * are said in those.
 */

/** Words after a temperature that make it a difference. */
const differs =
  /^ (?:cooler|hotter|warmer|colder|higher|lower|more|less|compared|apart|a minute|(?:is|are) worth)/;
/** A part of a kilogram of dough is a ratio: it stays as the sheet has it. */
const ofAKilogram = /^[^.;]{0,40} (?:per|a) kg/;

const number = String.raw`[−-]?\d+(?:[.,]\d+)*`;
/** One figure or two with one unit: "30 g", "5 to 10 °C", "30 ± 1.5 g". */
const figure = new RegExp(
  String.raw`(?<![\p{L}\d.,])(${number})(?:( to | and | or | ± | → |–)(${number}))?[\u0020\u00a0](°C|kg|g|mm|cm)(?![\p{L}\d/²³])`,
  'gu',
);

const valueOf = (text: string): number => Number(text.replace('−', '-').replaceAll(',', ''));
const decimals = (text: string): number => text.split('.')[1]?.length ?? 0;
const signed = (text: string): string => text.replace('-', '−');

const massIn = (massG: number): readonly [text: string, unit: string] => {
  const oz = massG / massUnitsG.oz;
  return Math.abs(oz) < 16 ? [oz.toFixed(2), 'oz'] : [(massG / massUnitsG.lb).toFixed(2), 'lb'];
};

/** Both figures of a pair stand in the unit that the larger one asks for. */
const masses = (grams: readonly number[]): readonly [texts: readonly string[], unit: string] => {
  const [, unit] = massIn(Math.max(...grams.map(Math.abs)));
  const by = unit === 'lb' ? massUnitsG.lb : massUnitsG.oz;
  return [grams.map((massG) => (massG / by).toFixed(2)), unit];
};

const converted = (
  texts: readonly string[],
  unit: string,
  isDifference: boolean,
): readonly [texts: readonly string[], unit: string] => {
  const values = texts.map(valueOf);
  const digits = Math.max(...texts.map(decimals));
  if (unit === '°C')
    return [values.map((c) => formatFixed(isDifference ? 1.8 * c : celsiusToFahrenheit(c), digits)), '°F'];
  if (unit === 'cm') return [values.map((cm) => (cm / 2.54).toFixed(digits + 1)), 'in'];
  if (unit === 'mm') return [values.map((mm) => (mm / 25.4).toFixed(digits + 2)), 'in'];
  return masses(values.map((mass) => (unit === 'kg' ? 1000 * mass : mass)));
};

/** A sentence of the core with its masses, temperatures and lengths in the units of the device. */
export const saidInUnits = (sentence: string, units: Units): string => {
  if (units !== 'us') return sentence;
  return sentence.replace(
    figure,
    (whole, one: string, between: string | undefined, two: string | undefined, unit: string, at: number) => {
      const after = sentence.slice(at + whole.length);
      if (unit === 'g' && ofAKilogram.test(after)) return whole;
      const texts = two === undefined ? [one] : [one, two];
      // 30 ± 2 °C: the second is a difference.
      if (unit === '°C' && between === ' ± ') {
        const [[mean = ''], [by = '']] = [
          converted([one], unit, false)[0],
          converted([two ?? ''], unit, true)[0],
        ];
        return signed(`${mean} ± ${by} °F`);
      }
      const [said, now] = converted(texts, unit, differs.test(after));
      return `${said.map(signed).join(between ?? '')} ${now}`;
    },
  );
};

/** A value of the core with its unit, in the units of the device. */
export const quantityInUnits = (value: number, unit: Unit, units: Units): string => {
  if (units !== 'us') return formatQuantity(value, unit);
  switch (unit) {
    case 'g': {
      const [text, now] = massIn(value);
      return `${signed(text)} ${now}`;
    }
    case '°C':
      return `${formatNumber(celsiusToFahrenheit(value))} °F`;
    case 'K':
      return `${formatNumber(1.8 * value)} °F`;
    case 'mm':
      return `${formatNumber(value / 25.4)} in`;
    default:
      return formatQuantity(value, unit);
  }
};
