import { settingWord, type Doneness } from '../formula/index.js';
import { fatIn } from '../ingredient/index.js';
import { formatNumber, modelled, type Figure, type Warning, say } from '../shown/index.js';
import { certaintyNote, certaintyOf, type Certainty } from './certainty.js';
import { aimedIndex, darkLimitsFor, donenessIndex, stateOf, type BakeState } from './doneness.js';
import { fullRun, probes } from './full-run.js';
import { checkComposition, judgedBy, type BakeInput } from './input.js';
import { passingIndex, passingSet, type Probe } from './probe.js';
import type { Reading } from './reading.js';
import { advance, carryoverS, readRun, startRun } from './simulate.js';

export interface DonenessWindow {
  readonly state: BakeState;
  readonly fromS: number;
  readonly toS: number;
}

export interface BakeCurves {
  readonly timesS: readonly number[];
  readonly centreC: readonly number[];
  readonly edgeC: readonly number[];
  readonly bottomC: readonly number[];
  readonly diameterMm: readonly number[];
  readonly heightMm: readonly number[];
  readonly lossShare: readonly number[];
}

export interface BakeResult {
  /** What a pull at each time would give after the carryover. */
  readonly windows: readonly DonenessWindow[];
  /** The pull for the target, or the pull that was given; null when the target is out of reach. */
  readonly pull: Figure | null;
  readonly turnS: number | null;
  readonly atPull: Reading | null;
  /** After carryover on the tray and ten minutes on the rack. */
  readonly cooled: Reading | null;
  readonly curves: BakeCurves;
  /** What the forecast is good for: ± s, ± share of the diameter, nine times in ten; learned from so many bakes. */
  readonly uncertainty: Certainty;
  readonly warnings: readonly Warning[];
}

const windowsOf = (found: readonly Probe[]): readonly DonenessWindow[] => {
  const end = found.at(-1)?.pullS ?? 0;
  const at = (index: number) => passingIndex(found, index) ?? end;
  const through = at(4);
  // A rim that never snaps leaves no crisp edge between chewy and crisp through.
  const bounds = [0, passingSet(found) ?? end, at(2), Math.min(at(3), through), through, end];
  const states: readonly BakeState[] = ['under', 'soft-centre', 'chewy', 'crisp-edge', 'crisp-through'];
  return states
    .map((state, i) => ({ state, fromS: bounds[i] as number, toS: bounds[i + 1] as number }))
    .filter((window) => window.toS > window.fromS);
};

/** What goes into a bake, as its pull shows it. */
const termsOf = ({ setup, known, contact }: BakeInput): Figure['terms'] => {
  const startC = typeof setup.start === 'number' ? setup.start : (setup.start[0] ?? 0);
  return [
    {
      symbol: 'm',
      name: say`piece, ${settingWord(setup.shape)}`,
      value: setup.massG,
      unit: 'g',
      source: say`formula`,
    },
    {
      symbol: 'T₀',
      name: say`core when loaded`,
      value: startC,
      unit: '°C',
      source: say`cold model, or as set`,
    },
    {
      symbol: 'T_set',
      name: setup.fan ? say`oven, fan` : say`oven, still`,
      value: setup.setC,
      unit: '°C',
      source: say`formula and oven`,
    },
    {
      symbol: 'h',
      name: setup.fan ? say`convection in the oven` : say`convection in the oven, air and dough 75 °C apart`,
      value: setup.fan ? setup.parameters.hFan : setup.parameters.hStill,
      unit: 'W/m²K',
      source: known ? say`tuned, and learned from logged bakes` : say`typical range, tuned`,
    },
    ...(setup.offsetK
      ? [
          {
            symbol: 'ΔT',
            name: say`air above what is set`,
            value: setup.offsetK,
            unit: 'K' as const,
            source: known?.calibration
              ? say`Setup, and learned from logged bakes`
              : say`as the oven is set up`,
          },
        ]
      : []),
    {
      symbol: 'h_c',
      name: say`contact, ${settingWord(setup.liner)} on ${settingWord(setup.tray)}`,
      value: contact,
      unit: 'W/m²K',
      source: say`estimate`,
    },
    {
      symbol: 'w',
      name: say`water of the dough`,
      value: setup.dough.composition.water,
      unit: 'share',
      source: say`formula`,
    },
    {
      symbol: 's',
      name: say`sugars of the dough`,
      value: setup.dough.sugar,
      unit: 'share',
      source: say`formula`,
    },
    {
      symbol: 'f',
      name: say`fat that softens and melts in the dough`,
      value: fatIn(setup.dough.fats),
      unit: 'share',
      source: say`formula`,
    },
  ];
};

