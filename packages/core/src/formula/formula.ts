import { JokulError, requireNumber, say } from '../shown/index.js';
import { foodOf, ingredient, plainParts, type Ingredient, type NamesFood } from '../ingredient/index.js';
import type { ReadyWay } from './ready.js';

export interface FormulaLine extends NamesFood {
  /** Baker's percent as weighed in; all flours together are 100. */
  readonly percent: number;
  /** Butter that is browned before use: weighed in whole, goes into the dough less its water and pan loss. */
  readonly browned?: boolean;
  /** What is done to it before it is weighed; left out: it goes in as it comes. */
  readonly ready?: readonly ReadyWay[];
}

/**
 * How a topping is put on: rolled in it all round, which holds the colour back; strewn or pressed on top; on the baked
 * piece when it is cold, as icing and glaze are.
 */
export const toppingWays = ['coat', 'top', 'iced'] as const;
export type ToppingWay = (typeof toppingWays)[number];

export interface Topping extends FormulaLine {
  /** Rolled in it where left out. */
  readonly on?: ToppingWay;
}

/** What is done to the pieces after the oven, and the time that a hand takes for it. */
export interface AfterBakeRule {
  /** Pressed flat on the hot tray at the pull, s a piece; not pressed where left out. */
  readonly flattenPieceS?: number;
  /** Iced or glazed when they are cold, s a piece; nothing is put on where left out. */
  readonly icePieceS?: number;
  /** From iced to dry enough to pack, s. */
  readonly dryS?: number;
}

/** What a stage is worked with: the stand mixer, a hand-held one, or a spoon. */
export const stageTools = ['mixer', 'hand-mixer', 'spoon'] as const;
export type StageTool = (typeof stageTools)[number];

export interface FormulaStage {
  readonly id: string;
  readonly name: string;
  /** What to do, and when to stop, as a sentence for the mix hand. */
  readonly cue: string;
  /** In how many parts its ingredients go in (eggs singly, flour in thirds); the usual number where left out. */
  readonly parts?: number;
  /** As the method has it where left out: the stand mixer, or by hand at its end. */
  readonly tool?: StageTool;
  /** How long it is worked, s; the usual time with its tool where left out. */
  readonly workS?: number;
  readonly lines: readonly FormulaLine[];
}

export type PieceShape = 'ball' | 'mound' | 'puck' | 'slice';
export type Doneness = 'soft-centre' | 'chewy' | 'crisp-edge' | 'crisp-through';

/** A raw piece as it is portioned. */
export interface Piece {
  readonly massG: number;
  readonly shape: PieceShape;
  /** Pressed flat to this diameter before it rests and bakes, mm; left as its shape has it where left out. */
  readonly pressedMm?: number;
}

/**
 * Height over diameter of a piece pressed to a disc.
 * @param volumeM3 of its dough, m³
 * @param pressedMm diameter, mm
 */
export const pressedAspect = (volumeM3: number, pressedMm: number): number =>
  (4 * volumeM3) / (Math.PI * (pressedMm / 1000) ** 3);

/** A dough weighs some 1.25 g/mL: only by that does a formula know how high a pressed piece stands. */
const usualDensityKgPerM3 = 1250;

/** Thinner it tears when it is lifted, m; an estimate. */
const thinnestM = 0.003;

/**
 * What a piece can be pressed to, mm: wider than its own ball, which is not pressed at all, and no thinner than 3 mm.
 * @param massG of the raw piece
 */
export const pressedRangeMm = (massG: number): { readonly min: number; readonly max: number } => {
  const volumeM3 = massG / 1000 / usualDensityKgPerM3;
  return {
    min: Math.ceil(1000 * Math.cbrt((6 * volumeM3) / Math.PI)),
    max: Math.floor(1000 * Math.sqrt((4 * volumeM3) / (Math.PI * thinnestM))),
  };
};

/** @throws JokulError `out-of-range` for a diameter that a piece of this weight cannot be pressed to */
export const checkPressed = ({ massG, pressedMm }: Pick<Piece, 'massG' | 'pressedMm'>): void => {
  if (pressedMm === undefined) return;
  const { min, max } = pressedRangeMm(massG);
  requireNumber(pressedMm, say`The diameter that a piece of ${massG} g is pressed to`, min, max, 'mm');
};

/** How the dough rests between mixing and baking. */
export interface RestRule {
  /** `pieces`: portioned first, on trays; `tub`: whole, portioned after; `bag`: pieces frozen in bags ahead of the day; `none`: portioned and baked. */
  readonly form: 'pieces' | 'tub' | 'bag' | 'none';
  readonly placeKind: 'walk-in' | 'freezer' | 'bench';
  readonly minS: number;
  readonly bestS: number;
  readonly maxS: number;
  /** Minutes on the bench after the cold, as part of the rest. */
  readonly temperS: number;
  /** Open or covered in the cold; pieces open, tubs and bags covered where left out. */
  readonly cover?: 'open' | 'covered';
}

/** How a dough lies in the cold. */
export const coverOf = ({ form, cover }: Pick<RestRule, 'form' | 'cover'>): 'open' | 'covered' =>
  cover ?? (form === 'tub' || form === 'bag' ? 'covered' : 'open');

/** What lies between the dough and the tray. */
export const linerKinds = ['bare', 'greased', 'parchment', 'double-parchment', 'mat'] as const;
export type Liner = (typeof linerKinds)[number];

export interface BakeRule {
  readonly target: Doneness;
  readonly setC: number;
  readonly fan: boolean;
  /** Minimal rest on the hot tray before the rack. */
  readonly trayRestS: number;
  readonly gapMm: number;
  /** What it bakes on; the liner of the house where left out. */
  readonly liner?: Liner;
  /** The only ovens that it bakes in, by their ids; any where left out. */
  readonly ovens?: readonly string[];
}

