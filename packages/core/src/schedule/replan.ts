import type { RestRule } from '../formula/index.js';
import { checkPlan } from './check.js';
import { withCleanings } from './clean-bowls.js';
import { plainChoices } from './choices.js';
import { Draft } from './draft.js';
import { Floor } from './floor-plan.js';
import { improve, type Effort } from './improve.js';
import { placeAfterAgain } from './place-after.js';
import { placeBatch } from './place-batch.js';
import { waitMaxS } from './place-loads.js';
import type { BatchPlan, Load, OvenBake, PlanBatch, PlanProblem, PlanProduct, Task } from './problem.js';
import { stayUntil } from './retime.js';
import { servedBy, undonePieces } from './served.js';
import type { BatchShareOfDay, TrayShare } from './shares.js';
import { piecesOf } from './tasks.js';

/** A day that slipped, and what of it may still be changed. */
export interface ReplanQuestion {
  /** The day: its demands, ovens that are in use, people and places. Nothing is placed but what is planned already. */
  readonly problem: PlanProblem;
  /** The plan that people work by. */
  readonly planned: readonly BatchPlan[];
  /** The same as it will come about if nobody changes anything. */
  readonly expected: readonly BatchPlan[];
  /** Batches that somebody works on: their dough exists. */
  readonly begun: ReadonlySet<string>;
  /** Loads that are in their oven, or were. */
  readonly started: ReadonlySet<string>;
  /** Loads whose oven is out of use. */
  readonly homeless: ReadonlySet<string>;
  readonly restOf: (batch: BatchPlan) => RestRule;
  /** How a batch bakes where its formula is not its product's latest. */
  readonly bakesOf?: (batch: BatchPlan) => readonly OvenBake[] | undefined;
  readonly effort?: Effort;
  /** No further set of loads is tried after this, s; 10 where left out. An answer that runs into it hangs on the machine. */
  readonly patienceS?: number;
}

/** A load that is to be baked in another oven, or at another time than planned. */
export interface LoadChange {
  readonly loadId: string;
  readonly batchId: string;
  readonly productCode: string;
  readonly pieces: number;
  readonly from: { readonly ovenId: string; readonly startS: number } | null;
  /** Null where no oven takes it any more. */
  readonly to: { readonly ovenId: string; readonly startS: number } | null;
}

export interface Replanned {
  readonly batches: readonly BatchPlan[];
  readonly changes: readonly LoadChange[];
  /** Pieces that no oven takes while their dough is good. */
  readonly left: readonly { readonly batchId: string; readonly pieces: number }[];
}

/** Nobody is asked to do anything sooner than this, s. */
const reactS = 180;
const aboutS = 60;
/** Loads that start so long before a lost one may make room for it, s. */
const aroundS = 1800;
/** What cannot be in time is sought so much later, step by step, s. */
const laterStepS = 600;
const laterMostS = 8 * 3600;
/** Somebody waits for the answer. */
const usualPatienceS = 10;

const loadsOf = (batches: readonly BatchPlan[]) => batches.flatMap(({ loads }) => loads);

/** Which loads may be moved: those without an oven, then all in trouble, then also those around them, then all that have not started. */
const levels = ({ expected, started, homeless }: ReplanQuestion): readonly ReadonlySet<string>[] => {
  const open = loadsOf(expected).filter(({ id }) => !started.has(id));
  const trouble = open.filter(({ id, readyS, dueS }) => homeless.has(id) || readyS > dueS + aboutS);
  if (trouble.length === 0) return [];
  const fromS = Math.min(...trouble.map(({ startS, dueS }) => Math.min(startS, dueS - 3600))) - aroundS;
  const toS = Math.max(...trouble.map(({ startS, dueS }) => Math.max(startS, dueS)));
  const near = open.filter(({ startS }) => startS >= fromS && startS <= toS);
  const lost = trouble.filter(({ id }) => homeless.has(id));
  return [...(lost.length > 0 ? [lost] : []), trouble, [...trouble, ...near], open].map(
    (loads) => new Set(loads.map(({ id }) => id)),
  );
};

