import { t } from '@lingui/core/macro';
import { Link, useLocation } from 'react-router';
import { useBakery, useDay } from '../lib/queries';
import { buttonClass } from '../ui/button';
import { nextStep, stepIds, stepsDone, stepWords } from '../starter/steps';
import { useBegin } from '../starter/use-begin';

/** While the own bakery is being set up, every other page leads back to the step where it goes on. */
export const SettingUp = () => {
  const { data } = useBakery();
  const day = useDay();
  const { looked, finished, finish } = useBegin();
  const { pathname, search } = useLocation();
  if (!data || data.kind !== 'own' || finished || pathname.startsWith('/begin')) return null;
  // A bakery that works already, seen from another device, is not asked again.
  if (looked.length === 0 && data.formulas.length > 0) return null;
  const done = stepsDone(looked, data, day.data);
  const next = nextStep(done);
  if (next === null) return null;
  return (
    <aside
      aria-label={t`Setting up`}
      className="no-print flex flex-wrap items-center gap-3 border-b bg-surface px-4 py-1.5 text-[13.5px]"
    >
      <span className="flex-1">{t`Setting up your bakery: ${done.size} of ${stepIds.length} steps done. Next: ${stepWords[next].name.toLowerCase()}.`}</span>
      <Link
        to={{ pathname: `/begin/${next}`, search }}
        className={buttonClass('plain', 'small')}
      >{t`Go on setting up`}</Link>
      <button type="button" className={buttonClass('quiet', 'small')} onClick={finish}>{t`Dismiss`}</button>
    </aside>
  );
};
