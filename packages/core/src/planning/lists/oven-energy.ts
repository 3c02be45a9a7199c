import { sparePower } from '../../bake/index.js';
import type { Oven } from '../../bakery/index.js';
import { sumFigure, type Figure, type Term, say } from '../../shown/index.js';
import type { BatchPlan, Load } from '../problem/plan.js';
import { heatUpS, type PlanProblem } from '../problem/problem.js';
import { ovenTasks } from './oven-tasks.js';

/**
 * To warm a kilogram of dough by some 80 °C and to drive 8 % of it off as water, J: 2.8 kJ/kgK and 2.26 MJ/kg (Rao, Rizvi
 * and Datta, 2005).
 */
const doughJPerKg = 2800 * 80 + 0.08 * 2.26e6;
const kWh = 3.6e6;

const ovenTerms = (
  oven: Oven & { readonly powerW: number },
  loads: readonly Load[],
  heated: readonly { readonly loadId: string }[],
  massOf: (load: Load) => number,
): readonly Term[] => {
  const { name, powerW } = oven;
  const isHeated = (load: Load) => heated.some(({ loadId }) => loadId === load.id);
  const upS = loads.filter(isHeated).reduce((sum, load) => sum + heatUpS(oven, load.setC), 0);
  const hotS = loads.reduce((sum, load, i) => {
    const next = loads[i + 1];
    // It stays hot until the next load, or is turned off after the last one of a stretch.
    return sum + (next && !isHeated(next) ? next.startS - load.startS : load.pullS);
  }, 0);
  const doughKg = loads.reduce((sum, load) => sum + massOf(load), 0) / 1000;
  const term = (what: string, joule: number): Term => ({
    symbol: 'E',
    name: `${name}, ${what}`,
    value: joule / kWh,
    unit: 'kWh',
    source: say`estimate from the power of its heaters`,
  });
  return [
    term(say`heating up for ${Math.round(upS / 60)} min`, powerW * upS),
    term(say`held hot for ${Math.round(hotS / 60)} min`, (1 - sparePower) * powerW * hotS),
    term(say`${doughKg.toFixed(1)} kg of dough baked`, doughJPerKg * doughKg),
  ];
};

/**
 * What the ovens of a plan take, kWh: heating up from cold, holding hot, and what the dough takes up. An estimate: how well
 * an oven is insulated, and who leaves its door open, is not known.
 * @param pieceG of a product's piece, g
 * @returns null where no oven that bakes has the power of its heaters stated
 */
export const ovenEnergy = (
  ovens: readonly Oven[],
  batches: readonly BatchPlan[],
  pieceG: (productCode: string) => number,
  problem: Pick<PlanProblem, 'loadGapS'>,
): { readonly energy: Figure; readonly without: readonly Oven[] } | null => {
  const all = batches.flatMap(({ productCode, loads }) => loads.map((load) => ({ productCode, load })));
  const massOf = (load: Load) => {
    const code = all.find((own) => own.load.id === load.id)?.productCode ?? '';
    return load.trays.reduce((sum, { pieces }) => sum + pieces, 0) * pieceG(code);
  };
  const heated = ovenTasks({ ...problem, ovens, nowS: 0 }, batches).filter(({ kind }) => kind === 'oven-on');
  const used = ovens
    .map((oven) => ({
      oven,
      loads: all
        .map(({ load }) => load)
        .filter(({ ovenId }) => ovenId === oven.id)
        .sort((a, b) => a.startS - b.startS),
    }))
    .filter(({ loads }) => loads.length > 0);
  const terms = used.flatMap(({ oven: { powerW, ...oven }, loads }) =>
    powerW === undefined ? [] : ovenTerms({ ...oven, powerW }, loads, heated, massOf),
  );
  if (terms.length === 0) return null;
  return {
    energy: sumFigure({
      name: say`Energy of the ovens`,
      symbol: 'E',
      unit: 'kWh',
      terms,
      source: say`heating up at full power, 30 % of it to hold, and what the dough takes up; an estimate`,
    }),
    without: used.flatMap(({ oven }) => (oven.powerW === undefined ? [oven] : [])),
  };
};