/** Ready-bys that what stays put does not fill, one entry a piece-count, the earliest first. */
const openDemands = (problem: PlanProblem, fixed: readonly BatchPlan[]) => {
  const open = new Map<string, { readyByS: number; pieces: number }[]>();
  for (const { productCode, demand, ordered, pieces } of servedBy(problem, fixed)) {
    const product = problem.products.find(({ code }) => code === productCode);
    const readyByS = product?.demands[demand]?.readyByS ?? 0;
    if (ordered > pieces)
      open.set(productCode, [...(open.get(productCode) ?? []), { readyByS, pieces: ordered - pieces }]);
  }
  for (const list of open.values()) list.sort((a, b) => a.readyByS - b.readyByS);
  return open;
};

/** Trays with the ready-by that their pieces are for. */
const deal = (
  trays: readonly number[],
  demands: { readyByS: number; pieces: number }[],
  latestS: number,
): readonly TrayShare[] =>
  trays.map((pieces) => {
    const dueS = demands.find((demand) => demand.pieces > 0)?.readyByS ?? latestS;
    let left = pieces;
    for (const demand of demands) {
      const taken = Math.min(left, demand.pieces);
      demand.pieces -= taken;
      left -= taken;
    }
    return { pieces, dueS };
  });

/** When dough that exists may go into an oven, by its window. */
const goodFor = (batch: BatchPlan, rest: RestRule) => {
  if (batch.stock && batch.stock.form !== 'tub') return { fromS: batch.stock.fromS, toS: batch.stock.toS };
  const end = (kind: string) => batch.tasks.find((task) => task.kind === kind)?.endS ?? 0;
  const portionedS = end('portion');
  return rest.form === 'tub'
    ? { fromS: portionedS, toS: portionedS + waitMaxS }
    : { fromS: portionedS + rest.minS, toS: portionedS + rest.maxS };
};

/** What may be moved, as shares for the planner: loads of dough that exists one by one, other batches whole. */
const sharesFor = (
  { problem, expected, begun, restOf, bakesOf }: ReplanQuestion,
  fixed: readonly BatchPlan[],
  freed: ReadonlySet<string>,
): readonly BatchShareOfDay[] => {
  const open = openDemands(problem, fixed);
  return problem.products.flatMap((product) => {
    const demands = open.get(product.code) ?? [];
    const latestS = Math.max(0, ...product.demands.map(({ readyByS }) => readyByS));
    const parts = expected
      .filter((batch) => batch.productCode === product.code && batch.loads.some(({ id }) => freed.has(id)))
      .flatMap((batch): { readonly batch: BatchPlan; readonly load: Load | null }[] =>
        begun.has(batch.batchId)
          ? batch.loads.filter(({ id }) => freed.has(id)).map((load) => ({ batch, load }))
          : [{ batch, load: null }],
      )
      .map((part) => ({ ...part, dueS: part.load?.dueS ?? Math.min(...part.batch.loads.map((l) => l.dueS)) }))
      .sort((a, b) => a.dueS - b.dueS);
    return parts.map(({ batch, load }): BatchShareOfDay => {
      const loads = load ? [load] : batch.loads;
      const trays = deal(
        loads.flatMap((own) => own.trays.map(({ pieces }) => pieces)),
        demands,
        latestS,
      );
      const pieces = trays.reduce((sum, tray) => sum + tray.pieces, 0);
      const part: PlanBatch = {
        id: load ? load.id : batch.batchId,
        mixerId: batch.mixerId,
        massG: load ? (batch.massG * pieces) / batch.pieces : batch.massG,
        pieces: load ? pieces : batch.pieces,
        ...(batch.stock && { stock: batch.stock }),
        ...(load && {
          stock: {
            form: 'none' as const,
            placeKind: restOf(batch).placeKind,
            temperS: 0,
            ...goodFor(batch, restOf(batch)),
            held: true,
          },
        }),
      };
      const own: PlanProduct = { ...product, bakes: bakesOf?.(batch) ?? product.bakes };
      return { product: own, batch: part, trays, dueS: trays[0]?.dueS ?? latestS };
    });
  });
};

