import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { Link, useLocation } from 'react-router';
import type { CalibrationView } from '@jokul/contracts';
import { useNames } from '../line/actions';
import { nowMs, useWallClock } from '../lib/clock';
import { useUnits } from '../lib/units';
import { Cautions, Fact, Facts, WhyPane, WhySection } from '../line/station';

/** What is in use of what was learned, which bake would teach most, and how it is learned. */
export const LearnWhy = ({ view }: { readonly view: CalibrationView }) => {
  const names = useNames();
  const wall = useWallClock();
  const { duration } = useUnits();
  const { search } = useLocation();
  const [first] = view.next;
  return (
    <WhyPane>
      <WhySection title={t`In use`}>
        <Facts>
          <Fact name={t`learned from`}>{view.inForce ? t`${view.inForce.bakes} bakes` : t`nothing yet`}</Fact>
          {view.inForce && <Fact name={t`looked at`}>{wall.near(view.inForce.atMs, nowMs())}</Fact>}
          <Fact name={t`steps that can be undone`}>{view.undoable}</Fact>
        </Facts>
      </WhySection>
      <WhySection title={t`The bake to measure next`}>
        {first ? (
          <>
            <p>
              <Trans>
                <strong className="font-semibold">{names.product(first.code)}</strong> in{' '}
                {names.oven(first.ovenId)}: measured whole, it makes the pulls of the trays to come surer by ±
                {'\u00a0'}
                {duration(Math.max(1, Math.round(1.645 * first.gainS)))}.
              </Trans>
            </p>
            <ol className="mt-2 divide-y divide-line text-[13.5px] text-ink-soft">
              {view.next.slice(1).map((next) => (
                <li key={`${next.code}/${next.ovenId}`} className="flex justify-between gap-2 py-1">
                  <span>
                    {names.product(next.code)}, {names.oven(next.ovenId)}
                  </span>
                  <span className="figures whitespace-nowrap">{(1.645 * next.gainS).toFixed(0)} s</span>
                </li>
              ))}
            </ol>
            <Link
              to={`/bake${search}`}
              className="mt-2 inline-block underline underline-offset-4"
            >{t`To the loads`}</Link>
          </>
        ) : (
          <p className="text-ink-soft">{t`No load of this day is still to come.`}</p>
        )}
      </WhySection>
      <WhySection title={t`How it is learned`}>
        <p className="text-[13.5px] text-ink-soft">{t`Every measured tray is baked again in the model. The ovens and doughs are adjusted until model and measurements agree best, no further than the bakes say. A figure far off counts little. An oven’s temperature and how fast it heats look alike in one product; together they hold for the others.`}</p>
      </WhySection>
      <Cautions
        items={[
          t`A forecast helps to know when to look. The eye at the oven door decides.`,
          t`Measure a hot core with a clean, thin needle, in the middle of the middle piece.`,
        ]}
      />
    </WhyPane>
  );
};
