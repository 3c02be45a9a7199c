import { t } from '@lingui/core/macro';
import { useLogCheck } from '../lib/queries';
import { Button } from '../ui/button';

/** Reads the whole chain of the journal anew and says whether any entry was changed afterwards. */
export const ChainCheck = () => {
  const check = useLogCheck();
  return (
    <>
      <p className="mb-1.5 text-[13.5px] text-ink-soft">{t`Every entry is sealed to the one before it, so that a later change shows.`}</p>
      <Button size="small" disabled={check.isFetching} onClick={() => void check.refetch()}>
        {check.isFetching ? t`Reading …` : t`Check the log is unaltered`}
      </Button>
      {check.data && (
        <p
          role="status"
          className={`mt-1.5 text-[13.5px] ${check.data.firstBrokenSeq === null ? '' : 'font-semibold text-hand'}`}
        >
          {check.data.firstBrokenSeq === null
            ? t`${check.data.entries} entries, none of them altered.`
            : t`Entry ${check.data.firstBrokenSeq} does not follow from the one before it: it was changed or removed after it was written.`}
        </p>
      )}
    </>
  );
};
