import { say } from '../shown/index.js';
import { doughOf, pressedAspect, settingWord, type Formula } from '../formula/index.js';
import { ballRadiusM, type Body } from './body.js';
import { coldPorosity, doughMaterial, type Material } from './material.js';

/** How dough stands in a place: single pieces on a tray, a tub, a log, or a bag of frozen pieces. */
export type DoughForm = 'pieces' | 'tub' | 'log' | 'bag';
export const doughForms: readonly DoughForm[] = ['pieces', 'tub', 'log', 'bag'];

/** A tub of dough: 30 × 24 cm on plan, filled to what its mass needs. A default; tubs differ. */
export const tubMm = { lengthMm: 300, widthMm: 240 } as const;
/**
 * Shares of the place's heat transfer that reach a tub: its plastic wall costs little, a finger of air under the lid
 * much, and the bottom stands on a wire shelf. Estimates (3 mm of plastic, 10 mm of air, at about 12 W/m²K).
 */
const lidded = { side: 0.85, top: 0.2, bottom: 0.5 } as const;
const onShelf = { side: 0.85, top: 1, bottom: 0.5 } as const;

/** A rolled log is this thick; a default. */
export const logMm = 50;
/** A bag of pieces lies flat, this thick, and holds so much dough by volume (loose spheres). */
export const bagMm = 70;
const bagPacking = 0.6;

/** Mean height over diameter of the shapes that stand lower than a ball. */
const aspects = { mound: 0.5, puck: 0.35, slice: 0.3 } as const;

export interface Standing {
  readonly body: Body;
  readonly material: Material;
  /** What the body stands for, in words. */
  readonly says: string;
}

const discOf = (massG: number, aspect: number, densityKgPerM3: number) => {
  const diameterMm = 1000 * Math.cbrt((4 * massG) / 1000 / densityKgPerM3 / (Math.PI * aspect));
  return { kind: 'disc', diameterMm, heightMm: aspect * diameterMm } as const;
};

/**
 * The body that stands for a dough in its form. Simplifications, said so where they are shown: a mound, a puck and a
 * slice are discs of their mass and aspect; a bag is a slab of dough with the air between its pieces; a metal tray
 * follows the air, so that a piece on it is open on all sides.
 * @param massG dough in one tub, log or bag; of a piece the formula knows
 */
export const standing = (formula: Formula, form: DoughForm, massG: number, covered: boolean): Standing => {
  const dough = doughOf(formula);
  const material = doughMaterial(dough);
  const rho = material.densityKgPerM3;
  const mm = (value: number) => value.toFixed(0);
  if (form === 'tub') {
    const { lengthMm, widthMm } = tubMm;
    const heightMm = Math.max(20, (massG / 1000 / rho / (lengthMm * widthMm * 1e-6)) * 1000);
    return {
      body: { kind: 'block', lengthMm, widthMm, heightMm, faces: covered ? lidded : onShelf },
      material,
      says: covered
        ? say`tub ${lengthMm} × ${widthMm} mm, ${mm(heightMm)} mm deep, lid on, on a shelf`
        : say`tub ${lengthMm} × ${widthMm} mm, ${mm(heightMm)} mm deep, open, on a shelf`,
    };
  }
  if (form === 'log') {
    const heightMm = Math.min(600, (massG / 1000 / rho / (Math.PI * (logMm / 2000) ** 2)) * 1000);
    return {
      body: { kind: 'disc', diameterMm: logMm, heightMm: Math.max(logMm, heightMm) },
      material,
      says: say`log ${logMm} mm thick, ${mm(Math.max(logMm, heightMm))} mm long`,
    };
  }
  if (form === 'bag') {
    const porosity = 1 - (1 - coldPorosity) * bagPacking;
    return {
      body: { kind: 'slab', thicknessMm: bagMm, exposedFaces: 2 },
      material: doughMaterial(dough, porosity),
      says: say`bag of pieces, flat, ${bagMm} mm thick, ${(100 * (1 - bagPacking)).toFixed(0)} % air between them`,
    };
  }
  const { shape, massG: pieceG, pressedMm } = formula.piece;
  if (shape === 'ball' && pressedMm === undefined)
    return {
      body: { kind: 'sphere', massG: pieceG },
      material,
      says: say`ball of ${pieceG} g, ${mm(ballRadiusM(pieceG, rho) * 2000)} mm across`,
    };
  const aspect =
    pressedMm === undefined
      ? aspects[shape === 'ball' ? 'mound' : shape]
      : pressedAspect(pieceG / 1000 / rho, pressedMm);
  const disc = discOf(pieceG, aspect, rho);
  return {
    body: disc,
    material,
    says: say`${pressedMm === undefined ? settingWord(shape) : say`piece`} of ${pieceG} g as a disc ${mm(disc.diameterMm)} mm across, ${mm(disc.heightMm)} mm high`,
  };
};
