import { plural, t } from '@lingui/core/macro';
import { useEffect, useRef } from 'react';
import { Link, useLocation } from 'react-router';
import { toast } from 'sonner';
import type { ReplanView } from '@jokul/contracts';
import { useReplan, useTakeReplan } from '../lib/queries';
import { Button, buttonClass } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { Failed, Loading } from '../ui/states';
import { LoadChangeRow } from './load-change';
import { useSaysLate } from './say-late';

export const missingPieces = (late: ReplanView['before']): number =>
  late.reduce((sum, { latePieces }) => sum + latePieces, 0);

/** Pieces that are baked at no time though no oven is missing: there is less dough than was planned. */
const withoutDough = ({ after, left }: Pick<ReplanView, 'after' | 'left'>): number =>
  left.length > 0 ? 0 : missingPieces(after.filter(({ readyS }) => readyS === null));

const sayGoing = (found: ReplanView): string => {
  const { before, after } = found;
  const [without, withThem] = [missingPieces(before), missingPieces(after)];
  if (before.length === 0) return t`Nobody is late as things stand.`;
  if (after.length === 0)
    return t`With these changes everybody has their pieces in time; as things stand, ${without} would be late.`;
  if (withThem === withoutDough(found) && withThem === without)
    return t`For ${without} pieces there is no dough: it found no place in the plan, or less of it came out than planned.`;
  return withThem < without
    ? t`With these changes ${withThem} pieces are late; as things stand, ${without}.`
    : t`${without} pieces are late. No other order of the loads that was tried helps them; these are the times that it comes to.`;
};

/** Who is still late with the changes, and each load that moves, under a sentence that says what it comes to. */
export const FoundChanges = ({
  found: { after, changes, left },
  says,
}: {
  readonly found: Pick<ReplanView, 'after' | 'changes' | 'left'>;
  readonly says: string;
}) => {
  const say = useSaysLate();
  const lost = left.reduce((sum, { pieces }) => sum + pieces, 0);
  return (
    <>
      <p className="mb-2">{says}</p>
      {after.length > 0 && (
        <>
          <h3 className="text-[13px] font-semibold text-ink-soft">{t`Still late: tell them`}</h3>
          <ul className="mb-3 list-disc pl-5">
            {after.map((late) => (
              <li key={late.order.id}>{say(late)}</li>
            ))}
          </ul>
        </>
      )}
      {lost > 0 && (
        <p className="mb-3 font-medium text-hand">
          {t`${lost} pieces cannot be baked: no oven is free while their dough is good.`}
        </p>
      )}
      <h3 className="text-[13px] font-semibold text-ink-soft">
        {changes.length === 0
          ? t`Nothing changes.`
          : t`${plural(changes.length, { one: '# load changes', other: '# loads change' })}; all others stay as planned`}
      </h3>
      <ul className="mb-4 max-h-[38vh] overflow-y-auto">
        {changes.map((change) => (
          <LoadChangeRow key={change.loadId} change={change} />
        ))}
      </ul>
    </>
  );
};

/** Looks for a way out of a day that slipped, and shows all that it changes before anybody takes it. */
export const SlipDialog = ({ date, onClose }: { date: string; onClose: () => void }) => {
  const replan = useReplan(date);
  const take = useTakeReplan(date);
  const { mutate } = replan;
  const asked = useRef(false);
  useEffect(() => {
    if (asked.current) return;
    asked.current = true;
    mutate();
  }, [mutate]);
  const again = () => {
    take.reset();
    mutate();
  };
  const found = replan.data;
  const { search } = useLocation();
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={t`What can be done`}
      lead={t`As few loads as possible move. What is in an oven stays there.`}
    >
      {take.isError || replan.isError ? (
        <Failed error={take.error ?? replan.error} onRetry={again} />
      ) : !found || replan.isPending ? (
        <Loading what={t`a way out`} />
      ) : (
        <>
          <FoundChanges found={found} says={sayGoing(found)} />
          {withoutDough(found) > 0 && (
            <p className="mb-4">{t`Plan the day again, and it is mixed where there is time for it; where there is none, Day says why.`}</p>
          )}
          <div className="flex flex-wrap justify-end gap-2">
            {withoutDough(found) > 0 && (
              <Link to={`/day${search}`} className={buttonClass()} onClick={onClose}>
                {t`Go to Day`}
              </Link>
            )}
            <Button onClick={onClose}>{t`Keep the plan`}</Button>
            <Button
              look="primary"
              disabled={take.isPending || found.changes.length === 0}
              onClick={() =>
                take.mutate(
                  { id: found.id },
                  {
                    onSuccess: ({ back }) => {
                      toast(
                        t`Plan changed: ${plural(found.changes.length, { one: '# load moves', other: '# loads move' })}.`,
                        {
                          duration: 10_000,
                          action: { label: t`Undo`, onClick: () => take.mutate({ id: back }) },
                        },
                      );
                      onClose();
                    },
                  },
                )
              }
            >
              {take.isPending ? t`Changing the plan …` : t`Change the plan`}
            </Button>
          </div>
        </>
      )}
    </Dialog>
  );
};
