import { type BatchPlan, type Load } from '../problem/plan.js';
import { betweenLoadsS, betweenMixesS, type PlanProblem, type Resource } from '../problem/problem.js';
import { Floor } from './floor-plan.js';
import { placementsOf, type Placement } from './placement.js';
import { countsInTime, wantsOf, type BatchShareOfDay } from './shares.js';
import { leastAvailable } from '../problem/availability.js';

/**
 * Solves an integer program in the LP format whose columns are all binary.
 * @returns the names of the columns that are 1, or null where it found nothing in time
 */
export type SolveBinary = (program: string) => ReadonlySet<string> | null;
const mostRows = 6000;

interface Stretch {
  readonly startS: number;
  readonly endS: number;
  readonly amount: number;
  readonly name: string | null;
}

/** Rows that keep a resource within what is there: one for each set of stretches that overlap and none beyond it does. */
const rowsOf = (stretches: readonly Stretch[], thereAt: (atS: number) => number): readonly string[] => {
  const moments = stretches
    .flatMap((own) => [
      { atS: own.startS, begins: true, own },
      { atS: own.endS, begins: false, own },
    ])
    .sort((a, b) => a.atS - b.atS || Number(a.begins) - Number(b.begins));
  const rows: string[] = [];
  const active = new Set<Stretch>();
  let grew = false;
  let lastS = Number.NEGATIVE_INFINITY;
  for (const { atS, begins, own } of moments) {
    if (!begins && grew) {
      // The set is as large as it gets until something new begins.
      const there = thereAt(lastS);
      const taken = [...active].filter(({ name }) => name === null).reduce((sum, s) => sum + s.amount, 0);
      const by = new Map<string, number>();
      for (const { name, amount } of active)
        if (name !== null && amount > 0) by.set(name, (by.get(name) ?? 0) + amount);
      const most = [...by.values()].reduce((sum, amount) => sum + amount, 0);
      if (by.size > 0 && taken + most > there)
        rows.push(
          `${[...by].map(([name, amount]) => `+ ${amount} ${name}`).join(' ')} <= ${Math.max(0, there - taken)}`,
        );
      grew = false;
    }
    if (begins) {
      active.add(own);
      grew = true;
      lastS = atS;
    } else active.delete(own);
  }
  return rows;
};

const clash = (problem: PlanProblem, a: Load, b: Load): boolean => {
  const oven = problem.ovens.find(({ id }) => id === a.ovenId);
  if (!oven || a.ovenId !== b.ovenId) return false;
  const [first, second] = a.startS <= b.startS ? [a, b] : [b, a];
  const gap = betweenLoadsS(oven, first.setC, second.setC, problem.loadGapS);
  return first.startS + first.pullS + gap > second.startS;
};

/** Pairs of loads that need longer between them than the rows of their chamber ask, since it changes its temperature. */
const hotRows = (problem: PlanProblem, placements: readonly Placement[]): readonly string[] => {
  const rows = new Set<string>();
  for (const { id } of problem.ovens) {
    const loads = placements
      .flatMap((own) => own.batch.loads.filter(({ ovenId }) => ovenId === id).map((load) => ({ own, load })))
      .sort((a, b) => a.load.startS - b.load.startS);
    const longestS = Math.max(0, ...loads.map(({ load }) => load.pullS)) + longestChangeS(problem, id, loads);
    for (const [i, a] of loads.entries())
      for (let j = i + 1; j < loads.length; j++) {
        const b = loads[j] as (typeof loads)[number];
        // Those after it begin later still.
        if (b.load.startS > a.load.startS + longestS) break;
        if (a.own.share === b.own.share || a.load.setC === b.load.setC) continue;
        if (clash(problem, a.load, b.load)) rows.add(`${a.own.name} + ${b.own.name} <= 1`);
      }
  }
  return [...rows];
};

/** Pairs of mixings that leave no time to clean their bowl; those that overlap are kept apart as uses of the mixer. */
const bowlRows = ({ bowls }: PlanProblem, placements: readonly Placement[]): readonly string[] => {
  if (!bowls) return [];
  const rows = new Set<string>();
  const mixed = placements
    .flatMap((own) => {
      const mix = own.batch.tasks.find(({ kind }) => kind === 'mix');
      return mix ? [{ own, mix }] : [];
    })
    .sort((a, b) => a.mix.startS - b.mix.startS);
  for (const [i, a] of mixed.entries())
    for (const b of mixed.slice(i + 1)) {
      const apartS = b.mix.startS - a.mix.endS;
      if (apartS >= bowls.cleanS) break;
      const needsS = betweenMixesS(
        bowls,
        a.own.batch.mixerId,
        a.own.batch.productCode,
        b.own.batch.productCode,
      );
      const same = a.own.batch.mixerId === b.own.batch.mixerId && a.own.share !== b.own.share;
      if (same && apartS >= 0 && apartS < needsS) rows.add(`${a.own.name} + ${b.own.name} <= 1`);
    }
  return [...rows];
};

