import { modelled, type Figure, say } from '../shown/index.js';
import { adjustSetup, noAdjustment } from './calibration/adjustment.js';
import { aimedIndex } from './doneness.js';
import { checkComposition, judgedBy, type BakeInput } from './input.js';
import { passingIndex, probeOf, type Probe } from './probe.js';
import type { Reading } from './reading.js';
import { advance, readingIfPulledNow, readRun, startRun, type Run } from './simulate.js';

/** One tray of a load. */
export interface LoadTray {
  readonly position: number;
  readonly pieces: number;
  /** How much hotter its place is than the oven as a whole, K. */
  readonly offsetK: number;
}

export interface LoadQuestion {
  /** The piece in the oven as a whole, by what is known of it. */
  readonly input: BakeInput;
  readonly trays: readonly LoadTray[];
  /** Places of the oven: what a full load is. */
  readonly places: number;
  /** What happens half way: nothing, each tray is turned, or trays also change places from top to bottom. */
  readonly halfTime: 'nothing' | 'turn' | 'swap';
  /** Right side less left side, back less front, of the oven, K. */
  readonly sidesK: number;
  readonly depthK: number;
  /** Power of the heaters, W, and how fast they heat the empty oven, K/min; the usual for its places where left out. */
  readonly heater?: { readonly powerW: number; readonly degreesPerMin: number };
  /** When half time is; half of the pull that the oven as a whole asks for. */
  readonly turnS: number;
}

export interface TrayOutcome {
  readonly position: number;
  readonly pieces: number;
  /** When this tray should be pulled, s; null when its target is out of reach within what was simulated. */
  readonly pullS: number | null;
  /** What it is when all are pulled together. */
  readonly atOnce: Reading;
  readonly index: number;
}

export interface LoadOutcome {
  readonly trays: readonly TrayOutcome[];
  /** One pull for all. */
  readonly together: Figure;
  /** Oven air over the bake. */
  readonly timesS: readonly number[];
  readonly airC: readonly number[];
  /** Rim colour of the hottest and the coolest corner of a middle tray, as all are pulled together. */
  readonly corners: { readonly hot: number; readonly cool: number };
}

const stepS = 5;
const probeS = 30;
/** Heat that an oven gives per place beyond what holds it at its temperature, W; and what it stores per place, J/K. */
const heaterWPerPlace = 1500;
const storeJPerKPerPlace = 6000;
/** Of the power of its heaters, what is left beyond what holds it hot: an estimate. */
export const sparePower = 0.7;
/** The heater's band over which it goes from nothing to all, K. */
const bandK = 12;

interface Going {
  readonly tray: LoadTray;
  readonly run: Run;
  /** Pulls that were tried, with what the piece becomes. */
  readonly found: (Probe & { readonly reading: Reading })[];
}

/**
 * How far the air is below what is set after another step, K. The dip of the oven stands for one tray of the usual fill;
 * only what goes `beyondW` it moves the air further, and the heater brings it back.
 */
const shifted = ({ mostW, storesJPerK }: Heater, shiftK: number, beyondW: number): number => {
  const heaterW = Math.min(mostW, Math.max(0, -shiftK / bandK) * mostW);
  const balanceW = heaterW - Math.max(0, beyondW);
  return Math.min(0, shiftK + (balanceW * stepS) / storesJPerK);
};

/** What an oven gives at most, W, and stores, J/K. */
interface Heater {
  readonly mostW: number;
  readonly storesJPerK: number;
  readonly source: string;
}

/** Of its power, what it stores shows in how fast it heats up: C = P / (dT/dt). */
const heaterOf = ({ heater, places }: LoadQuestion): Heater => {
  if (!heater)
    return {
      mostW: heaterWPerPlace * places,
      storesJPerK: storeJPerKPerPlace * places,
      source: say`typical, per place of the oven`,
    };
  const mostW = sparePower * heater.powerW;
  return {
    mostW,
    storesJPerK: (60 * mostW) / heater.degreesPerMin,
    source: say`power of its heaters, and how fast it heats up`,
  };
};

/** When the trays were looked at nearest to their common pull, s. */
const nearestProbe = ([first]: readonly Going[], togetherS: number): number => {
  const probes = first?.found.map(({ pullS }) => pullS) ?? [];
  return probes.reduce(
    (best, t) => (Math.abs(t - togetherS) < Math.abs(best - togetherS) ? t : best),
    probes[0] ?? 0,
  );
};

