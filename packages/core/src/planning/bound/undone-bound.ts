import { earliestBakeS } from '../solve/reach.js';
import { resourceIds, type PlanProblem, type PlanProduct } from '../problem/problem.js';
import { afterPullS } from '../problem/tasks.js';
import { leastAvailable } from '../problem/availability.js';

/** Solves a linear program in the LP format and gives the least value of its objective. */
export type SolveLinear = (program: string) => number;

/**
 * Stretches of time are made no more than this many, fewer where there are many orders, so that the program stays small:
 * fewer only weaken the bound.
 */
const mostStretches = { few: 48, many: 240, timesOrders: 60_000 } as const;

interface Stretch {
  readonly fromS: number;
  readonly toS: number;
}

/** What one product asks of the line, per piece. */
interface Line {
  readonly product: PlanProduct;
  readonly name: string;
  /** No piece of it can be in an oven before. */
  readonly releaseS: number;
  readonly handsS: number;
  readonly mixerS: number;
  /** Pieces that need no mixing: dough that is there. */
  readonly stock: number;
  /** What batches that have begun deliver by each demand's ready-by, and demands, earliest first. */
  readonly due: readonly {
    readonly byS: number;
    readonly own: number;
    readonly weight: number;
    /** Of it and of all that is due before. */
    readonly pieces: number;
    readonly begun: number;
  }[];
}

const lineOf = (problem: PlanProblem, product: PlanProduct, index: number): Line => {
  const begun = problem.fixed
    .filter(({ productCode }) => productCode === product.code)
    .flatMap(({ loads }) => loads);
  const largest = Math.max(1, ...product.batches.filter((b) => !b.stock).map(({ pieces }) => pieces));
  const stocked = product.batches.filter((batch) => batch.stock);
  const freshS =
    problem.nowS + product.mixS + product.portionSetUpS + product.portionSPerPiece + product.rest.minS;
  let pieces = 0;
  return {
    product,
    name: `p${index}`,
    releaseS: Math.min(
      freshS,
      ...stocked.map((batch) => earliestBakeS(problem, { product, batch: { ...batch, pieces: 1 } })),
    ),
    handsS: product.portionSPerPiece + (product.mixS + product.portionSetUpS) / largest,
    mixerS: product.mixS / largest,
    stock: stocked.reduce((sum, batch) => sum + batch.pieces, 0),
    due: [...product.demands]
      .sort((a, b) => a.readyByS - b.readyByS)
      .map((demand) => {
        pieces += demand.pieces;
        return {
          byS: demand.readyByS,
          own: demand.pieces,
          weight: demand.weight ?? 1,
          pieces,
          begun: begun
            .filter((load) => load.readyS <= demand.readyByS)
            .reduce((sum, load) => sum + load.trays.reduce((n, tray) => n + tray.pieces, 0), 0),
        };
      }),
  };
};

/** The horizon cut where something begins or ends; neighbours are joined while there are too many. */
const stretchesOf = (problem: PlanProblem, lines: readonly Line[]): readonly Stretch[] => {
  const hands = problem.resources.find(({ id }) => id === resourceIds.hands)?.when ?? [];
  const lastS = Math.max(problem.nowS, ...lines.flatMap(({ due }) => due.map(({ byS }) => byS)));
  const cuts = [
    problem.nowS,
    lastS,
    ...[...problem.ovenHours, ...hands].flatMap(({ fromS, toS }) => [fromS, toS]),
    ...lines.flatMap(({ releaseS, due, product }) => [
      releaseS,
      ...due.map(({ byS }) => byS - afterPullS(product, 1)),
    ]),
  ].filter((s) => s >= problem.nowS && s <= lastS);
  let sorted = [...new Set(cuts.map(Math.round))].sort((a, b) => a - b);
  const orders = lines.reduce((sum, { due }) => sum + due.length, 0);
  const { few, many, timesOrders } = mostStretches;
  const most = Math.max(few, Math.min(many, Math.floor(timesOrders / Math.max(1, orders))));
  while (sorted.length > most + 1) sorted = sorted.filter((_, i) => i % 2 === 0 || i === sorted.length - 1);
  return sorted.slice(0, -1).map((fromS, i) => ({ fromS, toS: sorted[i + 1] as number }));
};

const term = (amount: number, name: string) =>
  `${amount < 0 ? '-' : '+'} ${Math.abs(amount).toPrecision(12)} ${name}`;

/**
 * The least pieces that any plan must leave undone, as a linear program: work may be cut as finely as one likes and
 * stopped at any moment, but each piece takes its share of chamber, hands and mixer between the moment that it can begin
 * and its ready-by. What it asks for is less than what a plan needs, so its answer is never too high.
 */
