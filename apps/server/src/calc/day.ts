import {
  aheadWorkOf,
  longerMixS,
  atWallClock,
  cleaningsOf,
  demoDay,
  demoEquipment,
  demoFormulas,
  demoRules,
  JokulError,
  planHorizon,
  predictIn,
  setTemperature,
  usualCleanS,
  type Formula,
  type HorizonOrder,
  type Prediction,
  type StockItem,
  say,
} from '@jokul/core';
import type { DayAnswer, DayRequest } from '@jokul/contracts';
import { solveBinary, solveLinear } from '../computation/linear.js';

const zone = demoRules.timeZone;
const formulas = new Map(demoFormulas.map((formula) => [formula.code, formula]));
const most = { pieces: 20_000, daysAhead: 14 } as const;

const momentOf = (wall: string): number => {
  const [date = '', time = ''] = wall.split('T');
  return atWallClock(date, time.slice(0, 5), zone) + Number(time.slice(6) || 0);
};

/** Bakes of a formula in every oven; ovens of a kind bake alike. */
const known = new Map<string, readonly Prediction[]>();
const predictionsOf = (formula: Formula): readonly Prediction[] => {
  const before = known.get(formula.code);
  if (before) return before;
  const kinds = new Map<boolean, Prediction['bake']>();
  const made = demoEquipment.ovens.map((oven) => {
    const bake = kinds.get(oven.fan) ?? predictIn(formula, oven, demoEquipment, demoRules);
    kinds.set(oven.fan, bake);
    return { ovenId: oven.id, setC: setTemperature(formula, oven.fan), bake };
  });
  known.set(formula.code, made);
  return made;
};

type Found = ReturnType<typeof planHorizon>;

interface Line extends HorizonOrder {
  readonly refused: string | null;
}

/** What is wrong with one line; the others are planned all the same. */
const troubleOf = (productCode: string, pieces: number, readyByS: number, nowS: number): string | null => {
  if (!formulas.has(productCode))
    return say`There is no formula "${productCode}": change the line, or add the formula.`;
  if (pieces === 0) return say`There is nothing to bake on this line: give it pieces, or take it off.`;
  if (pieces > most.pieces)
    return say`${pieces} pieces are more than one order takes (${most.pieces}). Check the figure.`;
  if (readyByS <= nowS) return say`Its ready-by is past. Give it a later one, or take it off.`;
  if (readyByS > nowS + most.daysAhead * 86_400)
    return say`Its ready-by is more than ${most.daysAhead} days ahead. Plan it when it is nearer, or check the date.`;
  return null;
};

const stockOf = (request: DayRequest, nowS: number): readonly StockItem[] =>
  (request.stock ?? []).flatMap((item, i) => {
    if (momentOf(item.madeAt) > nowS)
      throw new JokulError(
        'not-made-yet',
        say`This dough would be made only after now.`,
        `stock.${i}.madeAt`,
      );
    const place = demoEquipment.places.find(({ id }) => id === item.placeId);
    if (!place)
      throw new JokulError('unknown-place', say`There is no place "${item.placeId}".`, `stock.${i}.placeId`);
    if (!formulas.has(item.productCode))
      throw new JokulError(
        'unknown-product',
        say`There is no formula "${item.productCode}".`,
        `stock.${i}.productCode`,
      );
    return item.pieces === 0
      ? []
      : [
          {
            id: `${item.productCode}-STOCK-${i + 1}`,
            productCode: item.productCode,
            pieces: item.pieces,
            form: item.form,
            placeKind: place.kind,
            madeAtS: momentOf(item.madeAt),
          },
        ];
  });

