import { t } from '@lingui/core/macro';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { Navigate, useNavigate, useParams, useSearchParams } from 'react-router';
import { shiftDate } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { useBakery, useDay, useToday } from '../lib/queries';
import { Loading } from '../ui/states';
import { BakeryStep, PeopleStep, Things, TraysStep } from './equipment-steps';
import { FormulaStep } from './formula-step';
import { OrderStep } from './order-step';
import { PlanStep } from './plan-step';
import { StepButtons } from './step-buttons';
import { StepList, useLocationSearch } from './step-list';
import { isStep, nextStep, stepIds, stepsDone, stepWords, type StepId } from './steps';
import { useBegin } from './use-begin';

const contents: Readonly<Record<StepId, (bakery: BakeryView) => ReactNode>> = {
  bakery: (bakery) => <BakeryStep bakery={bakery} />,
  ovens: (bakery) => <Things bakery={bakery} of={['ovens']} />,
  trays: (bakery) => <TraysStep bakery={bakery} />,
  mixers: (bakery) => <Things bakery={bakery} of={['mixers', 'scales']} />,
  cold: (bakery) => <Things bakery={bakery} of={['places', 'racks']} />,
  people: (bakery) => <PeopleStep bakery={bakery} />,
  formula: (bakery) => <FormulaStep bakery={bakery} />,
  order: (bakery) => <OrderStep bakery={bakery} />,
  plan: () => <PlanStep />,
};

/** The setting up of one's own bakery, step by step; it may be left at any step and gone on with. */
export const BeginPage = () => {
  const { data } = useBakery();
  const day = useDay();
  const today = useToday();
  const { step: asked } = useParams();
  const [params, setParams] = useSearchParams();
  const { search } = useLocationSearch();
  const navigate = useNavigate();
  const { looked, look } = useBegin();
  const heading = useRef<HTMLHeadingElement>(null);
  const content = useRef<HTMLDivElement>(null);
  const [unsaved, setUnsaved] = useState(false);
  const done = data ? stepsDone(looked, data, day.data) : null;
  const step: StepId = isStep(asked) ? asked : ((done && nextStep(done)) ?? 'plan');

  // The first order is for a day that leaves time to mix and rest.
  const dated = params.has('day');
  useEffect(() => {
    if (today && !dated) setParams({ day: shiftDate(today, 1) }, { replace: true });
  }, [today, dated, setParams]);
  // Once open, a step stays open when what it asks for is there.
  useEffect(() => {
    if (done && !isStep(asked)) void navigate({ pathname: `/begin/${step}`, search }, { replace: true });
  });
  // Whoever listens to the page hears where they are.
  useEffect(() => {
    setUnsaved(false);
    heading.current?.focus();
  }, [step]);
  // What is there was done, also when another day is looked at later.
  useEffect(() => done?.forEach(look));

  if (!data || !done) return <Loading what={t`your bakery`} />;
  // Nobody sets up the demo.
  if (data.kind === 'demo') return <Navigate to="/welcome" replace />;
  const at = stepIds.indexOf(step);
  /** Asks once before what was typed and not saved is left behind. */
  const leaves = (): boolean => {
    const open = content.current?.querySelector<HTMLButtonElement>(
      'form button[type="submit"][data-changes]:enabled',
    );
    if (!open || unsaved) return true;
    setUnsaved(true);
    open.focus();
    return false;
  };
  return (
    <div className="relative grid h-full min-h-0 grid-cols-[236px_minmax(0,1fr)] max-sm:block max-sm:overflow-y-auto">
      <aside
        aria-label={t`Set up my bakery`}
        className="min-h-0 overflow-y-auto border-r bg-surface px-3 py-4"
      >
        <h2 className="px-2 pb-2 text-lg font-semibold">{t`Set up my bakery`}</h2>
        <StepList step={step} done={done} />
        <p className="mt-4 px-2 text-[13px] text-ink-soft max-sm:hidden">{t`Everything is saved as you go. Leave at any step: you go on where you were.`}</p>
      </aside>
      <section aria-label={stepWords[step].name} className="min-h-0 overflow-y-auto px-6 py-5 max-sm:px-3">
        <div className="mx-auto max-w-[46rem]">
          <p className="figures text-[13px] text-ink-soft">{t`Step ${at + 1} of ${stepIds.length}`}</p>
          <h1 ref={heading} tabIndex={-1} className="text-[22px] leading-tight font-semibold outline-none">
            {stepWords[step].asks}
          </h1>
          <div ref={content} className="mt-4">
            {contents[step](data)}
          </div>
          {unsaved && (
            <p
              role="alert"
              className="mt-3 font-medium text-hand"
            >{t`What you changed here is not saved yet. Save it, or press Next again to go on without it.`}</p>
          )}
          <StepButtons step={step} isDone={done.has(step)} search={search} mayLeave={leaves} />
        </div>
      </section>
    </div>
  );
};
