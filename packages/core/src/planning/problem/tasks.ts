import type { Skill } from '../../bakery/index.js';
import type { RestRule } from '../../formula/index.js';
import { type Load, type Task, type TaskKind, type Use } from './plan.js';
import {
  bagHoldsPieces,
  resourceIds,
  skillsIn,
  trayCoolS,
  tubHoldsG,
  type PlanBatch,
  type PlanProduct,
} from './problem.js';

/** The moments that fix a batch: all its tasks follow from them. */
export interface Moments {
  readonly mixStartS: number;
  readonly portionStartS: number;
}

export const portionS = (product: PlanProduct, batch: Pick<PlanBatch, 'pieces'>): number =>
  product.portionSetUpS + product.portionSPerPiece * batch.pieces;

/** How a batch rests: by its product's rule, or as the dough lies that exists already. */
export const restOf = (
  product: PlanProduct,
  batch: PlanBatch,
): Pick<RestRule, 'form' | 'placeKind' | 'temperS'> => batch.stock ?? product.rest;

/** Pieces on trays in a place: they take its room, and the trays. */
const onTrays = (product: PlanProduct, batch: PlanBatch, place: RestRule['placeKind']): readonly Use[] => {
  const amount = Math.ceil(batch.pieces / product.restingPerTray);
  return [
    { resourceId: resourceIds.cold(place, 'trays'), amount },
    { resourceId: resourceIds.trays, amount },
  ];
};

/** What a resting batch takes up in its place. */
const restUses = (product: PlanProduct, batch: PlanBatch): readonly Use[] => {
  const { form, placeKind: place } = restOf(product, batch);
  if (form === 'tub')
    return [{ resourceId: resourceIds.cold(place, 'tubs'), amount: Math.ceil(batch.massG / tubHoldsG) }];
  if (form === 'bag')
    return [
      { resourceId: resourceIds.cold(place, 'bags'), amount: Math.ceil(batch.pieces / bagHoldsPieces) },
    ];
  return onTrays(product, batch, place);
};

export const piecesOf = (load: Pick<Load, 'trays'>): number =>
  load.trays.reduce((sum, tray) => sum + tray.pieces, 0);

/** From cold pieces to iced and dry ones, s; 0 where nothing is put on them. */
export const icingS = ({ after }: Pick<PlanProduct, 'after'>, pieces: number): number =>
  after?.icePieceS ? pieces * after.icePieceS + (after.dryS ?? 0) : 0;

/** From the pull until cold, iced and packed, when a hand is free at once, s. */
export const afterPullS = (
  product: Pick<PlanProduct, 'trayRestS' | 'coolS' | 'packS' | 'after'>,
  pieces: number,
): number => product.trayRestS + product.coolS + icingS(product, pieces) + product.packS;

/** A hand, of those that can do it too where not all can. */
export const handsFor = ({ skills = [] }: Pick<PlanProduct, 'skills'>, skill: Skill): readonly Use[] => [
  { resourceId: resourceIds.hands, amount: 1 },
  ...skills
    .filter((able) => skillsIn(able).includes(skill))
    .map((able) => ({ resourceId: resourceIds.skilled(able), amount: 1 })),
];

/** @param name of the task within its load, where it is not its kind */
export const taskOfLoad = (
  load: Pick<Load, 'id' | 'batchId'>,
  kind: TaskKind,
  startS: number,
  endS: number,
  uses: readonly Use[],
  name: string = kind,
): Task => ({ id: `${load.id}/${name}`, kind, batchId: load.batchId, loadId: load.id, startS, endS, uses });

/** Trays of a load, and what they are laid out with. */
const laidOut = ({ liner }: PlanProduct, amount: number): readonly Use[] => [
  { resourceId: resourceIds.trays, amount },
  ...(liner === undefined ? [] : [{ resourceId: liner, amount }]),
];

/** What a person does at the oven for one load: putting it in, turning it half way, taking it out. */
const ovenWorkOf = (product: PlanProduct, load: Load): readonly Task[] => {
  const { atOven } = product;
  const workS = (atOven?.trayS ?? 0) * load.trays.length;
  if (!atOven || workS === 0) return [];
  const uses = atOven.ownHands
    ? [{ resourceId: resourceIds.ovenHands, amount: 1 }]
    : handsFor(product, 'oven');
  const from = (kind: TaskKind, startS: number) => taskOfLoad(load, kind, startS, startS + workS, uses);
  return [
    from('load', load.startS - workS),
    from('turn', load.startS + Math.round(load.pullS / 2)),
    from('pull', load.startS + load.pullS),
  ];
};

