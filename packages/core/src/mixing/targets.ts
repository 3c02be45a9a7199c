import { amountsFor, type Formula } from '../formula/index.js';
import { foodOf } from '../ingredient/index.js';
import { div, JokulError, mul, relation, requireNumber, type Figure, say } from '../shown/index.js';
import { doughNeeded, type Losses, type Mixer } from '../scaling/index.js';

/** What a batch is to be made for. */
export type MixTarget =
  | { readonly kind: 'pieces'; readonly pieces: number }
  | { readonly kind: 'dough'; readonly massG: number }
  | { readonly kind: 'trays'; readonly trays: number; readonly perTray: number }
  | { readonly kind: 'fill'; readonly mixer: Mixer; readonly fill: number; readonly densityGPerMl: number }
  | { readonly kind: 'stock'; readonly stockG: Readonly<Record<string, number>> };

const byFill = relation({
  name: say`Dough that fills the bowl`,
  symbol: 'M',
  unit: 'g',
  inputs: {
    V: { symbol: 'V', name: say`bowl`, unit: 'mL', source: say`mixer` },
    f: { symbol: 'f', name: say`fill`, unit: 'share' },
    rho: { symbol: 'ρ', name: say`density of the mixed dough`, unit: 'g/mL' },
  },
  formula: ({ V, f, rho }) => mul(mul(V, f), rho),
  source: 'M = V f ρ',
});
const bySize = relation({
  name: say`Dough as entered`,
  symbol: 'M',
  unit: 'g',
  inputs: { M: { symbol: 'M', name: say`dough`, unit: 'g', source: say`entered` } },
  formula: ({ M }) => mul(1, M),
  source: say`entered`,
});
const byStock = relation({
  name: say`Dough that the stock is enough for`,
  symbol: 'M',
  unit: 'g',
  inputs: {
    s: { symbol: 's', name: say`stock of the scarcest`, unit: 'g', source: say`entered` },
    m: { symbol: 'm', name: say`of it in a kilogram of dough`, unit: 'g', source: say`formula` },
  },
  formula: ({ s, m }) => div(mul(1000, s), m),
  source: say`the ingredient that is used up first sets the dough`,
});

/** An ingredient of which a stock was entered: for how much dough it is enough, and what is left of it. */
export interface StockLine {
  readonly ingredientId: string;
  readonly name: string;
  readonly enoughFor: Figure;
  readonly limits: boolean;
  readonly leftG: number;
}

/** @throws JokulError `no-stock` without a stock, `unknown-ingredient`, `out-of-range` */
export const stockLimits = (
  formula: Formula,
  stockG: Readonly<Record<string, number>>,
): readonly StockLine[] => {
  const perKg = new Map<string, number>();
  const amounts = amountsFor(formula, 1000);
  for (const { line, mass } of amounts)
    perKg.set(line.ingredientId, (perKg.get(line.ingredientId) ?? 0) + mass.value);
  const lines = Object.entries(stockG).map(([ingredientId, grams]) => {
    const line = amounts.find((amount) => amount.line.ingredientId === ingredientId)?.line;
    const { name } = foodOf(line ?? { ingredientId });
    const need = perKg.get(ingredientId);
    if (need === undefined)
      throw new JokulError(
        'not-in-formula',
        say`There is no ${name.toLowerCase()} in this formula.`,
        ingredientId,
      );
    requireNumber(grams, say`The stock of ${name.toLowerCase()}`, 0.01, 1e8, 'g');
    return { ingredientId, name, need, grams, enoughFor: byStock({ s: grams, m: need }) };
  });
  const [first] = lines;
  if (!first) throw new JokulError('no-stock', say`Enter the stock of at least one ingredient.`, 'stock');
  const least = lines.reduce((min, line) => (line.enoughFor.value < min.enoughFor.value ? line : min), first);
  return lines
    .map(({ ingredientId, name, need, grams, enoughFor }) => ({
      ingredientId,
      name,
      enoughFor,
      limits: ingredientId === least.ingredientId,
      leftG: Math.max(0, grams - (need * least.enoughFor.value) / 1000),
    }))
    .sort((a, b) => a.enoughFor.value - b.enoughFor.value);
};

/** The dough that a target asks for. @throws JokulError with the sentence for the baker */
export const doughFor = (target: MixTarget, formula: Formula, losses: Losses): Figure => {
  switch (target.kind) {
    case 'pieces':
      return doughNeeded([{ pieces: target.pieces, pieceMassG: formula.piece.massG }], losses);
    case 'trays':
      requireNumber(target.trays, say`The number of trays`, 1, 2000, 'trays');
      return doughNeeded(
        [{ pieces: target.trays * target.perTray, pieceMassG: formula.piece.massG }],
        losses,
      );
    case 'dough':
      requireNumber(target.massG, say`The dough`, 1, 1e6, 'g');
      return bySize({ M: target.massG });
    case 'fill':
      requireNumber(target.fill, say`The fill of the bowl`, 0.01, 1);
      return byFill({ V: target.mixer.bowlL * 1000, f: target.fill, rho: target.densityGPerMl });
    default: {
      const [scarcest] = stockLimits(formula, target.stockG);
      if (!scarcest)
        throw new JokulError('no-stock', say`Enter the stock of at least one ingredient.`, 'stock');
      return scarcest.enoughFor;
    }
  }
};