/** A bowl whose cleaning found no hand keeps its mixer all the same. */
const cleaning = ({ batches }: Pick<Found, 'batches'>) =>
  cleaningsOf(batches, ({ productCode }) => formulas.get(productCode)).flatMap(
    ({ id, kind, batchId, startS }) => {
      const batch = batches.find((own) => own.batchId === batchId);
      if (!batch || batch.tasks.some((task) => task.id === id)) return [];
      const endS = startS + (demoRules.cleanS ?? usualCleanS);
      return [{ id, kind, batchId, startS, endS, uses: [{ resourceId: batch.mixerId, amount: 1 }] }];
    },
  );

/** What is done before a mixing is told by what it is. */
const named = (task: Found['tasks'][number]) =>
  task.kind === 'prepare' ? { ...task, kind: task.id.slice(task.id.lastIndexOf('/') + 1) } : task;

/** Some days of the demo bakery, planned together. @throws JokulError */
export const runDay = (request: DayRequest): DayAnswer => {
  if (request.now !== undefined && request.nowS !== undefined)
    throw new JokulError('bad-request', say`Give now or nowS, not both.`, 'now');
  const nowS = request.nowS ?? momentOf(request.now ?? `${demoDay.date}T${demoDay.time}`);
  const lines = request.orders.map((order, i): Line => {
    const readyByS = momentOf(order.readyBy);
    return {
      id: String(i),
      customer: order.customer || `order ${i + 1}`,
      productCode: order.productCode,
      pieces: order.pieces,
      readyByS,
      refused: troubleOf(order.productCode, order.pieces, readyByS, nowS),
    };
  });
  const orders = lines.filter(({ refused }) => refused === null);
  const codes = new Set(orders.map(({ productCode }) => productCode));
  const found = planHorizon(
    {
      nowS,
      orders,
      formulas,
      equipment: demoEquipment,
      rules: demoRules,
      predictions: new Map(
        demoFormulas.filter(({ code }) => codes.has(code)).map((f) => [f.code, predictionsOf(f)]),
      ),
      fixed: [],
      stock: stockOf(request, nowS),
      aheadOf: (formula, massG) => aheadWorkOf(formula, massG, demoRules, demoEquipment.places),
      longerOf: longerMixS,
    },
    {
      solveLinear,
      solveBinary,
      ...(request.seconds !== undefined && { tries: 1_000_000, seconds: request.seconds }),
      ...(request.chance !== undefined && { chance: request.chance }),
    },
  );
  const codeOf = new Map(found.batches.map(({ batchId, productCode }) => [batchId, productCode]));
  const said = ({ id, productCode, customer }: HorizonOrder) => ({
    order: Number(id),
    productCode,
    ...(request.orders[Number(id)]?.customer && { customer }),
  });
  const refused = lines.filter((line) => line.refused !== null);
  const refusedPieces = refused.reduce((sum, { pieces }) => sum + pieces, 0);
  return {
    nowS,
    resources: found.resources.map(({ id, name, capacity, when }) => ({
      id,
      name,
      capacity,
      ...(when && { when }),
    })),
    tasks: [...found.tasks.map(named), ...cleaning(found)].map((task) => ({
      ...task,
      productCode: codeOf.get(task.batchId) ?? '',
    })),
    loads: found.batches.flatMap(({ loads }) => loads),
    served: found.served
      .filter(({ pieces }) => pieces > 0)
      .map(({ order, pieces, readyS }) => ({ ...said(order), pieces, readyS })),
    unserved: [
      ...found.unserved.map(({ order, pieces, reason, ways }) => ({ ...said(order), pieces, reason, ways })),
      ...refused.map((line) => ({ ...said(line), pieces: line.pieces, reason: line.refused, ways: [] })),
    ].sort((a, b) => a.order - b.order),
    objective: { undonePieces: found.objective.undonePieces + refusedPieces, cost: found.objective.cost },
    bound: { undonePieces: found.bound.undonePieces + refusedPieces, cost: found.bound.cost },
    costTerms: found.cost.terms,
    chance: found.chance.map(({ order, probability }) => ({ ...said(order), probability })),
    violations: found.violations,
    notes: found.notes,
  };
};
