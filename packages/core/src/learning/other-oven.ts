import { saturationPa } from '../bake/index.js';

/**
 * An oven and a cookie by other equations than the bake model's: no rings, no cells, no transport of vapour. Two lumps, a
 * crust and a heart, the heart following the crust with a lag that goes with the square of the thickness; water leaves by
 * what the surface gives off; the piece widens by a logistic in time; colour by a doubling for every ten degrees. It knows
 * nothing of the parameters that calibration learns. Its constants were set so that two pieces in a usual oven come out
 * much as they do in kitchens; it is no better than the bake model, only different.
 */
export interface OtherOven {
  /** Air above the dial, K, and how much better than usual the heat gets across. */
  readonly offsetK: number;
  readonly transfer: number;
}

export interface OtherPiece {
  readonly massG: number;
  readonly startC: number;
  readonly setC: number;
  readonly fan: boolean;
  /** Water of the raw dough, mass fraction. */
  readonly water: number;
}

/** What can be seen and measured of it. */
export interface OtherReading {
  readonly coreC: number;
  readonly diameterMm: number;
  readonly heightMm: number;
  readonly lossShare: number;
  readonly colour: number;
  /** Water of the heart, mass fraction of the dough: what says how done it is. */
  readonly heartWater: number;
}

const dt = 1;
const latent = 2.26e6;
const specificHeat = 2300;
const density = 1180;

/** Every second of a bake until `untilS`, each with what would be measured then. */
export const otherBake = (piece: OtherPiece, oven: OtherOven, untilS: number): readonly OtherReading[] => {
  const { massG, startC, setC, fan, water } = piece;
  const m = massG / 1000;
  const ball = Math.cbrt((6 * m) / (density * Math.PI));
  const readings: OtherReading[] = [];
  let crust = startC;
  let heart = startC;
  let wet = water * m;
  let heartWater = water;
  let browned = 0;
  let melted = 0;
  for (let s = 0; s <= untilS; s += dt) {
    // The door lets a tenth of the heat out, which is back in two minutes.
    const air = setC + oven.offsetK - 0.1 * (setC - 24) * 2 ** (-s / (fan ? 45 : 80));
    // From a ball to a disc: the softer its mean has been for how long, the wider, up to twice and a bit.
    melted += (dt / 47) * Math.max(0, Math.min(1, (0.5 * (crust + heart) - 30) / 40));
    const widen = 1 / (1 + Math.exp(-(melted - 2.1) * 2.2));
    const diameter = ball * (1.17 + widen);
    const height = (m / density / ((Math.PI / 4) * diameter ** 2)) * (1 + 0.83 * widen);
    const area = 2 * ((Math.PI / 4) * diameter ** 2) + Math.PI * diameter * height;
    const h = oven.transfer * (fan ? 18.8 : 15);
    const enters = h * area * (air - crust);
    // A film of air takes the vapour off; a dry crust holds it back.
    const held = Math.max(0, wet / (water * m) - 0.16);
    const over = Math.max(0, 0.9 * saturationPa(Math.min(crust, 108)) - 1500);
    const leaves = Math.min(0.3 * wet, 5.84e-10 * area * over * held * h * dt);
    const lagS = 2.43e5 * (height / 2) ** 2 + 44.5;
    const inward = (0.55 * m * specificHeat * (crust - heart)) / lagS;
    crust += ((enters - inward) * dt - leaves * latent) / (0.45 * m * specificHeat);
    heart += (inward * dt) / (0.55 * m * specificHeat);
    // Past the boil nothing gets hotter while it is wet.
    heart = Math.min(heart, 101 + 25 * Math.max(0, 0.25 - wet / (water * m)));
    wet -= leaves;
    heartWater -= (heartWater * dt * Math.max(0, heart - 82)) / 8200;
    browned += (dt / 254) * 2 ** ((crust - 105) / 10) * (1.3 - held);
    readings.push({
      coreC: heart,
      diameterMm: diameter * 1000,
      heightMm: height * 1000,
      lossShare: water - wet / m,
      colour: 100 * (1 - Math.exp(-browned)),
      heartWater,
    });
  }
  return readings;
};
