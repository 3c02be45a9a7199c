import { t } from '@lingui/core/macro';
import { useQueries } from '@tanstack/react-query';
import { useState } from 'react';
import type { Formula, Oven } from '@jokul/core';
import { useBakery } from '../lib/queries';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { core } from '../workers/core';
import { OwnWhatIf } from './own-what-if';
import { Curves, Outcomes } from './side-by-side';
import type { Conditions, Variant } from './use-conditions';
import { otherOvens, usualVariants } from './variants';

const most = 3;

interface WhatIfsProps {
  readonly formula: Formula;
  readonly base: Conditions;
  readonly oven: Oven;
}

/** Two to four bakes side by side: the load as planned, and what would be otherwise. */
export const WhatIfs = ({ formula, base, oven }: WhatIfsProps) => {
  const { data: bakery } = useBakery();
  const { units } = useUnits();
  const usual = [...usualVariants(formula, base, units), ...otherOvens(formula, base, oven, bakery)];
  const [chosen, setChosen] = useState<readonly Variant[]>(() => usual.slice(1, 2));
  const variants: readonly Variant[] = [{ name: t`as planned`, on: base }, ...chosen];
  const results = useQueries({
    queries: variants.map(({ on }) => ({
      queryKey: ['what-if', formula.code, formula.version, on],
      queryFn: () => core().bake(formula, on),
      staleTime: Number.POSITIVE_INFINITY,
      retry: false,
    })),
  });
  const remove = (name: string) => setChosen((old) => old.filter((variant) => variant.name !== name));
  const add = (variant: Variant) =>
    setChosen((old) => [...old.filter(({ name }) => name !== variant.name), variant].slice(-most));
  return (
    <section aria-label={t`What if`}>
      <div className="flex flex-wrap gap-1.5" role="group" aria-label={t`Changes to compare`}>
        {usual.map((variant) => {
          const on = chosen.some(({ name }) => name === variant.name);
          return (
            <Button
              key={variant.name}
              size="small"
              look={on ? 'primary' : 'plain'}
              aria-pressed={on}
              onClick={() => (on ? remove(variant.name) : add(variant))}
            >
              {variant.name}
            </Button>
          );
        })}
      </div>
      <OwnWhatIf base={base} liners={bakery?.equipment.liners ?? []} onAdd={add} />
      <Outcomes target={formula.bake.target} variants={variants} results={results} onRemove={remove} />
      <Curves variants={variants} results={results} />
      <p className="text-[12.5px] text-ink-faint">{t`Forecasts. Differences between two of them are surer than either alone.`}</p>
    </section>
  );
};
