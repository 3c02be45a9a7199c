import { formatNumber, say } from '../shown/index.js';
import { foodIn } from './foods.js';
import { doughLines, type Formula, type ToppingWay } from './formula.js';
import { sayReady } from './ready.js';

/* What changed of the ingredients from one version to the next, a short phrase each. */

/** How these versions call an ingredient; the later one, where they differ. */
const namesIn =
  (before: Formula, after: Formula) =>
  (id: string): string =>
    foodIn(amounts(after).has(id) ? after : before, id).name.toLowerCase();

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

const toppingWords: Readonly<Record<ToppingWay, string>> = {
  coat: say`rolled in it`,
  top: say`on top`,
  iced: say`iced with it, when cold`,
};

const amountPhrases = (before: Formula, after: Formula): readonly string[] => {
  const nameOf = namesIn(before, after);
  const [was, is] = [amounts(before), amounts(after)];
  return [...new Set([...was.keys(), ...is.keys()])].flatMap((id) => {
    const [a, b] = [was.get(id), is.get(id)];
    if (a === undefined) return b === undefined ? [] : [`+ ${nameOf(id)} ${formatNumber(b)} %`];
    if (b === undefined) return [`− ${nameOf(id)} ${formatNumber(a)} %`];
    return Math.abs(a - b) > 1e-9 ? [`${nameOf(id)} ${formatNumber(a)} → ${formatNumber(b)} %`] : [];
  });
};

const brownedPhrases = (before: Formula, after: Formula): readonly string[] => {
  const nameOf = namesIn(before, after);
  const browned = (formula: Formula) =>
    new Set(doughLines(formula).flatMap((line) => (line.browned ? [line.ingredientId] : [])));
  const [was, is] = [browned(before), browned(after)];
  const inBoth = (id: string) => amounts(before).has(id) && amounts(after).has(id);
  return [
    ...[...is].filter((id) => !was.has(id)).map((id) => say`${nameOf(id)} browned`),
    ...[...was].filter((id) => !is.has(id) && inBoth(id)).map((id) => say`${nameOf(id)} no longer browned`),
  ];
};

const readyPhrases = (before: Formula, after: Formula): readonly string[] => {
  const nameOf = namesIn(before, after);
  const readied = (formula: Formula) => {
    const said = new Map<string, string>();
    for (const line of doughLines(formula)) {
      const words = sayReady(line, '');
      if (words && !said.has(line.ingredientId)) said.set(line.ingredientId, words);
    }
    return said;
  };
  const [was, is] = [readied(before), readied(after)];
  const left = amounts(after);
  return [...new Set([...was.keys(), ...is.keys()])]
    .filter((id) => is.get(id) !== was.get(id) && left.has(id))
    .map((id) => `${nameOf(id)}: ${is.get(id) ?? say`as it comes`}`);
};

const wayPhrases = (before: Formula, after: Formula): readonly string[] => {
  const nameOf = namesIn(before, after);
  const ways = (formula: Formula) =>
    new Map(formula.toppings.map(({ ingredientId, on = 'coat' }) => [ingredientId, on]));
  const was = ways(before);
  return [...ways(after)]
    .filter(([id, way]) => was.has(id) && was.get(id) !== way)
    .map(([id, way]) => `${nameOf(id)}: ${toppingWords[way]}`);
};

/** A thing that is only on the pieces, or not at all, is said by its amount. */
const sharePhrases = (before: Formula, after: Formula): readonly string[] => {
  const nameOf = namesIn(before, after);
  const was = amounts(before);
  return [...amounts(after)].flatMap(([id, whole]) => {
    const [share, now] = [onPieces(before, id), onPieces(after, id)];
    if (!was.has(id) || whole <= 0 || Math.abs(share - now) <= 0.004) return [];
    return [
      `${nameOf(id)}: ${now === 0 ? say`all in the dough` : say`${Math.round(100 * now)} % of it on the pieces`}`,
    ];
  });
};

export const linePhrases = (before: Formula, after: Formula): readonly string[] =>
  [amountPhrases, brownedPhrases, readyPhrases, wayPhrases, sharePhrases].flatMap((say) =>
    say(before, after),
  );

/** Ingredients that went to another stage, of those that were there before. */
export const movedPhrases = (before: Formula, after: Formula): readonly string[] => {
  const nameOf = namesIn(before, after);
  const place = (formula: Formula, id: string) =>
    formula.stages.find(({ lines }) => lines.some((line) => line.ingredientId === id))?.name;
  return [...amounts(after).keys()].flatMap((id) => {
    const [from, to] = [place(before, id), place(after, id)];
    if (from === undefined || to === undefined || from === to) return [];
    return before.stages.some(({ name }) => name === to)
      ? [say`${nameOf(id)} moved to ${to.toLowerCase()}`]
      : [];
  });
};
