import { t } from '@lingui/core/macro';
import { useState } from 'react';
import {
  mixSteps,
  openLines,
  otherSchools,
  roleOf,
  type Formula,
  type LotState,
  type MixStep,
  type WeighSheet,
} from '@jokul/core';
import { record } from '../journal/store';
import { nowMs } from '../lib/clock';
import { useUnits } from '../lib/units';
import { MixStepRow } from './mix-step-row';
import { useMixTimers } from './mix-timers';
import { StartAnyway, type Asking } from './start-anyway';

interface AtTheMixerProps {
  readonly batchId: string;
  readonly formula: Formula;
  readonly sheet: WeighSheet;
  readonly speeds: readonly string[] | undefined;
  readonly known: LotState;
  readonly eggLimitC: number;
}

/** Why a stage should not begin yet; null when it may. */
const blockOf = (
  step: MixStep,
  { formula, sheet, known, eggLimitC }: AtTheMixerProps,
  temperature: (temperatureC: number) => string,
): { missing: string; egg: boolean } | null => {
  const index = formula.stages.findIndex(({ id }) => id === step.stageId);
  const stage = formula.stages[index];
  if (!stage) return null;
  const open = openLines(sheet, known).filter(({ stageId }) => stageId === step.stageId);
  const browned = formula.stages.some(({ lines }) => lines.some((line) => line.browned));
  const measured = known.measured.get('browned butter');
  const tooHot =
    roleOf(stage) === 'egg' &&
    browned &&
    stage.lines.some(({ ingredientId }) => ingredientId.includes('egg')) &&
    (!measured || (measured.temperatureC > eggLimitC && !measured.reason));
  const reasons = [
    ...(tooHot
      ? [
          measured
            ? t`The browned butter was ${temperature(measured.temperatureC)}. Egg goes in only at ${temperature(eggLimitC)} or below: it scrambles, and is not safe.`
            : t`Measure the browned butter first: egg goes in only at ${temperature(eggLimitC)} or below.`,
        ]
      : []),
    ...(open.length > 0 ? [t`Not weighed yet: ${open.map(({ name }) => name).join(', ')}.`] : []),
  ];
  if (reasons.length > 0) return { egg: tooHot, missing: reasons.join(' ') };
  return null;
};

/** The stages one after the other: timers, speeds, scraping, and when it is enough. */
export const AtTheMixer = (props: AtTheMixerProps) => {
  const { batchId, formula, sheet, speeds, known } = props;
  const { temperature } = useUnits();
  const { started, start, stop } = useMixTimers();
  const [asking, setAsking] = useState<Asking | null>(null);
  const begin = (step: MixStep) => {
    const block = blockOf(step, props, temperature);
    if (block) setAsking({ step, ...block });
    else start(batchId, step.stageId, nowMs());
  };
  const override = ({ step, missing, egg }: Asking, reason: string) => {
    // Only what was measured is written down as a temperature.
    const measured = known.measured.get('browned butter');
    if (egg && measured)
      record('measured', batchId, {
        what: 'browned butter',
        temperatureC: measured.temperatureC,
        reason,
      });
    record('note', batchId, {
      text: t`${step.name} started anyway. ${missing} Reason: ${reason}`.slice(0, 1000),
    });
    start(batchId, step.stageId, nowMs());
    setAsking(null);
  };
  return (
    <ol className="space-y-2">
      {mixSteps(formula).map((step) => (
        <MixStepRow
          key={step.stageId}
          step={step}
          sheet={sheet}
          speeds={speeds}
          known={known}
          others={otherSchools(formula, step.stageId)}
          startedMs={started[`${batchId}/${step.stageId}`]}
          onBegin={() => begin(step)}
          onStop={(durationS) => {
            record('stage-done', batchId, { stageId: step.stageId, durationS: Math.round(durationS) });
            stop(batchId, step.stageId);
          }}
        />
      ))}
      <StartAnyway asking={asking} onClose={() => setAsking(null)} onStart={override} />
    </ol>
  );
};