const togetherFigure = (
  q: LoadQuestion,
  going: readonly Going[],
  pulls: readonly (number | null)[],
  endS: number,
  togetherS: number,
): Figure => {
  const heater = heaterOf(q);
  return modelled({
    name: say`Pull of the whole load`,
    symbol: 't',
    value: togetherS,
    unit: 's',
    relation: say`${'t'} = mean of the pulls that the places want; air: ${'C dT/dt = P(T) − (Q_load − Q_one)'}`,
    terms: [
      ...going.map(({ tray }, i) => ({
        symbol: `t${tray.position}`,
        name: say`place ${tray.position}, ${tray.pieces} pieces, ${tray.offsetK.toFixed(1)} °C compared with the oven`,
        value: pulls[i] ?? endS,
        unit: 's' as const,
        source:
          pulls[i] === null ? say`not reached within the run` : say`bake model, coupled through the air`,
      })),
      {
        symbol: 'P',
        name: say`heater, at most`,
        value: heater.mostW,
        unit: 'W',
        source: heater.source,
      },
      {
        symbol: 'C',
        name: say`what the oven stores`,
        value: heater.storesJPerK,
        unit: 'J/K',
        source: heater.source,
      },
    ],
    source: say`bake model (docs/models.md, Bake, A whole load)`,
    note: say`A forecast. Heater and store are estimates; how places differ is learned from measured trays, or assumed.`,
  });
};

/**
 * All trays of an oven in one run: every tray its own simulation, coupled through the air, which loses what the trays
 * and pieces take up beyond a single tray (for which the dip of the oven stands) and gains what the heater gives.
 * @throws JokulError `out-of-range` outside the model's domain
 */
export const bakeLoad = (q: LoadQuestion): LoadOutcome => {
  checkComposition(q.input);
  const { setup, target = 'chewy' } = q.input;
  const by = judgedBy(q.input);
  const heater = heaterOf(q);
  const aim = aimedIndex[target];
  const positions = q.trays.map(({ position }) => position);
  const [top, bottom] = [Math.min(...positions), Math.max(...positions)];
  const offsetOf = (position: number) => q.trays.find((tray) => tray.position === position)?.offsetK ?? 0;
  const begin = (offsetK: number) => startRun(adjustSetup(setup, { ...noAdjustment, offsetK }));
  const going: Going[] = q.trays.map((tray) => ({ tray, run: begin(tray.offsetK), found: [] }));
  const skew = (Math.abs(q.sidesK) + Math.abs(q.depthK)) / 2;
  const corners = [begin(skew), begin(-skew)] as const;
  const usual = begin(0);
  const most = Math.max(...q.trays.map(({ pieces }) => pieces));
  const timesS: number[] = [];
  const airC: number[] = [];
  let shiftK = 0;
  const endS = q.turnS * 2 * 1.5;
  const taken = (run: Run) => run.scratch.heatIn + run.scratch.trayHeatJ;
  const cornersAt = new Map<number, LoadOutcome['corners']>();
  let nextProbe = q.turnS;
  for (let timeS = stepS; timeS <= endS; timeS += stepS) {
    const before = going.map(({ run }) => taken(run));
    const usualBefore = taken(usual);
    const turned = timeS > q.turnS && q.halfTime !== 'nothing';
    for (const { tray, run } of going) {
      const swapped =
        turned && q.halfTime === 'swap' ? offsetOf(top + bottom - tray.position) - tray.offsetK : 0;
      run.scratch.shiftK = shiftK + swapped;
      advance(run, 'oven', timeS);
    }
    corners.forEach((run, i) => {
      // A turned tray has its hot corner on the cool side for the second half.
      run.scratch.shiftK = shiftK + (turned ? (i === 0 ? -2 : 2) * skew : 0);
      advance(run, 'oven', timeS);
    });
    usual.scratch.shiftK = 0;
    advance(usual, 'oven', timeS);
    const loadW = going.reduce(
      (sum, { tray, run }, i) => sum + ((taken(run) - (before[i] ?? 0)) / stepS) * tray.pieces,
      0,
    );
    const oneTrayW = ((taken(usual) - usualBefore) / stepS) * most;
    shiftK = shifted(heater, shiftK, loadW - oneTrayW);
    timesS.push(timeS);
    airC.push(Math.round(10 * (usual.scratch.air.airC + shiftK)) / 10);
    if (timeS >= nextProbe) {
      nextProbe += probeS;
      cornersAt.set(timeS, { hot: readRun(corners[0]).colour.edge, cool: readRun(corners[1]).colour.edge });
      for (const { run, found } of going) {
        const reading = readingIfPulledNow(run);
        found.push({ ...probeOf(timeS, reading, by, found.at(-1)), reading });
      }
    }
    if (going.every(({ found }) => (found.at(-1)?.index ?? 0) >= aim + 0.3)) break;
  }
  const pulls = going.map(({ found }) => passingIndex(found, aim));
  const known = pulls.filter((pull) => pull !== null);
  const togetherS = known.length > 0 ? known.reduce((sum, pull) => sum + pull, 0) / known.length : endS;
  const nearest = nearestProbe(going, togetherS);
  return {
    trays: going.map(({ tray, found }, i): TrayOutcome => {
      const together = found.find(({ pullS }) => pullS === nearest) as Going['found'][number];
      return {
        position: tray.position,
        pieces: tray.pieces,
        pullS: pulls[i] ?? null,
        atOnce: together.reading,
        index: together.index,
      };
    }),
    together: togetherFigure(q, going, pulls, endS, togetherS),
    timesS,
    airC,
    corners: cornersAt.get(nearest) ?? { hot: 0, cool: 0 },
  };
};
