import { ingredient } from '../ingredient/index.js';
import { formatNumber } from '../shown/index.js';
import { doughLines, type Formula } from './formula.js';

const amounts = (formula: Formula) => {
  const byId = new Map<string, number>();
  for (const line of [...doughLines(formula), ...formula.toppings]) {
    byId.set(line.ingredientId, (byId.get(line.ingredientId) ?? 0) + line.percent);
  }
  return byId;
};

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
  const settings: [string, number | string, number | string][] = [
    ['piece', `${before.piece.massG} g`, `${after.piece.massG} g`],
    ['shape', before.piece.shape, after.piece.shape],
    ['oven', `${before.bake.setC} °C`, `${after.bake.setC} °C`],
    ['target', before.bake.target, after.bake.target],
    ['gap', `${before.bake.gapMm} mm`, `${after.bake.gapMm} mm`],
    ['rest', before.rest.bestS / 3600, after.rest.bestS / 3600],
  ];
  for (const [name, a, b] of settings) if (a !== b) phrases.push(`${name} ${a} → ${b}`);
  return phrases;
};