/** The trays of a share that found no room. */
const unplacedTrays = ({ trays }: BatchShareOfDay, placed: BatchPlan | undefined): readonly TrayShare[] => {
  const left = [...trays];
  for (const { pieces } of placed?.loads.flatMap((load) => load.trays) ?? []) {
    const i = left.findIndex((tray) => tray.pieces === pieces);
    if (i >= 0) left.splice(i, 1);
  }
  return left;
};

/** Rather late than never: the first time at which an oven takes them, whatever the ready-by says. */
const placeLater = (floor: Floor, problem: PlanProblem, share: BatchShareOfDay): BatchPlan | null => {
  const fromS = Math.max(problem.nowS, share.dueS);
  for (let byS = laterStepS; byS <= laterMostS; byS += laterStepS) {
    const trays = share.trays.map((tray) => ({ ...tray, dueS: fromS + byS }));
    const placed = placeBatch(floor, problem, { ...share, trays, dueS: fromS + byS });
    if (!('reason' in placed))
      return { ...placed, loads: placed.loads.map((load) => ({ ...load, dueS: share.dueS })) };
  }
  return null;
};

/** Better packed by whoever comes by than not baked at all. */
const rescued = (floor: Floor, problem: PlanProblem, share: BatchShareOfDay): BatchPlan | null => {
  const { after, ...unhandled } = share.product;
  return (
    placeLater(floor, problem, share) ??
    (after ? placeLater(floor, problem, { ...share, product: unhandled }) : null)
  );
};

interface Tried {
  readonly batches: readonly BatchPlan[];
  readonly left: Replanned['left'];
}

interface WithTasks {
  readonly load: Load;
  readonly tasks: readonly Task[];
}

const withTasks = ({ loads, tasks }: BatchPlan): readonly WithTasks[] =>
  loads.map((load) => ({ load, tasks: tasks.filter(({ loadId }) => loadId === load.id) }));

/** Loads of a batch, and their tasks, get the names of those that they stand for, and new ones beyond. */
const named = (
  batch: BatchPlan,
  kept: readonly Load[],
  moved: readonly WithTasks[],
): readonly WithTasks[] => {
  const { batchId } = batch;
  const free = batch.loads.filter(({ id }) => !kept.some((load) => load.id === id)).map(({ id }) => id);
  let last = Math.max(0, ...batch.loads.map(({ id }) => Number(/-L(\d+)$/.exec(id)?.[1] ?? 0)));
  return [...moved]
    .sort((a, b) => a.load.startS - b.load.startS)
    .map(({ load, tasks }, i) => {
      const id = free[i] ?? `${batchId}-L${(last += 1)}`;
      const trays = load.trays.map((tray, t) => ({ ...tray, id: `${id}-T${t + 1}` }));
      return {
        load: { ...load, id, batchId, trays },
        tasks: tasks.map((task) => ({
          ...task,
          id: task.id.replace(`${load.id}/`, `${id}/`),
          loadId: id,
          batchId,
        })),
      };
    });
};

/** The loads that are let move: of a batch that nobody began, all. */
const freedOf = ({ expected, begun }: ReplanQuestion, loads: ReadonlySet<string>): ReadonlySet<string> =>
  new Set(
    expected.flatMap((batch) =>
      batch.loads
        .filter(({ id }) =>
          begun.has(batch.batchId) ? loads.has(id) : batch.loads.some((load) => loads.has(load.id)),
        )
        .map(({ id }) => id),
    ),
  );

