import { stillWanted } from '../problem/covered.js';
import type { BatchPlan, Load } from '../problem/plan.js';
import type { PlanBatch, PlanProduct } from '../problem/problem.js';

/** A tray's worth of pieces of one batch, with the earliest ready-by that it serves. */
export interface TrayShare {
  readonly pieces: number;
  readonly dueS: number;
}

/** Pieces of one batch that are for the same moment. */
export interface Want {
  readonly pieces: number;
  readonly dueS: number;
  /** How much a piece of it that is not ready counts; 1 where left out. */
  readonly weight?: number;
}

/** What one batch has to deliver. */
export interface BatchShareOfDay {
  readonly product: PlanProduct;
  readonly batch: PlanBatch;
  /** Earliest due first. */
  readonly trays: readonly TrayShare[];
  readonly dueS: number;
  /** What its pieces are for, earliest due first; each tray's for one moment where left out. */
  readonly wants?: readonly Want[];
}

/** What the pieces of a batch are for, the earliest ready-by first. */
export const wantsOf = ({ wants, trays }: Pick<BatchShareOfDay, 'wants' | 'trays'>): readonly Want[] =>
  wants ?? trays;

/** What loads have ready in time of what their batch is for, by what each piece counts. */
export const countsInTime = (wants: readonly Want[], loads: readonly Load[]): number => {
  const packed = loads
    .map(({ readyS, trays }) => ({ readyS, pieces: trays.reduce((sum, tray) => sum + tray.pieces, 0) }))
    .sort((a, b) => a.readyS - b.readyS);
  let counts = 0;
  for (const { pieces, dueS, weight = 1 } of wants) {
    let open = pieces;
    for (const load of packed) {
      if (load.readyS > dueS || open === 0) break;
      const taken = Math.min(open, load.pieces);
      load.pieces -= taken;
      open -= taken;
      counts += weight * taken;
    }
  }
  return counts;
};

export const piecesFor = (wants: readonly Want[]): number =>
  wants.reduce((sum, { pieces }) => sum + pieces, 0);

/** By what each piece counts, all that a batch is for. */
export const countsOf = (wants: readonly Want[]): number =>
  wants.reduce((sum, { pieces, weight = 1 }) => sum + weight * pieces, 0);

/** Full trays but for the last, so that each tray bakes alike. */
const fullTrays = (pieces: number, perTray: number): readonly number[] => {
  const trays: number[] = [];
  for (let rest = pieces; rest > 0; rest -= perTray) trays.push(Math.min(rest, perTray));
  return trays;
};

/** Trays with the first moment that their pieces are for; what is for none goes with the last. */
export const dealTrays = (trays: readonly number[], wants: readonly Want[]): readonly TrayShare[] => {
  let [at, used] = [0, 0];
  return trays.map((pieces) => {
    const { dueS = 0 } = wants[at] ?? wants.at(-1) ?? {};
    used += pieces;
    for (let want = wants[at]; want && used >= want.pieces; want = wants[at]) {
      used -= want.pieces;
      at += 1;
    }
    return { pieces, dueS };
  });
};

/** Batches that are for the same demands, and those demands, the earliest ready-by first. */
interface Group {
  readonly batches: readonly PlanBatch[];
  readonly demands: PlanProduct['demands'];
}

const groupsOf = ({ batches, demands }: PlanProduct): readonly Group[] => {
  const groups = new Map<string, PlanBatch[]>();
  for (const batch of batches) {
    const key = batch.serves?.join() ?? '';
    groups.set(key, [...(groups.get(key) ?? []), batch]);
  }
  return [...groups.values()]
    .map((own) => {
      const serves = own[0]?.serves;
      const theirs = serves ? demands.filter((_, i) => serves.includes(i)) : demands;
      return { batches: own, demands: [...theirs].sort((a, b) => a.readyByS - b.readyByS) };
    })
    .sort((a, b) => (a.demands[0]?.readyByS ?? 0) - (b.demands[0]?.readyByS ?? 0));
};

/** Takes so many pieces at most of some wants, the earliest first, out of a queue. */
const take = (queue: Want[], most: number, isMeant: (want: Want) => boolean): readonly Want[] => {
  const taken: Want[] = [];
  let open = most;
  for (let i = 0; i < queue.length && open > 0;) {
    const want = queue[i] as Want;
    if (!isMeant(want)) {
      i += 1;
      continue;
    }
    const pieces = Math.min(open, want.pieces);
    taken.push({ ...want, pieces });
    open -= pieces;
    queue.splice(i, 1, ...(pieces < want.pieces ? [{ ...want, pieces: want.pieces - pieces }] : []));
  }
  return taken;
};

/**
 * Deals a product's pieces out to its batches and their trays, the earliest ready-by first. Pieces beyond the demands (test
 * pieces, rounding) go with the last ones, and what no batch can be ready for to whichever has pieces over.
 * @param fixed batches of the product that have begun: they deliver already, for the earliest ready-bys
 * @param soonestS when the first pieces of a batch can be ready, s; any batch serves any demand where left out
 */
export const sharesOf = (
  product: PlanProduct,
  fixed: readonly BatchPlan[] = [],
  soonestS: (batch: PlanBatch) => number = () => Number.NEGATIVE_INFINITY,
): readonly BatchShareOfDay[] => {
  const groups = groupsOf(product);
  return groups.flatMap(({ batches, demands }) => {
    const queue = stillWanted(fixed, demands, product.demands).map(({ pieces, readyByS, weight }): Want => ({
      pieces,
      dueS: readyByS,
      ...(weight !== undefined && { weight }),
    }));
    const lastS = demands.at(-1)?.readyByS ?? 0;
    const within = batches.map((batch) => {
      const fromS = soonestS(batch);
      return take(queue, batch.pieces, ({ dueS }) => dueS >= fromS);
    });
    return batches.map((batch, i) => {
      const own = within[i] ?? [];
      const beyond = take(queue, batch.pieces - piecesFor(own), () => true);
      const known = [...beyond, ...own].sort((a, b) => a.dueS - b.dueS);
      const nobodys = batch.pieces - piecesFor(known);
      const wants = nobodys > 0 ? [...known, { pieces: nobodys, dueS: lastS, weight: 0 }] : known;
      const trays = dealTrays(fullTrays(batch.pieces, product.perTray), wants);
      return { product, batch, trays, dueS: trays[0]?.dueS ?? 0, wants };
    });
  });
};
