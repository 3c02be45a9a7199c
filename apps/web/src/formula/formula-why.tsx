import { t } from '@lingui/core/macro';
import type { Formula } from '@jokul/core';
import type { FormulaVersionView } from '@jokul/contracts';
import { Cautions, WhySection } from '../line/station';
import { DoughShares } from './dough-shares';
import { Forecast } from './forecast';
import { IngredientCosts } from './ingredient-costs';
import { Soundness } from './soundness';
import { Swaps } from './swaps';
import { Texture } from './texture';
import type { FormulaDraft } from './use-formula-draft';
import { VersionsList } from './versions-list';

interface FormulaWhyProps {
  readonly formula: Formula;
  readonly latest: Formula;
  readonly formulas: readonly Formula[];
  readonly versions: readonly FormulaVersionView[];
  readonly edit: FormulaDraft;
  /** What was changed so far, as phrases. */
  readonly changes: readonly string[];
  /** Whether there is a dough to compute: not while the formula holds a fault. */
  readonly sound: boolean;
}

/** Whether the formula balances, what it will bake into, and what its versions changed. */
export const FormulaWhy = ({
  formula,
  latest,
  formulas,
  versions,
  edit,
  changes,
  sound,
}: FormulaWhyProps) => (
  <>
    {edit.draft && (
      <WhySection title={t`Changes to version ${latest.version}`}>
        {changes.length === 0 ? (
          <p className="text-ink-soft">{t`None yet.`}</p>
        ) : (
          <ul className="space-y-0.5">
            {changes.map((change) => (
              <li key={change}>{change}</li>
            ))}
          </ul>
        )}
      </WhySection>
    )}
    {sound && (
      <>
        <DoughShares formula={formula} />
        <IngredientCosts formula={formula} />
        <WhySection title={t`Recipe check`}>
          <Soundness formula={formula} />
          <p className="mt-2">
            <Swaps
              formula={formula}
              onTake={(next) => {
                if (!edit.draft) edit.begin(latest);
                edit.change(next);
              }}
            />
          </p>
        </WhySection>
        <WhySection title={t`Texture, a forecast`}>
          <Texture formula={formula} formulas={formulas} />
        </WhySection>
      </>
    )}
    <WhySection title={t`What it will give`}>
      <Forecast formula={formula} />
    </WhySection>
    <VersionsList code={formula.code} versions={versions} shown={formula.version} />
    <Cautions
      items={[
        t`Raw flour and raw egg are not ready to eat: do not taste the dough.`,
        t`Mind what shares bench, trays and ovens with this formula’s allergens.`,
      ]}
    />
  </>
);
