import { plural, t } from '@lingui/core/macro';
import type { ReactNode } from 'react';
import type { BakeResult, BatchPlan, Formula, Layout, Load, Oven } from '@jokul/core';
import type { ProductForecast } from '@jokul/contracts';
import { StalePlan } from '../line/plan-bar';
import { Station } from '../line/station';
import { useUnits } from '../lib/units';
import { AtTabs } from '../ui/at-tabs';
import { Said } from '../ui/said';
import { Alarm } from '../ui/states';
import { stateNames } from '../words/names-of-codes';
import { CutOpen } from './cut-open';
import { FullLoad } from './full-load';
import { LoadSteps } from './load-steps';
import { LoadWhy } from './load-why';
import { RetimeDue } from './retime-due';
import { ThisLoad } from './this-load';
import { TimeAndHeat } from './time-and-heat';
import { useConditions } from './use-conditions';
import { WhatIfs } from './what-ifs';

interface LoadWorkProps {
  readonly batch: BatchPlan;
  readonly load: Load;
  readonly formula: Formula;
  readonly oven: Oven;
  readonly forecast: ProductForecast;
  readonly bake: BakeResult;
  readonly layout: Layout;
  readonly queue: ReactNode;
}

/** One load: how it is baked and when it comes out, cut open, as a whole load, otherwise, and over time and heat. */
export const LoadWork = (props: LoadWorkProps) => {
  const { batch, load, formula, oven, forecast, bake, queue } = props;
  const { temperature } = useUnits();
  const base = useConditions(formula, oven, load);
  if (!base) return null;
  const { pull } = bake;
  const pullS = pull?.value ?? load.pullS;
  const pieces = load.trays.reduce((n, t) => n + t.pieces, 0);
  return (
    <Station
      title={t`${formula.name} in ${oven.name}`}
      question={t`${load.id}: ${plural(load.trays.length, { one: '# tray', other: '# trays' })}, ${pieces} pieces at ${temperature(load.setC)} ${oven.fan ? t`fan` : t`still`}, to ${stateNames[formula.bake.target]}`}
      queueTitle={t`Loads`}
      queue={queue}
      why={<LoadWhy {...props} />}
    >
      <StalePlan />
      <RetimeDue />
      {forecast.formulaVersion !== formula.version && (
        <Alarm>{t`The forecast is for version ${forecast.formulaVersion} of this formula; version ${formula.version} is newer. Plan the day again.`}</Alarm>
      )}
      {bake.warnings.map((warning) => (
        <Alarm key={warning.code}>
          <Said>{warning.message}</Said>
        </Alarm>
      ))}
      <LoadSteps batch={batch} load={load} />
      <div className="mt-3">
        <AtTabs
          label={t`Parts of the bake`}
          tabs={[
            {
              value: 'load',
              name: t`This load`,
              content: <ThisLoad {...props} base={base} pullS={pullS} />,
            },
            {
              value: 'cut',
              name: t`Cut open`,
              content: <CutOpen formula={formula} base={base} pullS={pullS} />,
            },
            {
              value: 'whole',
              name: t`Whole load`,
              content: <FullLoad formula={formula} oven={oven} load={load} base={base} pullS={pullS} />,
            },
            {
              value: 'what-if',
              name: t`What if`,
              content: <WhatIfs formula={formula} base={base} oven={oven} />,
            },
            {
              value: 'heat',
              name: t`Time and heat`,
              content: <TimeAndHeat formula={formula} base={base} pullS={pullS} />,
            },
          ]}
        />
      </div>
    </Station>
  );
};
