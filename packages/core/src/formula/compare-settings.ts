import { formatNumber, sayDuration } from '../shown/index.js';
import { coverOf, standardMethod, type Formula, type RestRule } from './formula.js';

/* What changed of piece, oven, method and rest from one version to the next, a short phrase each. */

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
const pressedPhrase = (was: number | undefined, is: number | undefined): readonly string[] => {
  if (was === is) return [];
  if (is === undefined) return ['pieces no longer pressed flat'];
  return [`pieces pressed to ${was === undefined ? '' : `${formatNumber(was)} → `}${formatNumber(is)} mm`];
};
const pieceTime = (seconds = 0): string => (seconds > 0 ? `${formatNumber(seconds)} s a piece` : 'no');

/** Each setting in words, as it was and as it is. */
const settingsOf = (
  before: Formula,
  after: Formula,
): readonly (readonly [string, number | string, number | string])[] => {
  const method = (f: Formula) => ({ ...standardMethod, ...f.method });
  const [m0, m1] = [method(before), method(after)];
  return [
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
    ['on the tray lies', before.bake.liner ?? 'house', after.bake.liner ?? 'house'],
    ['ovens', before.bake.ovens?.join(', ') ?? 'any', after.bake.ovens?.join(', ') ?? 'any'],
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
    ['lies', coverOf(before.rest), coverOf(after.rest)],
    ['shortest rest', sayDuration(before.rest.minS), sayDuration(after.rest.minS)],
    ['best rest', sayDuration(before.rest.bestS), sayDuration(after.rest.bestS)],
    ['longest rest', sayDuration(before.rest.maxS), sayDuration(after.rest.maxS)],
    ['out of the cold before the bake', sayDuration(before.rest.temperS), sayDuration(after.rest.temperS)],
  ];
};

export const settingPhrases = (before: Formula, after: Formula): readonly string[] => [
  ...pressedPhrase(before.piece.pressedMm, after.piece.pressedMm),
  ...settingsOf(before, after).flatMap(([name, was, is]) => (was === is ? [] : [`${name} ${was} → ${is}`])),
];
