import { t } from '@lingui/core/macro';
import type { BakeryView, PlanView } from '@jokul/contracts';
import { useSlip } from '../../line/use-slip';
import { useNow, useWallClock } from '../../lib/clock';
import { Said } from '../../ui/said';
import { Cautions, Fact, Facts, WhySection } from '../../line/station';
import { firstStart, type DaySpan } from './day-span';
import { FromTheCold } from './from-the-cold';
import { OvenEnergy } from './oven-energy';
import { HowGood, HowSure, WaysOut } from './plan-quality';
import { UnplacedList } from './unplaced';
import { WhatIf } from './what-if/what-if';

/** What the checker found when it counted the plan anew. */
const DoesItWork = ({ placed, violations }: { placed: boolean; violations: PlanView['violations'] }) => {
  const slip = useSlip();
  return (
    <WhySection title={t`Does it work?`}>
      {slip && <p className="mb-1 font-medium text-hand">{t`As planned it does; the floor is behind it.`}</p>}
      {!placed ? (
        <p>{t`There is nothing to check: no load could be placed.`}</p>
      ) : violations.length === 0 ? (
        <p>{t`Yes: the checker recounted every mixer, oven place, tray, cold place, rack, pair of hands, rest window and ready-by, and found none broken.`}</p>
      ) : (
        <ul className="space-y-1">
          {violations.map((v) => (
            <li key={v.code + v.where + v.message} className="border-l-2 border-hand pl-2">
              <Said>{v.message}</Said>
            </li>
          ))}
        </ul>
      )}
    </WhySection>
  );
};

interface DayWhyProps {
  readonly date: string;
  readonly view: PlanView;
  readonly bakery: BakeryView;
  readonly span: DaySpan;
}

/** How good and how sure the plan is, what did not fit, and what could be otherwise. */
export const DayWhy = ({ date, view, bakery, span }: DayWhyProps) => {
  const now = useNow(10_000);
  const wall = useWallClock();
  const { plan, quality, violations, madeAtMs, leave } = view;
  const { placed, firstLoadS, lastReadyS } = span;
  const inTurn = [...plan.batches].sort((a, b) => firstStart(a) - firstStart(b));
  const loads = plan.batches.flatMap((batch) => batch.loads);
  return (
    <>
      <DoesItWork placed={placed} violations={violations} />
      {quality && placed && <HowGood quality={quality} />}
      {plan.unplaced.length > 0 && (
        <WhySection title={t`What does not fit, and why`}>
          <UnplacedList unplaced={plan.unplaced} marked />
          {quality && <WaysOut quality={quality} />}
        </WhySection>
      )}
      {quality && quality.sure.length > 0 && <HowSure quality={quality} />}
      <WhatIf date={date} bakery={bakery} />
      <FromTheCold batches={inTurn} leave={leave} date={date} />
      {placed && <OvenEnergy batches={plan.batches} bakery={bakery} />}
      <WhySection title={t`The plan`}>
        <Facts>
          <Fact name={t`Batches, loads`}>
            {plan.batches.length}, {loads.length}
          </Fact>
          <Fact name={t`Trays`}>{loads.reduce((n, load) => n + load.trays.length, 0)}</Fact>
          {placed && <Fact name={t`First load`}>{wall.time(firstLoadS * 1000)}</Fact>}
          {placed && <Fact name={t`All ready`}>{wall.time(lastReadyS * 1000)}</Fact>}
          <Fact name={t`Made`}>{wall.near(madeAtMs, now)}</Fact>
        </Facts>
        <p className="mt-1 text-[13px] text-ink-soft">{t`Laid out backward from each ready-by, then improved by moving batches. What other days need is left to them.`}</p>
      </WhySection>
      <Cautions items={[t`Temperatures are computed. A dough that feels warm is warm: measure it.`]} />
    </>
  );
};
