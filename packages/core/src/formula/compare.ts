import { ingredient } from '../ingredient/index.js';
import { formatNumber, sayDuration } from '../shown/index.js';
import {
  doughLines,
  standardMethod,
  type Formula,
  type FormulaStage,
  type RestRule,
  type StageTool,
  type ToppingWay,
} from './formula.js';
import { sayReady } from './ready.js';

const amounts = (formula: Formula) => {
  const byId = new Map<string, number>();
  for (const line of [...doughLines(formula), ...formula.toppings]) {
    byId.set(line.ingredientId, (byId.get(line.ingredientId) ?? 0) + line.percent);
  }
  return byId;
};

/** Share of an ingredient that goes on the pieces and not into the dough. */
const onPieces = (formula: Formula, id: string): number => {
  const sum = (lines: readonly { readonly ingredientId: string; readonly percent: number }[]) =>
    lines.reduce((all, line) => all + (line.ingredientId === id ? line.percent : 0), 0);
  const on = sum(formula.toppings);
  const all = on + sum(doughLines(formula));
  return all > 0 ? on / all : 0;
};

/** A formula without its version, its parts in one order: what is stored of it. */
const written = (formula: Formula): string =>
  JSON.stringify({ ...formula, version: 0 }, (_key, value: unknown) =>
    typeof value === 'object' && value !== null && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
      : value,
  );

const restForms: Readonly<Record<RestRule['form'], string>> = {
  pieces: 'in pieces',
  tub: 'in a tub',
  bag: 'in bags',
  none: 'not at all',
};
const restPlaces: Readonly<Record<RestRule['placeKind'], string>> = {
  'walk-in': 'the walk-in',
  freezer: 'the freezer',
  bench: 'the open',
};
const stageToolWords: Readonly<Record<StageTool, string>> = {
  mixer: 'the stand mixer',
  'hand-mixer': 'a hand mixer',
  spoon: 'a spoon',
};
const toppingWords: Readonly<Record<ToppingWay, string>> = {
  coat: 'rolled in it',
  top: 'on top',
  iced: 'iced with it, when cold',
};
const pressedPhrase = (was: number | undefined, is: number | undefined): readonly string[] => {
  if (was === is) return [];
  if (is === undefined) return ['pieces no longer pressed flat'];
  return [`pieces pressed to ${was === undefined ? '' : `${formatNumber(was)} → `}${formatNumber(is)} mm`];
};
const pieceTime = (seconds = 0): string => (seconds > 0 ? `${formatNumber(seconds)} s a piece` : 'no');