/** The day without them; what is mixed stays in its place until its loads, or with `wait` until their ready-by. */
const whatStays = (
  { expected, begun }: ReplanQuestion,
  freed: ReadonlySet<string>,
  wait: boolean,
): readonly BatchPlan[] =>
  expected.flatMap((batch): BatchPlan[] => {
    if (!begun.has(batch.batchId) && batch.loads.some(({ id }) => freed.has(id))) return [];
    const stays = batch.loads.filter(({ id }) => !freed.has(id));
    const until = batch.loads.map((load) =>
      wait && freed.has(load.id) ? { ...load, startS: Math.max(load.startS, load.dueS) } : load,
    );
    return [
      {
        ...batch,
        loads: stays,
        tasks: [
          ...stayUntil(batch, until),
          ...batch.tasks.filter(({ loadId }) => loadId !== undefined && !freed.has(loadId)),
        ],
      },
    ];
  });

/** A place for what the plan left without one, in time or not. */
const rescueLeft = (problem: PlanProblem, draft: Draft, placed: ReadonlyMap<string, BatchPlan>) => {
  const floor = new Floor({ ...problem, fixed: draft.batches() });
  const later = new Map<string, BatchPlan>();
  const left: { batchId: string; pieces: number }[] = [];
  for (const share of [...draft.shares].sort((a, b) => a.dueS - b.dueS)) {
    const trays = unplacedTrays(share, placed.get(share.batch.id));
    const pieces = trays.reduce((sum, tray) => sum + tray.pieces, 0);
    if (pieces === 0) continue;
    const whole = pieces === share.batch.pieces;
    const rest = { ...share, trays, dueS: trays[0]?.dueS ?? share.dueS };
    // What is mixed already is placed tray by tray; a batch that is not, whole or not at all.
    const found = share.batch.stock || whole ? rescued(floor, problem, rest) : null;
    if (found) floor.add(found);
    if (found) later.set(share.batch.id, found);
    else left.push({ batchId: share.batch.id, pieces });
  }
  return { later, left };
};

/** The day with what was let move where it found its place, by the batch or load that it was planned as. */
const broughtBack = (
  { expected, begun }: ReplanQuestion,
  freed: ReadonlySet<string>,
  found: readonly ReadonlyMap<string, BatchPlan>[],
): readonly BatchPlan[] =>
  expected.flatMap((batch): BatchPlan[] => {
    const parts = begun.has(batch.batchId)
      ? batch.loads.filter(({ id }) => freed.has(id)).map(({ id }) => id)
      : batch.loads.some(({ id }) => freed.has(id))
        ? [batch.batchId]
        : [];
    if (parts.length === 0) return [batch];
    const own = parts.flatMap((id) => found.flatMap((placed) => placed.get(id) ?? []));
    if (!begun.has(batch.batchId)) return own;
    const stays = batch.loads.filter(({ id }) => !freed.has(id));
    const moved = named(batch, stays, own.flatMap(withTasks));
    const all = [...stays, ...moved.map(({ load }) => load)].sort((a, b) => a.startS - b.startS);
    if (all.length === 0) return [{ ...batch, loads: [], tasks: stayUntil(batch, batch.loads) }];
    return [
      {
        ...batch,
        loads: all,
        tasks: [
          ...stayUntil(batch, all),
          ...batch.tasks.filter(({ loadId }) => stays.some(({ id }) => id === loadId)),
          ...moved.flatMap(({ tasks }) => tasks),
        ],
      },
    ];
  });

/**
 * @param loads that may be moved
 * @param wait whether their dough takes up its place until their ready-by while the others are placed, and not only as
 * long as planned
 */
