import { t } from '@lingui/core/macro';
import {
  batchFactor,
  doughDensityFigure,
  mixerRange,
  type Amount,
  type BatchPlan,
  type Formula,
  type LotState,
  type WeighSheet,
} from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { taskOf } from '../line/batch';
import { AtTabs } from '../ui/at-tabs';
import { AtTheMixer } from './at-the-mixer';
import { BrownedButter } from './browned-butter';
import { ButterPlan } from './butter-plan';
import { WeighUp } from './weigh-up';

interface MixPartsProps {
  readonly batch: BatchPlan;
  readonly formula: Formula;
  readonly sheet: WeighSheet;
  readonly known: LotState;
  readonly amounts: readonly Amount[];
  readonly bakery: BakeryView;
}

/** Weighing up, the steps at the mixer, and the butter that must be ready for them. */
export const MixParts = ({ batch, formula, sheet, known, amounts, bakery }: MixPartsProps) => {
  const { equipment, rules } = bakery;
  const mixer = equipment.mixers.find(({ id }) => id === batch.mixerId);
  const browns = formula.stages.some((stage) => stage.lines.some((line) => line.browned));
  const mix = taskOf(batch, 'mix');
  return (
    <AtTabs
      label={t`Parts of the mix`}
      tabs={[
        {
          value: 'weigh',
          name: t`Weigh up`,
          content: (
            <WeighUp
              key={batch.batchId}
              batchId={batch.batchId}
              formula={formula}
              sheet={sheet}
              scales={equipment.scales}
              known={known}
              bowlMaxG={mixer ? mixerRange(mixer, doughDensityFigure(formula).value).maxMassG : batch.massG}
              factor={batchFactor(known)}
            />
          ),
        },
        {
          value: 'mixer',
          name: t`At the mixer`,
          content: (
            <AtTheMixer
              speeds={mixer?.speeds}
              key={batch.batchId}
              batchId={batch.batchId}
              formula={formula}
              sheet={sheet}
              known={known}
              eggLimitC={rules.eggIntoButterC}
            />
          ),
        },
        {
          value: 'butter',
          name: browns ? t`Browned butter` : t`Butter`,
          className: 'space-y-4',
          content: (
            <>
              {browns && (
                <BrownedButter
                  key={batch.batchId}
                  batchId={batch.batchId}
                  formula={formula}
                  sheet={sheet}
                  known={known}
                  places={equipment.places}
                  rules={rules}
                />
              )}
              {mixer && (
                <ButterPlan
                  key={`${batch.batchId}-butter`}
                  formula={formula}
                  amounts={amounts}
                  mixer={mixer}
                  rules={rules}
                  mixStartMs={mix ? mix.startS * 1000 : null}
                />
              )}
            </>
          ),
        },
      ]}
    />
  );
};
