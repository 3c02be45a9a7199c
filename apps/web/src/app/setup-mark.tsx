import { t } from '@lingui/core/macro';
import { troubleOfJokul } from '../bakery/wellbeing-words';
import { usePreferences } from '../lib/preferences';
import { useWellbeing } from '../lib/queries';

/** Every device asks: less often than the page that shows it all, ms. */
const everyMs = 5 * 60_000;

/** A mark beside Setup while something of Jokul itself is to be looked at there: nobody opens Setup to see whether all is well. */
export const SetupMark = () => {
  const { data } = useWellbeing(everyMs);
  const device = usePreferences((own) => own.device);
  const trouble = data ? troubleOfJokul(data, device) : [];
  if (trouble.length === 0) return null;
  const says = t`To be looked at in Setup: ${trouble.join(', ')}`;
  return (
    <span
      role="img"
      aria-label={says}
      title={says}
      className="absolute top-1 left-7 z-20 size-2.5 rounded-full border-2 border-surface bg-hand max-sm:left-9"
    />
  );
};