const tryWith = (question: ReplanQuestion, loads: ReadonlySet<string>, wait: boolean): Tried => {
  const { begun, effort } = question;
  const freed = freedOf(question, loads);
  const fixed = whatStays(question, freed, wait);
  const problem: PlanProblem = {
    ...question.problem,
    nowS: question.problem.nowS + reactS,
    products: question.problem.products.map((product) => ({ ...product, batches: [] })),
    fixed,
  };
  const shares = sharesFor({ ...question, problem }, fixed, freed);
  const draft = new Draft(problem, shares);
  draft.put(
    [...shares].sort((a, b) => a.dueS - b.dueS),
    () => plainChoices,
  );
  improve(draft, effort ?? {}, Date.now());
  const placed = new Map(draft.batches().map((batch) => [batch.batchId, batch]));
  const { later, left } = rescueLeft(problem, draft, placed);
  const batches = broughtBack(question, freed, [placed, later]);
  const facts = batches.filter(({ batchId }) => begun.has(batchId));
  return { batches: withCleanings({ ...problem, fixed: facts }, withHandsAfter(question, batches)), left };
};

/** What goes in at another time than planned is iced and packed by hands that are free then. */
const withHandsAfter = (
  { problem, planned }: ReplanQuestion,
  batches: readonly BatchPlan[],
): readonly BatchPlan[] => {
  const was = new Map(loadsOf(planned).map((load) => [load.id, load]));
  const moved = loadsOf(batches).filter(({ id, startS, pullS }) => {
    const old = was.get(id);
    return old?.startS !== startS || old.pullS !== pullS;
  });
  return placeAfterAgain(problem, batches, new Set(moved.map(({ id }) => id)));
};

/** What people are told: loads that have not started and are to be baked elsewhere or at another time than planned. */
export const changesOf = (
  { planned, started }: Pick<ReplanQuestion, 'planned' | 'started'>,
  batches: readonly BatchPlan[],
): readonly LoadChange[] => {
  const before = new Map(loadsOf(planned).map((load) => [load.id, load]));
  const after = new Map(loadsOf(batches).map((load) => [load.id, load]));
  const codes = new Map([...planned, ...batches].map(({ batchId, productCode }) => [batchId, productCode]));
  const at = (load: Load | undefined) => (load ? { ovenId: load.ovenId, startS: load.startS } : null);
  return [...new Set([...before.keys(), ...after.keys()])]
    .filter((id) => !started.has(id))
    .flatMap((loadId): LoadChange[] => {
      const [old, now] = [before.get(loadId), after.get(loadId)];
      const known = now ?? old;
      if (!known) return [];
      const same =
        old &&
        now &&
        old.ovenId === now.ovenId &&
        Math.abs(old.startS - now.startS) < aboutS &&
        piecesOf(old) === piecesOf(now);
      return same
        ? []
        : [
            {
              loadId,
              batchId: known.batchId,
              productCode: codes.get(known.batchId) ?? '',
              pieces: piecesOf(known),
              from: at(old),
              to: at(now),
            },
          ];
    })
    .sort((a, b) => (a.to ?? a.from)!.startS - (b.to ?? b.from)!.startS);
};

/** Rules of the floor that a plan breaks and the day as it goes on does not; lateness and what is left are said otherwise. */
const newFaults = (question: ReplanQuestion, { batches, left }: Tried): number => {
  const faults = (of: readonly BatchPlan[]) =>
    checkPlan({ ...question.problem, fixed: of }, { batches: of, unplaced: [], boundS: 0 })
      .filter(({ code }) => code !== 'late')
      .map(({ code, where }) => `${code} ${where}`);
  const known = new Set(faults(question.expected));
  const isLeft = (fault: string) =>
    left.some(({ batchId }) => batchId.startsWith(fault.slice('pieces '.length)));
  return faults(batches).filter((fault) => !known.has(fault) && !isLeft(fault)).length;
};

/**
 * A way out of a day that slipped, with as few changes as it takes: only loads in trouble are moved, those around them
 * when that does not suffice, and all that have not started as the last resort. What cannot be in time is baked as soon
 * as an oven takes it while its dough is good. No search of everything: another way may have fewer changes.
 * @returns null where nothing is in trouble
 */