const pullFigure = (input: BakeInput, pullS: number, how: string, sure: Certainty): Figure =>
  modelled({
    name: how,
    symbol: 't',
    value: pullS,
    unit: 's',
    relation: say`heat, water, set, lift, spread and browning of the piece on its tray; doneness read after 4 min carryover`,
    terms: termsOf(input),
    source: say`evaporation-condensation model with Choi-Okos properties, parameters tuned on what is generally known (docs/models.md, Bake)`,
    note: certaintyNote(sure, pullS),
  });

/** Why there is no pull for the target: never so far within the hour, or past it by the time that the centre is done. */
const outOfReach = ({ setup, centreC }: BakeInput, target: Doneness, pullS: number | null): Warning => ({
  code: 'target-out-of-reach',
  message:
    pullS === null
      ? say`This piece does not become ${settingWord(target)} within an hour at ${formatNumber(setup.setC)} °C. Bake hotter, or make it smaller.`
      : say`This piece is past ${settingWord(target)} by the time it is set and its centre is at ${centreC} °C. Thaw it, flatten it, make it smaller or bake cooler.`,
  figures: { setC: setup.setC, centreC },
});

/**
 * One bake: what each pull time would give, the pull for the target, and the curves through carryover and rack.
 * @throws JokulError `out-of-range` outside the documented domain
 */
export const bake = (input: BakeInput): BakeResult => {
  checkComposition(input);
  const found = probes(input);
  const windows = windowsOf(found);
  const warnings: Warning[] = [];
  let pull: Figure | null = null;
  let sure = certaintyOf(input, null);
  const pullAt = (pullS: number, how: string) => {
    sure = certaintyOf(input, pullS);
    return pullFigure(input, pullS, how, sure);
  };
  if (input.pullS !== undefined) pull = pullAt(input.pullS, say`Pull, as set`);
  else if (input.target !== undefined) {
    const pullS = passingIndex(found, aimedIndex[input.target]);
    const window = windows.find(({ state }) => state === input.target);
    if (pullS !== null && window && pullS >= window.fromS && pullS <= window.toS)
      pull = pullAt(pullS, say`Pull for ${settingWord(input.target)}`);
    else warnings.push(outOfReach(input, input.target, pullS));
  }
  const run = fullRun(input, pull?.value ?? found.at(-1)?.pullS ?? 600);
  if (input.pullS !== undefined && run.coldestReachedC < input.centreC) {
    warnings.push({
      code: 'raw-centre',
      message: say`The coldest point only gets to ${Math.floor(run.coldestReachedC)} °C, on the hot tray too: raw, below the house limit of ${input.centreC} °C. Check with a probe; local rules decide.`,
      figures: { coldestC: run.coldestReachedC, limitC: input.centreC },
    });
  }
  const { edge, bottom } = run.atPull.colour;
  const dark = darkLimitsFor(input.target ?? 'chewy', input.setup.limits);
  if (bottom > dark.bottom) {
    warnings.push({
      code: 'burnt-bottom',
      message: say`The underside gets very dark before the target: bake cooler, or on a brighter tray.`,
      figures: { bottom },
    });
  }
  if (edge > dark.edge) {
    warnings.push({
      code: 'burnt-rim',
      message: say`The rim gets very dark before the target: look at it from the turn on, and pull earlier if it is dark enough.`,
      figures: { edge },
    });
  }
  return {
    windows,
    pull,
    turnS: pull ? pull.value / 2 : null,
    atPull: pull ? run.atPull : null,
    cooled: pull ? run.cooled : null,
    curves: run.curves,
    uncertainty: sure,
    warnings,
  };
};

/** The state a pull at `pullS` would end in. */
export const stateAfterPull = (input: BakeInput, pullS: number): BakeState => {
  const run = startRun(input.setup);
  advance(run, 'oven', pullS);
  advance(run, 'tray', pullS + carryoverS);
  return stateOf(donenessIndex(readRun(run), judgedBy(input)));
};
