import { settingWord, type Doneness } from '../formula/index.js';
import { modelled, type Figure, say } from '../shown/index.js';
import { aimedIndex, donenessIndex, stateOf } from './doneness.js';
import { checkComposition, judgedBy, type BakeInput } from './input.js';
import { advance, carryoverS, readRun, startRun } from './simulate.js';
import type { Reading } from './reading.js';

export interface TemperatureAnswer {
  /** The oven to set, or null when no temperature within the model's domain does it. */
  readonly set: Figure | null;
  /** What comes out at it; of the nearest bound when there is none. */
  readonly reading: Reading;
  readonly reason?: 'too-short' | 'too-long';
}

const lowC = 125;
const highC = 250;

/**
 * The oven temperature at which a given time in the oven ends in the target: bisection on the doneness after carryover,
 * which rises with the temperature.
 */
export const temperatureFor = (input: BakeInput, pullS: number, target: Doneness): TemperatureAnswer => {
  checkComposition({ ...input, pullS });
  const by = judgedBy(input);
  const at = (setC: number): Reading => {
    const run = startRun({ ...input.setup, setC });
    advance(run, 'oven', pullS);
    advance(run, 'tray', pullS + carryoverS);
    return readRun(run);
  };
  const aim = aimedIndex[target];
  const index = (reading: Reading) => donenessIndex(reading, by);
  const [cool, hot] = [at(lowC), at(highC)];
  if (index(hot) < aim) return { set: null, reading: hot, reason: 'too-short' };
  if (index(cool) >= aim) return { set: null, reading: cool, reason: 'too-long' };
  let [low, high] = [lowC, highC];
  while (high - low > 0.5) {
    const middle = (low + high) / 2;
    if (index(at(middle)) < aim) low = middle;
    else high = middle;
  }
  // The upper end is the one that surely gets there: half a kelvin lower the centre might still be raw.
  const setC = high;
  const reading = at(setC);
  // What is past the target by the time that its centre is done needs more time, not another oven.
  if (stateOf(index(reading)) !== target) return { set: null, reading, reason: 'too-short' };
  return {
    set: modelled({
      name: say`Oven for ${settingWord(target)} after this time`,
      symbol: 'T_set',
      value: setC,
      unit: '°C',
      relation: say`the doneness after carryover rises with T_set: halved between 125 and 250 °C to 0.5 K`,
      terms: [
        { symbol: 't', name: say`time in the oven`, value: pullS, unit: 's', source: say`as asked` },
        {
          symbol: 'I',
          name: say`doneness aimed at`,
          value: aim,
          unit: '',
          source: say`middle of its window`,
        },
        { symbol: 'm', name: say`piece`, value: input.setup.massG, unit: 'g', source: say`formula` },
      ],
      source: say`bake model (docs/models.md, Bake)`,
      note: say`A forecast: 10 °C are worth about 8 % of the time. Far from the usual temperature, try a few pieces first.`,
    }),
    reading,
  };
};
