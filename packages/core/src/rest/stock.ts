import type { Formula } from '../formula/index.js';
import { canonicalJson, inTheCold, type InTheCold, type LotState } from '../ledger/index.js';
import { firstPlannedPart, productOf } from '../lot/index.js';
import { countPieces } from '../portioning/index.js';
import type { HouseRules } from '../bakery/index.js';
import type { BatchPlan, StockItem } from '../planning/index.js';
import type { Place } from '../thermal/index.js';
import { coldEntry } from './use-first.js';
import { ageLimits, clocksOf, kindOfPlace, overWindow } from './window.js';

export interface StockQuestion {
  /** Lots that lie in a place, and the parts of them. */
  readonly lots: ReadonlyMap<string, LotState>;
  readonly places: readonly Place[];
  readonly rules: HouseRules;
  /** The latest formula of each product that is wanted. */
  readonly formulas: ReadonlyMap<string, Formula>;
  /** Batches of plans that stand: the dough that they reckon with is theirs. */
  readonly planned: readonly BatchPlan[];
  /** Names of parts that were handed out. */
  readonly partNames: ReadonlySet<string>;
  /** Lots that are kept for something else. */
  readonly leave?: ReadonlySet<string>;
  /** How many sets of orders may each take a part. */
  readonly parts: number;
  readonly nowMs: number;
}

/** Thawed dough that has less time left than this would be past its window in the oven, s. */
const afterThawS = 10 * 3600;

/** Dough by another formula bakes otherwise, or weighs otherwise, than what the plan reckons with. */
const isMadeAlike = (pinned: Formula | undefined, latest: Formula): boolean =>
  pinned === undefined ||
  pinned.version === latest.version ||
  canonicalJson({ ...pinned, version: 0 }) === canonicalJson({ ...latest, version: 0 });

/** Pieces of a lot that standing plans reckon with and that are not in an oven yet. */
const promised = (lot: LotState, { planned, lots }: StockQuestion): number =>
  planned.reduce((sum, batch) => {
    const part = lots.get(batch.batchId);
    const ofPart = batch.stock?.from === lot.lot && !part?.begun && (part?.stays.length ?? 0) === 0;
    if (batch.batchId !== lot.lot && !ofPart) return sum;
    const trays = batch.loads.flatMap((load) => load.trays).filter(({ id }) => !lot.trays.has(id));
    return sum + trays.reduce((n, { pieces }) => n + pieces, 0);
  }, 0);

const loadNumber = (id: string): number => Number(/-L(\d+)$/.exec(id)?.[1] ?? 0);

const partIdsOf = (lot: string, { partNames, planned, parts }: StockQuestion): readonly string[] => {
  const whole = lot.replace(/\.\d+$/, '');
  const used = new Set([...partNames, ...planned.map(({ batchId }) => batchId)]);
  const free: string[] = [];
  for (let number = firstPlannedPart; free.length < parts; number += 1)
    if (!used.has(`${whole}.${number}`)) free.push(`${whole}.${number}`);
  return free;
};

const piecesIn = (item: InTheCold, formula: Formula, rules: HouseRules): number =>
  item.form === 'tub'
    ? countPieces(item.massG, formula.piece.massG, rules.portionLossShare).pieces.value
    : item.pieces;

/** A part has rested with the lot that it was split from. */
const restedBeforeMs = ({ begun }: LotState): number =>
  1000 * ((begun?.age?.chilledS ?? 0) + (begun?.age?.frozenS ?? 0));

const itemOf = (item: InTheCold, question: StockQuestion): readonly StockItem[] => {
  const { lots, places, rules, formulas, planned, nowMs } = question;
  const lot = lots.get(item.batchId);
  const place = places.find(({ id }) => id === item.placeId);
  const formula = formulas.get(lot?.begun?.productCode ?? productOf(item.batchId));
  if (!lot || !place || place.kind === 'bench' || !formula || question.leave?.has(lot.lot)) return [];
  if (!isMadeAlike(lot.begun?.formula, formula)) return [];
  const ages = { kindOf: kindOfPlace(places), limits: ageLimits(formula, rules) };
  if (overWindow(lot, ages, nowMs)) return [];
  const entry = coldEntry(item, { lotOf: () => lot, formulaOf: () => formula, places, rules }, nowMs);
  const thaws = place.kind === 'freezer' && formula.rest.placeKind !== 'freezer';
  const chilled = clocksOf(lot, ages, nowMs).find(({ clock }) => clock === 'chilled');
  if (!entry || (thaws && chilled && chilled.leftS < afterThawS)) return [];
  const toOthers = promised(lot, question);
  const pieces = piecesIn(item, formula, rules) - toOthers;
  if (pieces <= 0) return [];
  const madeMs =
    (lot.portioned ?? lot.mixed)?.atMs ?? (lot.stays[0]?.atMs ?? item.inMs) - restedBeforeMs(lot);
  const loadIds = [
    ...[...lot.trays.values()].map(({ loadId }) => loadId),
    ...planned.filter(({ batchId }) => batchId === lot.lot).flatMap(({ loads }) => loads.map(({ id }) => id)),
  ];
  return [
    {
      id: lot.lot,
      productCode: formula.code,
      pieces,
      form: item.form,
      placeKind: place.kind,
      placeId: place.id,
      madeAtS: madeMs / 1000,
      goodUntilS: entry.goodUntilMs / 1000,
      loadsBefore: Math.max(0, ...loadIds.map(loadNumber)),
      partIds: partIdsOf(lot.lot, question),
      inPart: toOthers > 0,
    },
  ];
};

/**
 * Dough in the cold that a plan may use before anything is mixed: good by all its clocks, made by the formula that holds
 * today, and on no other plan.
 */
export const stockInTheCold = (question: StockQuestion): readonly StockItem[] =>
  inTheCold({ lots: question.lots, trays: new Map(), notices: [] }).flatMap((item) => itemOf(item, question));
