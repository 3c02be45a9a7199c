import Papa from 'papaparse';
import { wallClock } from '../../quantity/index.js';
import type { BatchPlan, Task, TaskKind } from '../problem/plan.js';
import type { Preparation, PreparationKind } from '../problem/preparation.js';

/** Something that a person does of a plan, or a machine, from a moment to a moment. */
export interface PlannedWork {
  readonly id: string;
  readonly kind: TaskKind | PreparationKind;
  readonly batchId: string;
  readonly productCode: string;
  readonly startS: number;
  readonly endS: number;
  /** The mixer, or the oven of a load. */
  readonly where: string;
  readonly setC: number | null;
  readonly trays: number | null;
  readonly pieces: number;
  /** Of what is put out or browned, g. */
  readonly massG: number | null;
}

const atOven: ReadonlySet<TaskKind> = new Set<TaskKind>(['load', 'bake', 'turn', 'pull']);

const workOf = (batch: BatchPlan, task: Task): PlannedWork => {
  const load = batch.loads.find(({ id }) => id === task.loadId);
  return {
    id: task.id,
    kind: task.kind,
    batchId: batch.batchId,
    productCode: batch.productCode,
    startS: task.startS,
    endS: task.endS,
    where: task.kind === 'mix' ? batch.mixerId : atOven.has(task.kind) ? (load?.ovenId ?? '') : '',
    setC: task.kind === 'bake' || task.kind === 'load' ? (load?.setC ?? null) : null,
    trays: load ? load.trays.length : null,
    pieces: load ? load.trays.reduce((sum, { pieces }) => sum + pieces, 0) : batch.pieces,
    massG: null,
  };
};

/** A few minutes of somebody's time, s. */
const preparingS = 300;

const preparationWork = (
  { id, kind, batchId, productCode, massG, startS, workS = preparingS }: Preparation,
  batches: readonly BatchPlan[],
): PlannedWork => ({
  id,
  kind,
  batchId,
  productCode,
  startS,
  endS: startS + workS,
  where: '',
  setC: null,
  trays: null,
  pieces: batches.find((batch) => batch.batchId === batchId)?.pieces ?? 0,
  massG: massG > 0 ? massG : null,
});

/** All work of a plan in the order of its beginning. */
export const plannedWork = (
  batches: readonly BatchPlan[],
  preparations: readonly Preparation[] = [],
): readonly PlannedWork[] =>
  [
    // What is done before the mixing is among the preparations, also in plans that have no task for it.
    ...batches.flatMap((batch) =>
      batch.tasks.filter(({ kind }) => kind !== 'prepare').map((task) => workOf(batch, task)),
    ),
    ...preparations.map((own) => preparationWork(own, batches)),
  ].sort((a, b) => a.startS - b.startS || a.endS - b.endS);

/** The plan as a table for a spreadsheet, times by the bakery's clock. */
export const planToCsv = (
  batches: readonly BatchPlan[],
  timeZone: string,
  nameOf: { readonly product: (code: string) => string; readonly place: (id: string) => string },
  preparations: readonly Preparation[] = [],
): string =>
  Papa.unparse(
    plannedWork(batches, preparations).map((work) => {
      const [from, to] = [wallClock(work.startS, timeZone), wallClock(work.endS, timeZone)];
      return {
        date: from.date,
        from: from.time,
        'to date': to.date,
        to: to.time,
        what: work.kind,
        lot: work.batchId,
        code: work.productCode,
        product: nameOf.product(work.productCode),
        where: work.where === '' ? '' : nameOf.place(work.where),
        'set °C': work.setC ?? '',
        trays: work.trays ?? '',
        pieces: work.pieces,
        'of it, g': work.massG ?? '',
      };
    }),
    // A cell that begins like a formula is text in every spreadsheet.
    { escapeFormulae: true },
  );