/** The longest time between two of some loads of a chamber, s. */
const longestChangeS = (
  problem: PlanProblem,
  ovenId: string,
  loads: readonly { readonly load: Load }[],
): number => {
  const oven = problem.ovens.find(({ id }) => id === ovenId);
  const sets = loads.map(({ load }) => load.setC);
  if (!oven || sets.length === 0) return 0;
  const [low, high] = [Math.min(...sets), Math.max(...sets)];
  const between = (fromC: number, toC: number) => betweenLoadsS(oven, fromC, toC, problem.loadGapS);
  return Math.max(between(low, high), between(high, low));
};

const capacityOf =
  (resource: Resource) =>
  (atS: number): number =>
    resource.when ? leastAvailable(resource.when, atS, atS + 1) : resource.capacity;

const programOf = (
  problem: PlanProblem,
  stays: readonly BatchPlan[],
  placements: readonly Placement[],
): string | null => {
  const rows: string[] = [];
  const shares = new Map<BatchShareOfDay, string[]>();
  for (const { share, name } of placements) shares.set(share, [...(shares.get(share) ?? []), `+ ${name}`]);
  for (const names of shares.values()) rows.push(`${names.join(' ')} <= 1`);
  const stretches = new Map<string, Stretch[]>();
  const add = (resourceId: string, own: Stretch) => {
    const list = stretches.get(resourceId);
    if (list) list.push(own);
    else stretches.set(resourceId, [own]);
  };
  const of = (batch: BatchPlan, name: string | null) => {
    for (const { uses, startS, endS } of batch.tasks)
      for (const { resourceId, amount } of uses)
        if (endS > startS) add(resourceId, { startS, endS, amount, name });
    for (const { ovenId, startS, pullS } of batch.loads)
      add(`oven ${ovenId}`, { startS, endS: startS + pullS + problem.loadGapS, amount: 1, name });
  };
  for (const batch of stays) of(batch, null);
  for (const { batch, name } of placements) of(batch, name);
  for (const resource of problem.resources)
    rows.push(...rowsOf(stretches.get(resource.id) ?? [], capacityOf(resource)));
  for (const { id } of problem.ovens) rows.push(...rowsOf(stretches.get(`oven ${id}`) ?? [], () => 1));
  rows.push(...hotRows(problem, placements), ...bowlRows(problem, placements));
  if (rows.length > mostRows) return null;
  const goal = placements
    .map(({ batch, share, name }) => `+ ${countsInTime(wantsOf(share), batch.loads)} ${name}`)
    .join(' ');
  const said = rows.map((row, i) => ` r${i}: ${row}`).join('\n');
  return `Maximize\n obj: ${goal}\nSubject To\n${said}\nBinary\n ${placements.map(({ name }) => name).join(' ')}\nEnd\n`;
};

/**
 * Places some shares all at once: of many ways for each the choice that has the most pieces in time, decided by an integer
 * program. It knows only the ways that it is given, and a choice is to be checked like any other.
 * @param stays batches that are not moved
 * @param open the shares, with how they are placed now
 * @param untilMs no further way is laid out, and no program solved, after this moment
 * @returns a batch for each share that was chosen, or null where nothing was found
 */
export const choosePlacements = (
  problem: PlanProblem,
  stays: readonly BatchPlan[],
  open: ReadonlyMap<BatchShareOfDay, BatchPlan | null>,
  solve: SolveBinary,
  untilMs = Number.POSITIVE_INFINITY,
): ReadonlyMap<BatchShareOfDay, BatchPlan> | null => {
  const floor = new Floor({ ...problem, fixed: stays, taken: [] });
  const placements = [...open].flatMap(([share, known], s) =>
    placementsOf(floor, problem, share, known, untilMs).map((batch, i): Placement => ({
      name: `x${s}_${i}`,
      share,
      batch,
    })),
  );
  if (placements.length === 0 || Date.now() > untilMs) return null;
  const program = programOf(problem, stays, placements);
  const chosen = program === null ? null : solve(program);
  if (!chosen) return null;
  return new Map(
    placements.filter(({ name }) => chosen.has(name)).map(({ share, batch }) => [share, batch] as const),
  );
};
