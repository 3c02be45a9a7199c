import type { AirModel } from './conduct.js';
import type { Place } from './place.js';

/** What decides how the air of a cold place answers to warm dough and open doors. */
export interface PlacePower {
  /** Heat capacity of the air, the racks and the trays that follow it, J/K. */
  readonly heatJPerK: number;
  /** What comes in through walls and floor, W/K. */
  readonly leakWPerK: number;
  /** More while the door stands open, W/K. */
  readonly doorWPerK: number;
  /** The most that the machine takes out, W. */
  readonly machineW: number;
  /** The thermostat's band over which the machine goes from nothing to all, K. */
  readonly bandK: number;
  /** The room around it, °C. */
  readonly roomC: number;
}

/** Typical of small rooms and cabinets; house estimates, to be set by the plate of the machine. */
export const usualPower: Readonly<Record<'walk-in' | 'freezer', PlacePower>> = {
  'walk-in': { heatJPerK: 90e3, leakWPerK: 9, doorWPerK: 110, machineW: 1400, bandK: 1.5, roomC: 24 },
  freezer: { heatJPerK: 70e3, leakWPerK: 6, doorWPerK: 70, machineW: 1100, bandK: 1.5, roomC: 24 },
};

/** What a place answers with: its own machine, else the usual one. */
export const powerOf = ({ kind, powerW }: Pick<Place, 'kind' | 'powerW'>): PlacePower => {
  const usual = usualPower[kind === 'freezer' ? 'freezer' : 'walk-in'];
  return powerW === undefined ? usual : { ...usual, machineW: powerW };
};

export interface AirConditions {
  /** Whether the door stands open so long after the start, s. */
  readonly doorOpen?: (timeS: number) => boolean;
  /** What is left of the machine's power, 0 to 1. */
  readonly machineShare?: (timeS: number) => number;
  /** How many of the bodies stand in there. */
  readonly bodies?: number;
}

/**
 * Energy balance of the air: C dT/dt = leak (T_room − T) + door + heat of the dough − machine. Solved exactly over each
 * step for the part that is linear in T, so that any step is stable.
 */
export const placeAir = (
  place: Pick<Place, 'airC'>,
  power: PlacePower,
  startC: number,
  { doorOpen = () => false, machineShare = () => 1, bodies = 1 }: AirConditions = {},
): AirModel & { readonly now: () => number } => {
  let t = startC;
  let timeS = 0;
  // At rest the thermostat settles where the machine takes out what leaks in: its middle is shifted by that.
  const standing = Math.min(1, (power.leakWPerK * (power.roomC - place.airC)) / power.machineW);
  const startsC = place.airC - standing * power.bandK;
  const next = (heatW: number, dtS: number): number => {
    const exchange = power.leakWPerK + (doorOpen(timeS) ? power.doorWPerK : 0);
    const wanted = Math.min(1, Math.max(0, (t - startsC) / power.bandK));
    const full = power.machineW * machineShare(timeS);
    // Within its band the machine acts as a further exchange toward where it starts.
    const linear = wanted > 0 && wanted < 1 ? full / power.bandK : 0;
    const constant = linear > 0 ? 0 : full * wanted;
    const sum = exchange + linear;
    const aim = (exchange * power.roomC + linear * startsC + heatW * bodies - constant) / sum;
    t = aim + (t - aim) * Math.exp((-sum * dtS) / power.heatJPerK);
    timeS += dtS;
    return t;
  };
  return { next, now: () => t };
};
