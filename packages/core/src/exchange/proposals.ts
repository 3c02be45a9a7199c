import type { Formula, FormulaLine, RestRule } from '../formula/index.js';
import { foodOf } from '../ingredient/index.js';
import type { Directions } from './directions.js';

/** What a written recipe says of oven, rest and size, as far as it can be a formula's: to be taken or left by a person. */
export interface Proposals {
  readonly oven?: { readonly setC: number; readonly fan: boolean };
  /** In the oven, from and to. */
  readonly minutes?: readonly [number, number];
  readonly rest?: Pick<RestRule, 'form' | 'placeKind' | 'minS' | 'bestS' | 'maxS'>;
  readonly piece?: { readonly massG: number; readonly pieces?: number };
  /** What is done with the butter in a pan first, where its lines say nothing of it. */
  readonly butter?: 'melted' | 'browned';
}

const hour = 3600;
/** A formula knows no cooler and no hotter oven, no other piece, no longer rest. */
const oven = { from: 120, to: 260 } as const;
const piece = { from: 8, to: 200 } as const;
const longestH = 14 * 24;
/** Dough keeps at least so long in the cold, h, where a recipe only says how long it must rest. */
const keepsH = { chilled: 24, frozen: 28 * 24 } as const;

const restOf = (rest: Directions['rest']): Proposals['rest'] => {
  if (!rest || rest.where === 'bench') return undefined;
  const [from, to] = rest.hours;
  if (!(from > 0 && to >= from && to <= longestH)) return undefined;
  const frozen = rest.where === 'frozen';
  return {
    form: frozen ? 'bag' : 'pieces',
    placeKind: frozen ? 'freezer' : 'walk-in',
    minS: from * hour,
    bestS: ((from + to) / 2) * hour,
    maxS: Math.max(to, frozen ? keepsH.frozen : keepsH.chilled) * hour,
  };
};

/**
 * @param tells what the recipe says (see `directions.ts`)
 * @param doughG what its ingredients weigh, g: with how many it makes, that is the size of a piece
 */
export const proposalsOf = (tells: Directions, doughG: number): Proposals => {
  const { setC, fan = false, minutes } = tells.bake ?? {};
  const { pieces, pieceG } = tells.yield ?? {};
  const massG = pieceG ?? (pieces ? Math.round(doughG / pieces) : undefined);
  const rest = restOf(tells.rest);
  return {
    ...(tells.butter && { butter: tells.butter }),
    ...(setC !== undefined && setC >= oven.from && setC <= oven.to && { oven: { setC, fan } }),
    ...(minutes && minutes[0] > 0 && minutes[1] <= 60 && { minutes }),
    ...(rest && { rest }),
    ...(massG !== undefined &&
      massG >= piece.from &&
      massG <= piece.to && { piece: { massG, ...(pieces && { pieces }) } }),
  };
};

const isButter = (line: FormulaLine): boolean => foodOf(line).kind === 'butter';
const isAsItComes = ({ ready = [], browned }: FormulaLine): boolean => !browned && ready.length === 0;

/** Butter whose line says nothing is melted or browned as the text says. */
const withButter = (formula: Formula, how: NonNullable<Proposals['butter']>): Formula['stages'] =>
  formula.stages.map((stage) => ({
    ...stage,
    lines: stage.lines.map((line) =>
      isButter(line) && isAsItComes(line)
        ? { ...line, ...(how === 'browned' ? { browned: true } : { ready: ['melted'] as const }) }
        : line,
    ),
  }));

/** The formula with what was taken of the proposals; the minutes say nothing by themselves (see `targetAfter`). */
export const withProposals = (formula: Formula, taken: Proposals): Formula => ({
  ...formula,
  ...(taken.butter && { stages: withButter(formula, taken.butter) }),
  ...(taken.piece && { piece: { ...formula.piece, massG: taken.piece.massG } }),
  ...(taken.rest && { rest: { ...formula.rest, ...taken.rest } }),
  ...(taken.oven && { bake: { ...formula.bake, ...taken.oven } }),
});