/** Tray work of one load: trays in use from filling until cool again, then rack places. */
export const loadTasks = (product: PlanProduct, load: Load): readonly Task[] => {
  const pulledS = load.startS + load.pullS;
  const offTrayS = pulledS + product.trayRestS;
  const trays = load.trays.length;
  const flattenS = (product.after?.flattenPieceS ?? 0) * piecesOf(load);
  const atOven = ovenWorkOf(product, load);
  // Whoever of the line takes it out presses it flat next.
  const flatFromS = product.atOven?.ownHands === false ? (atOven.at(-1)?.endS ?? pulledS) : pulledS;
  const task = (kind: TaskKind, startS: number, endS: number, uses: readonly Use[]): Task =>
    taskOfLoad(load, kind, startS, endS, uses);
  return [
    ...atOven,
    task('bake', load.startS, pulledS, laidOut(product, trays)),
    // Only while it is hot: that waits for nobody.
    ...(flattenS > 0
      ? [task('flatten', flatFromS, flatFromS + flattenS, [{ resourceId: resourceIds.hands, amount: 1 }])]
      : []),
    task('tray-rest', pulledS, offTrayS + trayCoolS, laidOut(product, trays)),
    task('rack', offTrayS, offTrayS + product.coolS, [{ resourceId: resourceIds.racks, amount: trays }]),
  ];
};

/** All tasks of a batch, in the order of the line; of dough that exists already those that are left. */
export const tasksOf = (
  product: PlanProduct,
  batch: PlanBatch,
  moments: Moments,
  loads: readonly Load[],
): readonly Task[] => [
  ...workTasks(product, batch, moments, loads),
  ...loads.flatMap((load) => loadTasks(product, load)),
];

/** What comes before the loads: mixing, portioning, the cold and the tempering. */
export const workTasks = (
  product: PlanProduct,
  batch: PlanBatch,
  moments: Moments,
  loads: readonly Load[],
): readonly Task[] => {
  const firstS = Math.min(...loads.map((load) => load.startS));
  const lastS = Math.max(...loads.map((load) => load.startS));
  const { mixStartS, portionStartS } = moments;
  const { stock } = batch;
  if (stock?.held) return [];
  const rest = restOf(product, batch);
  // Dough that exists lies in its place from the moment of the plan on.
  const mixEndS = stock ? mixStartS : mixStartS + product.mixS;
  const portions = !stock || stock.form === 'tub';
  const portionEndS = portions ? portionStartS + portionS(product, batch) : mixEndS;
  const task = (kind: TaskKind, startS: number, endS: number, uses: readonly Use[]): Task => ({
    id: `${batch.id}/${kind}`,
    kind,
    batchId: batch.id,
    startS,
    endS,
    uses,
  });
  const tasks: Task[] = [];
  if (!stock)
    tasks.push(
      task('mix', mixStartS, mixEndS, [
        ...handsFor(product, 'mix'),
        { resourceId: batch.mixerId, amount: 1 },
      ]),
    );
  if (portions) tasks.push(task('portion', portionStartS, portionEndS, handsFor(product, 'portion')));
  if (rest.form === 'tub') {
    const outS = portionStartS - rest.temperS;
    tasks.push(task('rest', mixEndS, outS, restUses(product, batch)));
    if (rest.temperS > 0) tasks.push(task('temper', outS, portionStartS, []));
    if (lastS > portionEndS) {
      // Pieces on trays in the walk-in between portioning a tub and its last load.
      const wait = task('rest', portionEndS, lastS, onTrays(product, batch, 'walk-in'));
      tasks.push({ ...wait, id: `${batch.id}/wait` });
    }
  } else {
    const outS = firstS - rest.temperS;
    // Until its last load the dough stays in its place; only what the first load needs is out earlier.
    tasks.push(
      task('rest', portionEndS, Math.max(portionEndS, lastS - rest.temperS), restUses(product, batch)),
    );
    if (rest.temperS > 0) tasks.push(task('temper', outS, firstS, thawUses(product, batch)));
  }
  return tasks;
};

/** A frozen bag thaws in the walk-in, and so do frozen pieces on their trays; chilled pieces temper on the bench. */
const thawUses = (product: PlanProduct, batch: PlanBatch): readonly Use[] => {
  const { form, placeKind } = restOf(product, batch);
  if (form === 'bag')
    return restUses(product, batch).map((use) => ({
      ...use,
      resourceId: resourceIds.cold('walk-in', 'bags'),
    }));
  return batch.stock && placeKind === 'freezer' ? onTrays(product, batch, 'walk-in') : [];
};
