import { t } from '@lingui/core/macro';
import { Printer } from 'lucide-react';
import { Link, useLocation } from 'react-router';
import type { BakeryView, PlanView } from '@jokul/contracts';
import { PlanButton } from '../../line/plan-bar';
import { PlanDays } from '../../line/plan-days';
import { buttonClass } from '../../ui/button';
import type { View } from './day-span';
import { SavePlan } from './save-plan';

interface DayActionsProps {
  readonly date: string;
  readonly plan: PlanView;
  readonly bakery: BakeryView;
  readonly placed: boolean;
  /** The part that is shown; null while it is zoomed. */
  readonly view: View | null;
  readonly onView: (view: View) => void;
}

/** Which part of the day is shown, and what can be done with its plan. */
export const DayActions = ({ date, plan, bakery, placed, view, onView }: DayActionsProps) => {
  const { search } = useLocation();
  return (
    <>
      <div
        role="group"
        aria-label={t`Shown part`}
        className="flex overflow-hidden rounded-md border border-line-strong"
      >
        {(['morning', 'whole'] as const).map((v) => (
          <button
            key={v}
            type="button"
            title={v === 'morning' ? t`From the first load on` : t`From the first mix on`}
            aria-pressed={view === v}
            onClick={() => onView(v)}
            className={`px-3 py-1.5 ${view === v ? 'bg-inverse text-inverse-ink' : 'bg-raised'}`}
          >
            {v === 'morning' ? t`Morning` : t`All of it`}
          </button>
        ))}
      </div>
      {placed && (
        <Link to={`/day/lists${search}`} className={`${buttonClass()} gap-1.5 px-3 py-1.5`}>
          <Printer size={16} aria-hidden /> {t`Lists`}
        </Link>
      )}
      {placed && (
        <SavePlan
          date={date}
          plan={plan.plan}
          preparations={plan.preparations ?? []}
          timeZone={bakery.rules.timeZone}
        />
      )}
      <PlanDays />
      <PlanButton label={t`Plan again`} />
    </>
  );
};
