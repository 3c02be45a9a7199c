import { t } from '@lingui/core/macro';
import { allergenWords, componentShare, declaredIn, doughOf, type Formula } from '@jokul/core';
import { Shown } from '../ui/shown';
import { Fact, Facts, WhySection } from '../line/station';
import { percent } from './forecast';

/** What the raw dough is made of, and the allergens that it brings. */
export const DoughShares = ({ formula }: { readonly formula: Formula }) => {
  const dough = doughOf(formula);
  return (
    <WhySection title={t`The dough`}>
      <Facts>
        <Fact name={t`Water`} help="water">
          <Shown figure={componentShare(formula, 'water')}>{percent(dough.composition.water)}</Shown>
        </Fact>
        <Fact name={t`Fat`}>
          <Shown figure={componentShare(formula, 'fat')}>{percent(dough.composition.fat)}</Shown>
        </Fact>
        <Fact name={t`of which butterfat`} help="butterfat">
          <Shown figure={componentShare(formula, 'milk fat')}>{percent(dough.fats['milk-fat'] ?? 0)}</Shown>
        </Fact>
        <Fact name={t`Sugars`}>
          <Shown figure={componentShare(formula, 'sugars')}>{percent(dough.sugar)}</Shown>
        </Fact>
        <Fact name={t`Flour`}>
          <Shown figure={componentShare(formula, 'flour')}>{percent(dough.flour)}</Shown>
        </Fact>
        <Fact name={t`Contains`}>
          {allergenWords(declaredIn(formula)).join(', ') || t`none of the listed allergens`}
        </Fact>
      </Facts>
      <p className="mt-1 text-[12.5px] text-ink-faint">{t`Shares of the raw dough, from typical food-composition values.`}</p>
    </WhySection>
  );
};
