import { t } from '@lingui/core/macro';
import { doughLines, foodOf, type Formula, type StockLine } from '@jokul/core';
import { useUnits } from '../lib/units';

interface StockFieldsProps {
  readonly formula: Formula;
  readonly limits: readonly StockLine[];
  /** What was typed, by ingredient. */
  readonly stock: Readonly<Record<string, string>>;
  readonly onType: (ingredientId: string, text: string) => void;
}

/** What is in stock of each ingredient, and which of them runs out first. */
export const StockFields = ({ formula, limits, stock, onType }: StockFieldsProps) => {
  const { mass, label, unit } = useUnits();
  const foods = new Map(doughLines(formula).map((line) => [line.ingredientId, foodOf(line)]));
  return (
    <div className="mt-3 grid grid-cols-3 gap-x-4 gap-y-1 max-sm:grid-cols-2">
      {[...foods.values()].map(({ id, name }) => {
        const limit = limits.find(({ ingredientId }) => ingredientId === id);
        return (
          <label key={id} className="flex items-center justify-between gap-2 text-[13.5px]">
            <span className={limit?.limits ? 'font-semibold' : ''}>
              {name}
              {limit && (
                <span className="block text-[12.5px] text-ink-faint">
                  {limit.limits ? t`runs out first` : t`${mass(limit.leftG)} left`}
                </span>
              )}
            </span>
            <input
              aria-label={label(t`Stock of ${name}`, 'mass')}
              inputMode="decimal"
              placeholder={unit('mass')}
              value={stock[id] ?? ''}
              onChange={(event) => onType(id, event.target.value)}
              className="figures w-24 rounded border border-line bg-raised px-1.5 py-0.5 text-right"
            />
          </label>
        );
      })}
    </div>
  );
};
