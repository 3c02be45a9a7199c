import type { BakeSetup } from './setup.js';

/** Where the piece is: in the oven, on the hot tray outside, or on the rack. */
export type Phase = 'oven' | 'tray' | 'rack';

/** The air and the walls around the piece at one moment; temperatures in °C, transfer in W/m²K. */
export interface Surroundings {
  phase: Phase;
  airC: number;
  wallC: number;
  wallBelowC: number;
  h: number;
  hUnder: number;
  /** Air that moves by its own warmth alone: h goes with the temperature difference. */
  natural: boolean;
}

const roomH = 7;
const roomHUnder = 5;
const rackHUnder = 6;

/** How far above the room the oven is at which the excess of its walls is stated, K: 177 °C in a room of 24 °C. */
const powerAtK = 153;

/** Back but for a twentieth is back: so many times the time constant. */
const backIn = 3;

/** Air and walls `timeS` after the load went in: a dip from the open door that recovers. */
export const surroundingsAt = (setup: BakeSetup, phase: Phase, timeS: number, out: Surroundings): void => {
  const { parameters: p, fan, setC, offsetK = 0, roomC } = setup;
  out.phase = phase;
  if (phase === 'oven') {
    const fallK = setup.doorFallK ?? (fan ? p.dipFanK : p.dipStillK);
    const backS = setup.doorBackS === undefined ? (fan ? p.dipFanS : p.dipStillS) : setup.doorBackS / backIn;
    const dip = fallK * Math.exp(-timeS / backS);
    out.airC = setC + offsetK - dip;
    // Walls and elements give off what the oven loses: it grows with what it is above the room.
    const power = (setC + offsetK - roomC) / powerAtK;
    out.wallC = setC + offsetK - 0.5 * dip + (fan ? 0.5 : 1) * p.wallOverK * power;
    out.wallBelowC = out.wallC + (fan ? 0 : p.belowK * power);
    out.h = fan ? p.hFan : p.hStill;
    out.hUnder = p.underRatio * out.h;
    out.natural = !fan;
    return;
  }
  out.airC = roomC;
  out.wallC = roomC;
  out.wallBelowC = roomC;
  out.h = roomH;
  out.hUnder = phase === 'tray' ? roomHUnder : rackHUnder;
  out.natural = false;
};

/** The difference between air and surface at which the convection of a still oven is stated, K. */
export const naturalAtK = 75;

/** Convection at a surface, W/m²K: that of still air goes with the fourth root of the difference (McAdams, 1954). */
export const convection = ({ natural, airC }: Surroundings, h: number, surfaceC: number): number =>
  natural ? h * Math.sqrt(Math.sqrt(Math.abs(airC - surfaceC) / naturalAtK)) : h;

/** Radiation as a heat transfer coefficient between two temperatures, W/m²K. */
export const radiation = (emissivity: number, aC: number, bC: number): number => {
  const a = aC + 273.15;
  const b = bC + 273.15;
  return emissivity * 5.67e-8 * (a * a + b * b) * (a + b);
};
