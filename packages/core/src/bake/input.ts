import {
  checkPressed,
  doughOf,
  typicalDough,
  type Doneness,
  type Dough,
  type Formula,
  type Liner,
  type PieceShape,
} from '../formula/index.js';
import type { OwnLimits } from '../limits/index.js';
import { JokulError, requireNumber, say } from '../shown/index.js';
import {
  defaultBakeParameters,
  linerRanges,
  liners,
  trayMaterials,
  type BakeParameters,
  type TrayMaterial,
} from './parameters.js';
import { usualCentreC, type JudgedBy } from './doneness.js';
import type { Calibration, Whereabouts } from './calibration/calibration.js';
import { processOf, type Process } from './process.js';
import type { BakeSetup } from './setup.js';

/** What is asked of the bake model. `target` finds the pull; `pullS` takes it as given. */
export interface BakeInput {
  readonly setup: BakeSetup;
  readonly contact: number;
  readonly rest: { readonly trayS: number };
  /** What even the coldest point must reach, carryover included, before it is anything but under, °C. */
  readonly centreC: number;
  readonly target?: Doneness;
  readonly pullS?: number;
  /** What was learned of the oven and the dough, when it is in the setup already; null when nothing was. */
  readonly known?: { readonly calibration: Calibration | null; readonly where: Whereabouts };
}

export interface BakeRequest {
  readonly massG: number;
  readonly shape: PieceShape;
  /** Pressed flat to this diameter, mm. */
  readonly pressedMm?: number;
  readonly dough?: Dough;
  readonly start: number | readonly number[];
  readonly tray: TrayMaterial;
  readonly liner: Liner;
  /** Heat that the liner lets through, W/m²K, and how hard it holds the dough; the usual of its kind where left out. */
  readonly contactWPerM2K?: number;
  readonly drag?: number;
  readonly setC: number;
  readonly fan: boolean;
  readonly trayRestS?: number;
  readonly roomC?: number;
  readonly target?: Doneness;
  readonly pullS?: number;
  readonly process?: Process;
  /** Air above what is set, K. */
  readonly offsetK?: number;
  readonly doorFallK?: number;
  readonly doorBackS?: number;
  readonly unevenK?: number;
  readonly parameters?: BakeParameters;
  readonly rings?: number;
  readonly layers?: number;
  /** The house's limit of the coldest point, °C; the usual one where left out. */
  readonly centreC?: number;
  /** Its other limits and factors, where they are not the usual ones. */
  readonly limits?: OwnLimits;
}

/** Fills in defaults. @throws JokulError `unknown-tray`, `unknown-liner` */
export const bakeInput = (r: BakeRequest): BakeInput => {
  if (!Object.hasOwn(trayMaterials, r.tray))
    throw new JokulError(
      'unknown-tray',
      say`"${r.tray}" is no tray that Jokul knows. It knows ${Object.keys(trayMaterials).join(', ')}.`,
      'tray.material',
    );
  if (!Object.hasOwn(liners, r.liner))
    throw new JokulError(
      'unknown-liner',
      say`"${r.liner}" is no liner that Jokul knows. It knows ${Object.keys(liners).join(', ')}.`,
      'tray.liner',
    );
  if (r.contactWPerM2K !== undefined)
    requireNumber(
      r.contactWPerM2K,
      say`The heat that the liner lets through`,
      ...linerRanges.contactWPerM2K,
      'W/m²K',
      'tray.contactWPerM2K',
    );
  if (r.drag !== undefined)
    requireNumber(r.drag, say`How hard the liner holds the dough`, ...linerRanges.drag, '', 'tray.drag');
  return {
    setup: {
      massG: r.massG,
      shape: r.shape,
      ...(r.pressedMm !== undefined && { pressedMm: r.pressedMm }),
      dough: r.dough ?? typicalDough,
      start: r.start,
      tray: r.tray,
      liner: r.liner,
      ...(r.contactWPerM2K !== undefined && { contactWPerM2K: r.contactWPerM2K }),
      ...(r.drag !== undefined && { drag: r.drag }),
      setC: r.setC,
      fan: r.fan,
      ...(r.offsetK !== undefined && { offsetK: r.offsetK }),
      ...(r.doorFallK !== undefined && { doorFallK: r.doorFallK }),
      ...(r.doorBackS !== undefined && { doorBackS: r.doorBackS }),
      ...(r.unevenK !== undefined && { unevenK: r.unevenK }),
      ...(r.process && { process: r.process }),
      ...(r.limits && { limits: r.limits }),
      roomC: r.roomC ?? 24,
      parameters: r.parameters ?? defaultBakeParameters,
      rings: r.rings ?? 8,
      layers: r.layers ?? 6,
    },
    contact: r.contactWPerM2K ?? liners[r.liner].contact,
    rest: { trayS: r.trayRestS ?? 240 },
    centreC: r.centreC ?? usualCentreC,
    ...(r.target && { target: r.target }),
    ...(r.pullS !== undefined && { pullS: r.pullS }),
  };
};

/** The bake of a formula's own piece, on its own terms. */
export const bakeInputOf = (
  formula: Formula,
  on: Pick<BakeRequest, 'start' | 'tray' | 'liner' | 'fan'> & Partial<BakeRequest>,
): BakeInput =>
  bakeInput({
    massG: formula.piece.massG,
    shape: formula.piece.shape,
    ...(formula.piece.pressedMm !== undefined && { pressedMm: formula.piece.pressedMm }),
    dough: doughOf(formula),
    process: processOf(formula),
    setC: formula.bake.setC,
    trayRestS: formula.bake.trayRestS,
    target: formula.bake.target,
    ...on,
  });

/** By what a bake of this input is judged. */
export const judgedBy = ({ setup, centreC }: BakeInput): JudgedBy => ({
  startMoisture: setup.dough.composition.water,
  centreC,
});

/** The documented domain of the model. @throws JokulError `out-of-range` */
export const checkComposition = ({ setup, pullS, rest, centreC }: BakeInput): void => {
  requireNumber(setup.massG, say`The piece weight`, 8, 200, 'g', 'piece.massG');
  checkPressed(setup);
  for (const t of typeof setup.start === 'number' ? [setup.start] : setup.start) {
    requireNumber(t, say`The dough temperature`, -30, 35, '°C', 'piece.startC');
  }
  requireNumber(setup.setC, say`The oven temperature`, 120, 260, '°C', 'oven.setC');
  requireNumber(centreC, say`The limit of the centre`, 50, 95, '°C', 'rules.centreC');
  requireNumber(setup.roomC, say`The air around the rack`, -40, 60, '°C', 'rest.airC');
  requireNumber(rest.trayS, say`The rest on the tray`, 0, 7200, 's', 'rest.trayS');
  if (pullS !== undefined) requireNumber(pullS, say`The pull time`, 60, 7200, 's', 'pullS');
  requireNumber(
    setup.dough.composition.water,
    say`The water of the dough`,
    0.03,
    0.35,
    '',
    'composition.water',
  );
  requireNumber(setup.dough.nonFatSolids, say`The dry solids of the dough`, 0.2, 0.9, '', 'composition');
};