export const replan = (question: ReplanQuestion): Replanned | null => {
  const found = levels(question);
  if (found.length === 0) return null;
  let best = judged(question, asItGoes(question));
  let way: Way | null = null;
  const untilMs = Date.now() + (question.patienceS ?? usualPatienceS) * 1000;
  search: for (const freed of found)
    for (const wait of [false, true]) {
      const next = judged(question, withoutLosing(question, freed, wait));
      if (compare(next, best) < 0) [best, way] = [next, { freed, wait }];
      const [faults, undone] = next.score;
      if ((faults === 0 && undone === 0) || Date.now() > untilMs) break search;
      if (faults === 0) break;
    }
  return whole(question, (way ? withFewer(question, best, way, untilMs) : best).tried);
};

/** Which loads were let move, and whether their dough waited meanwhile. */
interface Way {
  readonly freed: ReadonlySet<string>;
  readonly wait: boolean;
}

/** Loads that kept their oven and move all the same: each is held where it was, and stays there where nobody is worse off. */
const withFewer = (
  question: ReplanQuestion,
  found: Judged,
  { freed, wait }: Way,
  untilMs: number,
): Judged => {
  let [best, may] = [found, freed];
  const count = ({ tried }: Judged) => changesOf(question, tried.batches).length;
  for (const { loadId, from } of changesOf(question, found.tried.batches)) {
    if (Date.now() > untilMs) break;
    if (!from || question.homeless.has(loadId) || !may.has(loadId)) continue;
    const fewer = new Set([...may].filter((id) => id !== loadId));
    const next = judged(question, withoutLosing(question, fewer, wait));
    if (compare(next, best) <= 0 && count(next) < count(best)) [best, may] = [next, fewer];
  }
  return best;
};

interface Judged {
  readonly tried: Tried;
  /** The first that differs decides; less is better. */
  readonly score: readonly number[];
}
/** Below 0 where the first is the better one. */
const compare = (a: Judged, b: Judged): number => {
  const first = a.score.findIndex((value, i) => value !== b.score[i]);
  return first < 0 ? 0 : (a.score[first] ?? 0) - (b.score[first] ?? 0);
};
/** Rules broken, pieces not in time, pieces never baked, and how late the loads are. */
const judged = (question: ReplanQuestion, tried: Tried): Judged => {
  const lateS = loadsOf(tried.batches).reduce((sum, { readyS, dueS }) => sum + Math.max(0, readyS - dueS), 0);
  const never = tried.left.reduce((sum, { pieces }) => sum + pieces, 0);
  const undone = undonePieces(question.problem, tried.batches);
  return { tried, score: [newFaults(question, tried), undone, never, Math.round(lateS / laterStepS)] };
};

/** Nothing is moved: what has no oven is not baked. */
const asItGoes = ({ expected, homeless }: ReplanQuestion): Tried => ({
  batches: expected.map((batch) => ({
    ...batch,
    loads: batch.loads.filter(({ id }) => !homeless.has(id)),
    tasks: batch.tasks.filter(({ loadId }) => !homeless.has(loadId ?? '')),
  })),
  left: loadsOf(expected)
    .filter(({ id }) => homeless.has(id))
    .map((load) => ({ batchId: load.id, pieces: piecesOf(load) })),
});

/** What would find no other oven stays where it is, though it is late, unless its oven is gone. */
const withoutLosing = (question: ReplanQuestion, freed: ReadonlySet<string>, wait: boolean): Tried => {
  let may = freed;
  for (;;) {
    const tried = tryWith(question, may, wait);
    const lost = new Set(tried.left.map(({ batchId }) => batchId));
    const kept = loadsOf(question.expected).filter(
      ({ id, batchId }) => may.has(id) && !question.homeless.has(id) && (lost.has(id) || lost.has(batchId)),
    );
    if (kept.length === 0) return tried;
    may = new Set([...may].filter((id) => !kept.some((load) => load.id === id)));
  }
};

const whole = (question: ReplanQuestion, tried: Tried): Replanned => ({
  ...tried,
  changes: changesOf(question, tried.batches),
});
