import { centreSurelyThere } from './doneness.js';
import { judgedBy, type BakeInput } from './input.js';
import { probeOf, type Probe } from './probe.js';
import { advance, carryoverS, readingIfPulledNow, readRun, startRun, type Run } from './simulate.js';

/** The water of the centre falls so evenly that pulls between are true to two seconds. */
const probeEveryS = 180;

/** While it sets, which happens within a few minutes and not evenly. */
const settingEveryS = 60;

/**
 * Close to set the centre runs ahead within a minute: read more finely, to three seconds of an exact search. A small piece
 * in a hot oven sets within seconds: it is read by a share of what it has been in.
 */
const nearlySet = 0.45;
const nearlySetEveryS = 40;
const nearlySetShare = 0.06;

/** While the centre comes to the limit, where it comes last of all. */
const centreEveryS = 20;

/** Before anything sets; a small piece in a hot oven is soon there. */
const untilSetsEveryS = 120;
const firstProbeS = 60;
const longestS = 60 * 60;

/** What a pull every three minutes would give, until crisp through or an hour. */
export const probes = (input: BakeInput): readonly Probe[] => {
  const run = startRun(input.setup);
  const found: Probe[] = [];
  let pullS = firstProbeS;
  while (pullS <= longestS) {
    advance(run, 'oven', pullS);
    const probe = probeOf(pullS, readingIfPulledNow(run), judgedBy(input), found.at(-1));
    found.push(probe);
    if (probe.index >= 4.95) break;
    pullS += nextProbeS(probe);
  }
  return found;
};

const nextProbeS = ({ pullS, firm, centre }: Probe): number => {
  if (firm === 0) return untilSetsEveryS;
  if (firm < nearlySet) return settingEveryS;
  if (firm < 1) return Math.min(nearlySetEveryS, nearlySetShare * pullS);
  if (centre < 0) return settingEveryS;
  return centre < centreSurelyThere ? centreEveryS : probeEveryS;
};

const sampleS = 15;

/** Runs oven, tray and rack with a given pull, and samples the curves. */
export const fullRun = (input: BakeInput, pullS: number) => {
  const run = startRun(input.setup);
  const curves = {
    timesS: [] as number[],
    centreC: [] as number[],
    edgeC: [] as number[],
    bottomC: [] as number[],
    diameterMm: [] as number[],
    heightMm: [] as number[],
    lossShare: [] as number[],
  };
  const sample = (r: Run) => {
    const reading = readRun(r);
    curves.timesS.push(r.state.timeS);
    for (const key of ['centreC', 'edgeC', 'bottomC', 'diameterMm', 'heightMm', 'lossShare'] as const)
      curves[key].push(reading[key]);
    return reading;
  };
  const stay = (phase: 'oven' | 'tray' | 'rack', untilS: number) => {
    let reading = sample(run);
    while (run.state.timeS < untilS - 1e-6) {
      advance(run, phase, Math.min(untilS, run.state.timeS + sampleS));
      reading = sample(run);
    }
    return reading;
  };
  const atPull = stay('oven', pullS);
  const carriedS = pullS + carryoverS;
  const offTrayS = pullS + input.rest.trayS;
  const early = offTrayS < carriedS;
  if (early) stay('tray', offTrayS);
  const { coldestReachedC } = stay(early ? 'rack' : 'tray', carriedS);
  if (!early) stay('tray', offTrayS);
  const cooled = stay('rack', Math.max(carriedS, offTrayS) + 600);
  return { curves, atPull, cooled, coldestReachedC };
};