/** What changed from one version to the next, one short phrase each: "butter 62 → 58 %", "+ salt 1 %". */
export const compareVersions = (before: Formula, after: Formula): readonly string[] => {
  const was = amounts(before);
  const is = amounts(after);
  const phrases: string[] = [];
  for (const id of new Set([...was.keys(), ...is.keys()])) {
    const a = was.get(id);
    const b = is.get(id);
    const name = ingredient(id).name.toLowerCase();
    if (a === undefined && b !== undefined) phrases.push(`+ ${name} ${formatNumber(b)} %`);
    else if (b === undefined && a !== undefined) phrases.push(`− ${name} ${formatNumber(a)} %`);
    else if (a !== undefined && b !== undefined && Math.abs(a - b) > 1e-9) {
      phrases.push(`${name} ${formatNumber(a)} → ${formatNumber(b)} %`);
    }
  }
  const browned = (f: Formula) =>
    doughLines(f)
      .filter((line) => line.browned)
      .map((line) => line.ingredientId);
  for (const id of browned(after))
    if (!browned(before).includes(id)) phrases.push(`${ingredient(id).name.toLowerCase()} browned`);
  for (const id of browned(before))
    if (was.has(id) && is.has(id) && !browned(after).includes(id))
      phrases.push(`${ingredient(id).name.toLowerCase()} no longer browned`);
  const readied = (f: Formula) => {
    const said = new Map<string, string>();
    for (const line of doughLines(f)) {
      const words = sayReady(line, '');
      if (words && !said.has(line.ingredientId)) said.set(line.ingredientId, words);
    }
    return said;
  };
  const [ready, readyNow] = [readied(before), readied(after)];
  for (const id of new Set([...ready.keys(), ...readyNow.keys()])) {
    const now = readyNow.get(id);
    if (now !== ready.get(id) && is.has(id))
      phrases.push(`${ingredient(id).name.toLowerCase()}: ${now ?? 'as it comes'}`);
  }
  const ways = (f: Formula) => new Map(f.toppings.map(({ ingredientId, on = 'coat' }) => [ingredientId, on]));
  const [way, wayNow] = [ways(before), ways(after)];
  for (const [id, now] of wayNow)
    if (way.has(id) && way.get(id) !== now)
      phrases.push(`${ingredient(id).name.toLowerCase()}: ${toppingWords[now]}`);
  for (const [id, whole] of is) {
    const [share, shareNow] = [onPieces(before, id), onPieces(after, id)];
    // A thing that is only on the pieces, or not at all, is said by its amount.
    if (was.has(id) && whole > 0 && Math.abs(share - shareNow) > 0.004)
      phrases.push(
        `${ingredient(id).name.toLowerCase()}: ${shareNow === 0 ? 'all in the dough' : `${Math.round(100 * shareNow)} % of it on the pieces`}`,
      );
  }
  const order = (f: Formula) => f.stages.map(({ name }) => name).join(', ');
  if (order(before) !== order(after)) phrases.push(`stages: ${order(after)}`);
  for (const now of after.stages) {
    const old = before.stages.find(({ id }) => id === now.id);
    if (!old) continue;
    const name = now.name.toLowerCase();
    if (old.parts !== now.parts)
      phrases.push(`${name} in ${now.parts === undefined ? 'the usual parts' : `${now.parts} parts`}`);
    if (old.tool !== now.tool)
      phrases.push(`${name} with ${now.tool ? stageToolWords[now.tool] : 'the usual tool'}`);
    if (old.workS !== now.workS)
      phrases.push(
        `${name} worked for ${now.workS === undefined ? 'the usual time' : sayDuration(now.workS)}`,
      );
  }
  const members = (stage: FormulaStage) => stage.lines.map(({ ingredientId }) => ingredientId);
  for (const now of after.stages) {
    const old = before.stages.find(({ id }) => id === now.id);
    const [had, has] = [old ? members(old) : [], members(now)];
    if (had.join() !== has.join() && had.toSorted().join() === has.toSorted().join())
      phrases.push(`${now.name.toLowerCase()} in another order`);
  }
  const cues = after.stages.filter((stage) =>
    before.stages.some((old) => old.id === stage.id && old.cue !== stage.cue),
  );
  for (const { name } of cues) phrases.push(`cue of ${name.toLowerCase()} rewritten`);
  const place = (f: Formula, id: string) =>
    f.stages.find(({ lines }) => lines.some((line) => line.ingredientId === id))?.name;
  for (const id of is.keys()) {
    const [from, to] = [place(before, id), place(after, id)];
    if (
      from !== undefined &&
      to !== undefined &&
      from !== to &&
      before.stages.some(({ name }) => name === to)
    )
      phrases.push(`${ingredient(id).name.toLowerCase()} moved to ${to.toLowerCase()}`);
  }
  phrases.push(...pressedPhrase(before.piece.pressedMm, after.piece.pressedMm));
  const method = (f: Formula) => ({ ...standardMethod, ...f.method });
  const [m0, m1] = [method(before), method(after)];
  const settings: [string, number | string, number | string][] = [
    ['piece', `${formatNumber(before.piece.massG)} g`, `${formatNumber(after.piece.massG)} g`],
    ['shape', before.piece.shape, after.piece.shape],
    ['oven', `${formatNumber(before.bake.setC)} °C`, `${formatNumber(after.bake.setC)} °C`],
    ['target', before.bake.target, after.bake.target],
    ['gap', `${formatNumber(before.bake.gapMm)} mm`, `${formatNumber(after.bake.gapMm)} mm`],
    ['name', before.name, after.name],
    ['creaming', m0.cream, m1.cream],
    ['egg worked in', m0.egg, m1.egg],
    ['finished by', m0.finish, m1.finish],
    ['dough temperature', m0.doughC ?? 'house', m1.doughC ?? 'house'],
    ['fan', before.bake.fan ? 'on' : 'off', after.bake.fan ? 'on' : 'off'],
    ['on the tray', sayDuration(before.bake.trayRestS), sayDuration(after.bake.trayRestS)],
    [
      'pressed flat after the oven',
      pieceTime(before.afterBake?.flattenPieceS),
      pieceTime(after.afterBake?.flattenPieceS),
    ],
    ['iced', pieceTime(before.afterBake?.icePieceS), pieceTime(after.afterBake?.icePieceS)],
    ['drying', sayDuration(before.afterBake?.dryS ?? 0), sayDuration(after.afterBake?.dryS ?? 0)],
    ['rested', restForms[before.rest.form], restForms[after.rest.form]],
    ['rests in', restPlaces[before.rest.placeKind], restPlaces[after.rest.placeKind]],
    ['shortest rest', sayDuration(before.rest.minS), sayDuration(after.rest.minS)],
    ['best rest', sayDuration(before.rest.bestS), sayDuration(after.rest.bestS)],
    ['longest rest', sayDuration(before.rest.maxS), sayDuration(after.rest.maxS)],
    ['out of the cold before the bake', sayDuration(before.rest.temperS), sayDuration(after.rest.temperS)],
  ];
  for (const [name, a, b] of settings) if (a !== b) phrases.push(`${name} ${a} → ${b}`);
  // What has no words of its own is a change all the same, and can be saved.
  if (phrases.length === 0 && written(before) !== written(after)) phrases.push('details');
  return phrases;
};
