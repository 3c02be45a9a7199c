import {
  linerKinds,
  readyWays,
  stageTools,
  toppingWays,
  type AfterBakeRule,
  type Formula,
  type FormulaLine,
  type FormulaStage,
  type MixMethod,
  type Topping,
} from '../formula/index.js';
import { JokulError, say } from '../shown/index.js';

/*
 * A formula out of a file: every part of it is looked at before anything computes with it, so that a file that was cut,
 * or written by another program, is refused with the place that is wrong.
 */

type Parts = Readonly<Record<string, unknown>>;

const refuse = (path: string, wanted: string): never => {
  throw new JokulError(
    'bad-formula',
    say`The formula in this file is not whole: ${path} must be ${wanted}.`,
    path,
  );
};
const parts = (x: unknown, path: string): Parts =>
  typeof x === 'object' && x !== null && !Array.isArray(x)
    ? (x as Parts)
    : refuse(path, say`a group of figures`);
const list = (x: unknown, path: string): readonly unknown[] =>
  Array.isArray(x) ? x : refuse(path, say`a list`);
const text = (x: unknown, path: string): string => (typeof x === 'string' ? x : refuse(path, say`a text`));
const number = (x: unknown, path: string): number =>
  typeof x === 'number' && Number.isFinite(x) ? x : refuse(path, say`a number`);
const flag = (x: unknown, path: string): boolean =>
  typeof x === 'boolean' ? x : refuse(path, say`true or false`);
const one = <T extends string>(x: unknown, path: string, of: readonly T[]): T =>
  of.find((value) => value === x) ?? refuse(path, say`one of ${of.join(', ')}`);

const covers = ['open', 'covered'] as const;

const line = (x: unknown, path: string): FormulaLine => {
  const { ingredientId, percent, browned, ready } = parts(x, path);
  return {
    ingredientId: text(ingredientId, `${path}.ingredientId`),
    percent: number(percent, `${path}.percent`),
    ...(browned !== undefined && { browned: flag(browned, `${path}.browned`) }),
    ...(ready !== undefined && {
      ready: list(ready, `${path}.ready`).map((way, i) => one(way, `${path}.ready[${i}]`, readyWays)),
    }),
  };
};
const lines = (x: unknown, path: string) => list(x, path).map((item, i) => line(item, `${path}[${i}]`));

const topping = (x: unknown, path: string): Topping => {
  const { on } = parts(x, path);
  return { ...line(x, path), ...(on !== undefined && { on: one(on, `${path}.on`, toppingWays) }) };
};

const afterBake = (x: unknown, path: string): AfterBakeRule => {
  const { flattenPieceS, icePieceS, dryS } = parts(x, path);
  return {
    ...(flattenPieceS !== undefined && { flattenPieceS: number(flattenPieceS, `${path}.flattenPieceS`) }),
    ...(icePieceS !== undefined && { icePieceS: number(icePieceS, `${path}.icePieceS`) }),
    ...(dryS !== undefined && { dryS: number(dryS, `${path}.dryS`) }),
  };
};

const stage = (x: unknown, path: string): FormulaStage => {
  const given = parts(x, path);
  return {
    id: text(given.id, `${path}.id`),
    name: text(given.name, `${path}.name`),
    cue: text(given.cue ?? '', `${path}.cue`),
    ...(given.parts !== undefined && { parts: number(given.parts, `${path}.parts`) }),
    ...(given.tool !== undefined && { tool: one(given.tool, `${path}.tool`, stageTools) }),
    ...(given.workS !== undefined && { workS: number(given.workS, `${path}.workS`) }),
    lines: lines(given.lines, `${path}.lines`),
  };
};

const method = (x: unknown, path: string): MixMethod => {
  const given = parts(x, path);
  return {
    cream: one(given.cream, `${path}.cream`, ['short', 'standard', 'long', 'melted']),
    egg: one(given.egg, `${path}.egg`, ['barely', 'fully']),
    finish: one(given.finish, `${path}.finish`, ['machine', 'hand']),
    ...(given.doughC !== undefined && { doughC: number(given.doughC, `${path}.doughC`) }),
  };
};

/** @throws JokulError `bad-formula` with the path of what is missing or of another kind */
export const readFormula = (x: unknown): Formula => {
  const given = parts(x, 'formula');
  const piece = parts(given.piece, 'piece');
  const rest = parts(given.rest, 'rest');
  const bake = parts(given.bake, 'bake');
  return {
    code: text(given.code, 'code'),
    name: text(given.name, 'name'),
    version: number(given.version ?? 1, 'version'),
    stages: list(given.stages, 'stages').map((item, i) => stage(item, `stages[${i}]`)),
    toppings: list(given.toppings, 'toppings').map((item, i) => topping(item, `toppings[${i}]`)),
    piece: {
      massG: number(piece.massG, 'piece.massG'),
      shape: one(piece.shape, 'piece.shape', ['ball', 'mound', 'puck', 'slice']),
      ...(piece.pressedMm !== undefined && { pressedMm: number(piece.pressedMm, 'piece.pressedMm') }),
    },
    rest: {
      form: one(rest.form, 'rest.form', ['pieces', 'tub', 'bag', 'none']),
      placeKind: one(rest.placeKind, 'rest.placeKind', ['walk-in', 'freezer', 'bench']),
      minS: number(rest.minS, 'rest.minS'),
      bestS: number(rest.bestS, 'rest.bestS'),
      maxS: number(rest.maxS, 'rest.maxS'),
      temperS: number(rest.temperS, 'rest.temperS'),
      ...(rest.cover !== undefined && { cover: one(rest.cover, 'rest.cover', covers) }),
    },
    bake: {
      target: one(bake.target, 'bake.target', ['soft-centre', 'chewy', 'crisp-edge', 'crisp-through']),
      setC: number(bake.setC, 'bake.setC'),
      fan: flag(bake.fan, 'bake.fan'),
      trayRestS: number(bake.trayRestS, 'bake.trayRestS'),
      gapMm: number(bake.gapMm, 'bake.gapMm'),
      ...(bake.liner !== undefined && { liner: one(bake.liner, 'bake.liner', linerKinds) }),
      ...(bake.ovens !== undefined && {
        ovens: list(bake.ovens, 'bake.ovens').map((id, i) => text(id, `bake.ovens[${i}]`)),
      }),
    },
    ...(given.method !== undefined && { method: method(given.method, 'method') }),
    ...(given.afterBake !== undefined && { afterBake: afterBake(given.afterBake, 'afterBake') }),
  };
};
