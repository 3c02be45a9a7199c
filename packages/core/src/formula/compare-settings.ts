import { formatNumber, sayDuration, say } from '../shown/index.js';
import { settingWord } from './setting-words.js';
import { coverOf, standardMethod, type Formula, type RestRule } from './formula.js';

/* What changed of piece, oven, method and rest from one version to the next, a short phrase each. */

const restForms: Readonly<Record<RestRule['form'], string>> = {
  pieces: say`in pieces`,
  tub: say`in a tub`,
  bag: say`in bags`,
  none: say`not at all`,
};
const restPlaces: Readonly<Record<RestRule['placeKind'], string>> = {
  'walk-in': say`the walk-in`,
  freezer: say`the freezer`,
  bench: say`the open`,
};
const pressedPhrase = (was: number | undefined, is: number | undefined): readonly string[] => {
  if (was === is) return [];
  if (is === undefined) return [say`pieces no longer pressed flat`];
  return [
    was === undefined
      ? say`pieces pressed to ${formatNumber(is)} mm`
      : say`pieces pressed to ${formatNumber(was)} → ${formatNumber(is)} mm`,
  ];
};
const pieceTime = (seconds = 0): string => (seconds > 0 ? say`${formatNumber(seconds)} s a piece` : say`no`);

/** Each setting in words, as it was and as it is. */
const settingsOf = (
  before: Formula,
  after: Formula,
): readonly (readonly [string, number | string, number | string])[] => {
  const method = (f: Formula) => ({ ...standardMethod, ...f.method });
  const lies = ({ bake }: Formula) => (bake.liner ? settingWord(bake.liner) : say`house`);
  const [m0, m1] = [method(before), method(after)];
  return [
    [say`piece`, `${formatNumber(before.piece.massG)} g`, `${formatNumber(after.piece.massG)} g`],
    [say`shape`, settingWord(before.piece.shape), settingWord(after.piece.shape)],
    [say`oven`, `${formatNumber(before.bake.setC)} °C`, `${formatNumber(after.bake.setC)} °C`],
    [say`target`, settingWord(before.bake.target), settingWord(after.bake.target)],
    [say`gap`, `${formatNumber(before.bake.gapMm)} mm`, `${formatNumber(after.bake.gapMm)} mm`],
    [say`name`, before.name, after.name],
    [say`creaming`, settingWord(m0.cream), settingWord(m1.cream)],
    [say`egg worked in`, settingWord(m0.egg), settingWord(m1.egg)],
    [say`finished by`, settingWord(m0.finish), settingWord(m1.finish)],
    [say`dough temperature`, m0.doughC ?? say`house`, m1.doughC ?? say`house`],
    [say`on the tray lies`, lies(before), lies(after)],
    [say`ovens`, before.bake.ovens?.join(', ') ?? say`any`, after.bake.ovens?.join(', ') ?? say`any`],
    [say`fan`, before.bake.fan ? say`on` : say`off`, after.bake.fan ? say`on` : say`off`],
    [say`on the tray`, sayDuration(before.bake.trayRestS), sayDuration(after.bake.trayRestS)],
    [
      say`pressed flat after the oven`,
      pieceTime(before.afterBake?.flattenPieceS),
      pieceTime(after.afterBake?.flattenPieceS),
    ],
    [say`iced`, pieceTime(before.afterBake?.icePieceS), pieceTime(after.afterBake?.icePieceS)],
    [say`drying`, sayDuration(before.afterBake?.dryS ?? 0), sayDuration(after.afterBake?.dryS ?? 0)],
    [say`rested`, restForms[before.rest.form], restForms[after.rest.form]],
    [say`rests in`, restPlaces[before.rest.placeKind], restPlaces[after.rest.placeKind]],
    [say`lies`, settingWord(coverOf(before.rest)), settingWord(coverOf(after.rest))],
    [say`shortest rest`, sayDuration(before.rest.minS), sayDuration(after.rest.minS)],
    [say`best rest`, sayDuration(before.rest.bestS), sayDuration(after.rest.bestS)],
    [say`longest rest`, sayDuration(before.rest.maxS), sayDuration(after.rest.maxS)],
    [say`out of the cold before the bake`, sayDuration(before.rest.temperS), sayDuration(after.rest.temperS)],
  ];
};

export const settingPhrases = (before: Formula, after: Formula): readonly string[] => [
  ...pressedPhrase(before.piece.pressedMm, after.piece.pressedMm),
  ...settingsOf(before, after).flatMap(([name, was, is]) => (was === is ? [] : [`${name} ${was} → ${is}`])),
];