/** How the dough is worked: the schools differ, and each is right for its cookie. */
export interface MixMethod {
  readonly cream: 'short' | 'standard' | 'long' | 'melted';
  readonly egg: 'barely' | 'fully';
  readonly finish: 'machine' | 'hand';
  /** Wanted temperature of the mixed dough, °C; the house rule when left out. */
  readonly doughC?: number;
}
export const standardMethod: MixMethod = { cream: 'standard', egg: 'fully', finish: 'machine' };

export interface Formula {
  readonly code: string;
  readonly name: string;
  readonly version: number;
  readonly stages: readonly FormulaStage[];
  /** Put on each piece after portioning or after the oven; percent of flour, not part of the dough. */
  readonly toppings: readonly Topping[];
  readonly piece: Piece;
  readonly rest: RestRule;
  readonly bake: BakeRule;
  /** Left out: the standard method. */
  readonly method?: MixMethod;
  /** Left out: they cool, and are packed. */
  readonly afterBake?: AfterBakeRule;
}

/** Toppings that go on before the oven. */
export const toppingsBefore = ({ toppings }: Pick<Formula, 'toppings'>): readonly Topping[] =>
  toppings.filter(({ on }) => on !== 'iced');

/** Icing a piece by hand and letting it set, s: usual figures, to be changed. */
export const usualIcing = { icePieceS: 4, dryS: 1800 } as const;

/** Water that browned butter keeps, and the share that stays in the pan as a default, mass fractions. */
const browned = { water: 0.005, panLoss: 0.02 } as const;

/**
 * Share of a butter that browning takes: its water but half a percent, and what stays in the pan.
 * @param waterShare water of the butter, mass fraction (0.16 of an 82 % fat butter)
 */
export const browningLoss = (waterShare: number, panLossShare: number = browned.panLoss): number =>
  1 - (1 - waterShare) / (1 - browned.water) + panLossShare;

/** The loss of plain butter with the default pan loss. */
export const browningLossShare = browningLoss(0.16);

/** A plain ingredient as it reaches the dough, in baker's percent. */
export interface DoughPart {
  readonly food: Ingredient;
  readonly percent: number;
}

/** What a line brings into the dough: composites by their parts, browned butter less its loss. */
export const doughParts = (line: FormulaLine): readonly DoughPart[] =>
  plainParts(foodOf(line)).map(({ food, share }) => {
    const percent = line.percent * share;
    return line.browned && food.kind === 'butter'
      ? { food: ingredient('browned-butter'), percent: percent * (1 - browningLoss(food.composition.water)) }
      : { food, percent };
  });

/** Percent that reaches the dough (less than what is weighed, for browned butter). */
export const doughPercent = (line: FormulaLine): number =>
  line.browned ? doughParts(line).reduce((sum, part) => sum + part.percent, 0) : line.percent;

export const doughLines = (formula: Pick<Formula, 'stages'>): readonly FormulaLine[] =>
  formula.stages.flatMap((stage) => stage.lines);

/** Percent of flour in the lines; composites count by the flour in them. */
export const flourPercent = (lines: readonly FormulaLine[]): number =>
  lines
    .flatMap(doughParts)
    .filter(({ food }) => food.kind === 'flour')
    .reduce((sum, part) => sum + part.percent, 0);

/**
 * Refuses a formula that cannot be a dough.
 * @throws JokulError with the sentence for the baker and the path of the culprit
 */
export const checkFormula = (formula: Formula): void => {
  if (!formula.name.trim()) throw new JokulError('missing-name', say`The formula needs a name.`, 'name');
  const lines = [...doughLines(formula), ...formula.toppings];
  if (doughLines(formula).length === 0)
    throw new JokulError('empty-formula', say`The formula has no ingredients.`, 'stages');
  for (const line of lines) {
    const { name } = foodOf(line);
    requireNumber(line.percent, say`The amount of ${name.toLowerCase()}`, 0.01, 500, '%');
  }
  for (const { name, parts, workS } of formula.stages) {
    if (parts !== undefined) {
      requireNumber(parts, say`The parts of the stage ${name}`, 1, 24);
      if (!Number.isInteger(parts))
        throw new JokulError(
          'out-of-range',
          say`The parts of the stage ${name} must be a whole number.`,
          'stages',
        );
    }
    if (workS !== undefined) requireNumber(workS, say`The time of the stage ${name}`, 5, 3600, 's');
  }
  const flour = flourPercent(doughLines(formula));
  if (flour <= 0) {
    throw new JokulError(
      'no-flour',
      say`The formula has no flour, so there is nothing that baker's percent could refer to.`,
      'stages',
    );
  }
  const { flattenPieceS, icePieceS, dryS } = formula.afterBake ?? {};
  if (flattenPieceS !== undefined) requireNumber(flattenPieceS, say`Pressing a piece flat`, 0, 60, 's');
  if (icePieceS !== undefined) requireNumber(icePieceS, say`Icing a piece`, 0, 600, 's');
  if (dryS !== undefined) requireNumber(dryS, say`Drying`, 0, 86_400, 's');
  // The bake model knows no other pieces.
  requireNumber(formula.piece.massG, say`The piece weight`, 8, 200, 'g');
  checkPressed(formula.piece);
  requireNumber(formula.bake.setC, say`The oven temperature`, 100, 260, '°C');
  requireNumber(formula.bake.gapMm, say`The gap between pieces`, 0, 150, 'mm');
  const { minS, bestS, maxS } = formula.rest;
  if (!(minS >= 0 && minS <= bestS && bestS <= maxS)) {
    throw new JokulError('bad-rest', say`The rest must satisfy shortest ≤ best ≤ longest.`, 'rest');
  }
};