export const undoneProgram = (problem: PlanProblem): string | null => {
  const lines = problem.products.map((product, i) => lineOf(problem, product, i));
  const stretches = stretchesOf(problem, lines);
  if (lines.every(({ due }) => due.length === 0)) return null;
  const rows: string[] = [];
  const bounds: string[] = [];
  const objective: string[] = [];
  const row = (terms: readonly string[], sense: '<=' | '>=', value: number) => {
    if (terms.length > 0) rows.push(`r${rows.length}: ${terms.join(' ')} ${sense} ${value.toPrecision(12)}`);
  };
  const inOven = new Map<string, string[]>();
  const atHands: string[][] = stretches.map(() => []);
  const atMixers: string[][] = stretches.map(() => []);
  for (const line of lines) {
    const { product, name, due } = line;
    const ovens = product.bakes.flatMap((bake) => {
      const index = problem.ovens.findIndex(({ id }) => id === bake.ovenId);
      const oven = problem.ovens[index];
      return oven && oven.places > 0 ? [{ bake, oven, index }] : [];
    });
    const quickestS = Math.min(...ovens.map(({ bake }) => bake.pullS));
    const baked: { fromS: number; name: string }[] = [];
    const mixed: { fromS: number; name: string }[] = [];
    stretches.forEach((stretch, k) => {
      if (stretch.toS > line.releaseS)
        for (const { bake, oven, index } of ovens) {
          const x = `b_${name}_${index}_${k}`;
          baked.push({ fromS: stretch.fromS, name: x });
          const key = `${oven.id}/${k}`;
          const share = bake.pullS / (product.perTray * oven.places);
          inOven.set(key, [...(inOven.get(key) ?? []), term(share, x)]);
        }
      const m = `m_${name}_${k}`;
      mixed.push({ fromS: stretch.fromS, name: m });
      atHands[k]?.push(term(line.handsS, m));
      atMixers[k]?.push(term(line.mixerS, m));
    });
    const left: string[] = [];
    due.forEach(({ byS, own, weight, pieces, begun }, d) => {
      const u = `u_${name}_${d}`;
      left.push(`+ ${u}`);
      objective.push(term(weight, u));
      bounds.push(`0 <= ${u} <= ${own}`);
      const pulledS = byS - afterPullS(product, 1);
      const inTime = baked.filter(({ fromS }) => fromS < pulledS).map((x) => `+ ${x.name}`);
      row([...inTime, ...left], '>=', pieces - begun);
      // A tub rests between mixing and portioning: only its mixing must be so early.
      const readyS = pulledS - quickestS - (product.rest.form === 'tub' ? 0 : product.rest.minS);
      const made = mixed.filter(({ fromS }) => fromS < readyS).map((m) => `+ ${m.name}`);
      row([...made, ...left], '>=', pieces - begun - line.stock);
    });
  }
  stretches.forEach(({ fromS, toS }, k) => {
    for (const oven of problem.ovens) {
      const hot =
        leastAvailable(problem.ovenHours, fromS, toS) > 0 ? toS - fromS : partS(problem, fromS, toS);
      row(inOven.get(`${oven.id}/${k}`) ?? [], '<=', hot);
    }
    const hands = problem.resources.find(({ id }) => id === resourceIds.hands);
    if (hands) row(atHands[k] ?? [], '<=', handSeconds(hands, fromS, toS));
    const mixers = new Set(
      problem.products.flatMap(({ batches }) => batches.flatMap((b) => b.mixerIds ?? [b.mixerId])),
    );
    row(atMixers[k] ?? [], '<=', Math.max(1, mixers.size) * (toS - fromS));
  });
  return `Minimize\n obj: ${objective.join(' ') || '0'}\nSubject To\n ${rows.join('\n ')}\nBounds\n ${bounds.join('\n ')}\nEnd\n`;
};

/** Seconds of a stretch in which the ovens are attended. */
const partS = ({ ovenHours }: PlanProblem, fromS: number, toS: number): number => {
  const edges = [fromS, toS, ...ovenHours.flatMap((a) => [a.fromS, a.toS])]
    .filter((s) => s >= fromS && s <= toS)
    .sort((a, b) => a - b);
  return edges
    .slice(0, -1)
    .reduce(
      (sum, s, i) =>
        sum + (leastAvailable(ovenHours, s, edges[i + 1] as number) > 0 ? (edges[i + 1] as number) - s : 0),
      0,
    );
};

const handSeconds = (hands: PlanProblem['resources'][number], fromS: number, toS: number): number => {
  if (!hands.when) return hands.capacity * (toS - fromS);
  return hands.when.reduce(
    (sum, a) => sum + a.capacity * Math.max(0, Math.min(a.toS, toS) - Math.max(a.fromS, fromS)),
    0,
  );
};

/** Ordered pieces that no plan can have ready in time. */
export const leastUndone = (problem: PlanProblem, solve: SolveLinear): number => {
  const program = undoneProgram(problem);
  return program === null ? 0 : Math.max(0, Math.ceil(solve(program) - 1e-6));
};
