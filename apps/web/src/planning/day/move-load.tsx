import { plural, t } from '@lingui/core/macro';
import { useState } from 'react';
import { toast } from 'sonner';
import type { BakeryView } from '@jokul/contracts';
import { useNames } from '../../line/actions';
import { useMove, useTakeReplan } from '../../lib/queries';
import { useWallClock } from '../../lib/clock';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { Field } from '../../ui/field';
import { Said } from '../../ui/said';
import { useWhereTo, type Proposal } from './use-where-to';
import { newlyLate, WhatFollows } from './what-follows';
import { WhereTo } from './where-to';

const WhyAllTheSame = ({
  reason,
  onType,
}: {
  readonly reason: string;
  readonly onType: (reason: string) => void;
}) => (
  <div className="mt-3">
    <Field
      label={t`Why all the same`}
      maxLength={300}
      value={reason}
      hint={t`It is written in the log of the batch. The plan then shows the rule as broken.`}
      onChange={(event) => onType(event.target.value)}
    />
  </div>
);

/** A load, or some of its trays, into another oven or to another time: what follows is shown before anybody does it. */
export const MoveLoad = ({
  proposal,
  date,
  planVersion,
  bakery,
  onClose,
}: {
  readonly proposal: Proposal;
  readonly date: string;
  readonly planVersion: number;
  readonly bakery: BakeryView;
  readonly onClose: () => void;
}) => {
  const { load } = proposal;
  const names = useNames();
  const wall = useWallClock();
  const to = useWhereTo(proposal, bakery);
  const { same, trays, badTime } = to;
  const [reason, setReason] = useState('');
  const move = useMove(
    date,
    planVersion,
    same ? null : { loadId: load.id, ovenId: to.ovenId, startS: to.startS, ...(trays !== null && { trays }) },
  );
  const take = useTakeReplan(date);
  const found = same ? undefined : move.data;
  const id = found?.id;
  const faults = found?.faults ?? [];
  const breaks = faults.length > 0 && id !== null;
  const knowingly = breaks || (found !== undefined && newlyLate(found).length > 0);
  const doIt = () =>
    id &&
    take.mutate(breaks ? { id, reason: reason.trim() } : { id }, {
      onSuccess: ({ back }) => {
        toast(
          trays === null
            ? t`${load.id} is moved. Its batch stays there when the day is planned again.`
            : t`${plural(trays, { one: '# tray goes', other: '# trays go' })} as ${found?.loadId ?? t`a load of their own`}. The batch stays so when the day is planned again.`,
          { duration: 10_000, action: { label: t`Undo`, onClick: () => take.mutate({ id: back }) } },
        );
        onClose();
      },
    });
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={t`Move ${load.id}`}
      lead={t`${names.product(load.batchId.split('-')[0] ?? '')}, ${plural(load.trays.length, { one: '# tray', other: '# trays' })}; planned at ${wall.time(load.startS * 1000)} in ${names.oven(load.ovenId)}. Arrow keys move it by a minute (with Shift by ten) and from oven to oven.`}
    >
      {/* oxlint-disable-next-line jsx-a11y/no-static-element-interactions -- the keys belong to the controls inside */}
      <div onKeyDown={to.onKeyDown}>
        <WhereTo load={load} bakery={bakery} to={to} />
        <div className="mt-4 min-h-40" aria-live="polite">
          <WhatFollows same={same} move={move} />
          {breaks && <WhyAllTheSame reason={reason} onType={setReason} />}
          {take.isError && (
            <p role="alert" className="mt-2 font-medium text-hand">
              <Said>{take.error.message}</Said>
            </p>
          )}
        </div>
        <div className="mt-3 flex flex-wrap justify-end gap-2">
          <Button onClick={onClose}>{t`Cancel`}</Button>
          <Button
            look={knowingly ? 'hand' : 'primary'}
            disabled={
              !id || move.isPlaceholderData || take.isPending || badTime || (breaks && reason.trim() === '')
            }
            onClick={doIt}
          >
            {knowingly ? t`Move it anyway` : t`Move it`}
          </Button>
        </div>
      </div>
    </Dialog>
  );
};
