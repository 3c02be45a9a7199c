import { t } from '@lingui/core/macro';
import { Check } from 'lucide-react';
import { Link, useSearchParams } from 'react-router';
import { stepIds, stepWords, type StepId } from './steps';

/** What stands behind the "?" of the address, to be taken along to the next step. */
export const useLocationSearch = () => {
  const [params] = useSearchParams();
  return { search: params.size > 0 ? `?${params.toString()}` : '' };
};

/** All steps, which are done, and where one is. */
export const StepList = ({ step, done }: { readonly step: StepId; readonly done: ReadonlySet<StepId> }) => {
  const { search } = useLocationSearch();
  return (
    <ol
      aria-label={t`Steps`}
      className="relative space-y-0.5 max-sm:flex max-sm:gap-1 max-sm:overflow-x-auto"
    >
      {stepIds.map((id, i) => (
        <li key={id} className="max-sm:shrink-0">
          <Link
            to={{ pathname: `/begin/${id}`, search }}
            aria-current={id === step ? 'step' : undefined}
            className={`thumb flex items-center gap-3 rounded-md px-2 py-1.5 ${id === step ? 'bg-ground font-semibold' : 'text-ink-soft hover:bg-ground hover:text-ink'}`}
          >
            <span
              aria-hidden
              className={`figures grid size-6 shrink-0 place-items-center rounded-full border text-[13px] ${done.has(id) ? 'border-inverse bg-inverse text-inverse-ink' : 'border-line-strong bg-surface'}`}
            >
              {done.has(id) ? <Check size={14} /> : i + 1}
            </span>
            <span>
              {stepWords[id].name}
              {done.has(id) && <span className="sr-only"> {t`(done)`}</span>}
            </span>
          </Link>
        </li>
      ))}
    </ol>
  );
};
