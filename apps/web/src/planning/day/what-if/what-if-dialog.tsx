import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { toast } from 'sonner';
import type { BakeryView } from '@jokul/contracts';
import { useTakeWhatIf, useUndoWhatIf, useWhatIf } from '../../../lib/what-if-queries';
import { Button } from '../../../ui/button';
import { Dialog } from '../../../ui/dialog';
import { Said } from '../../../ui/said';
import { Loading } from '../../../ui/states';
import { asInput, wrongWith, type Row } from './supposal';
import { SupposalRows } from './supposal-rows';
import { WhatIfResult } from './what-if-result';

/** What taking it would do, so that nobody is surprised. */
const consequence = (rows: readonly Row[]): string => {
  const kinds = new Set(rows.map(({ kind }) => kind));
  const inSetup = kinds.has('oven-out') || kinds.has('oven-more') || kinds.has('away');
  if (kinds.has('order') && inSetup)
    return t`The order goes on the list, the rest into Setup, and the day is planned by it.`;
  return inSetup
    ? t`It goes into Setup, and the day is planned by it.`
    : t`It goes on the list, and the day is planned with it.`;
};

/** A copy of the day in which something is otherwise, beside the real one: looked at, then taken or dropped. */
export const WhatIfDialog = ({
  date,
  today,
  bakery,
  onClose,
}: {
  readonly date: string;
  readonly today: string;
  readonly bakery: BakeryView;
  readonly onClose: () => void;
}) => {
  const [rows, setRows] = useState<readonly Row[]>([]);
  const [checked, setChecked] = useState(false);
  const ask = useWhatIf(date);
  const take = useTakeWhatIf(date);
  const undo = useUndoWhatIf(date);
  const found = ask.data;
  const change = (next: readonly Row[]) => {
    setRows(next);
    // What was found was of something else.
    ask.reset();
    take.reset();
  };
  const makeItSo = () =>
    found &&
    take.mutate(found.id, {
      onSuccess: ({ back }) => {
        toast(t`It is so, and the day is planned by it.`, {
          duration: 12_000,
          action: { label: t`Undo`, onClick: () => undo.mutate(back) },
        });
        onClose();
      },
    });
  const problem = take.error ?? ask.error;
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={t`What if …?`}
      lead={t`Try it on a copy of the day. Nothing changes until you make it so.`}
    >
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          setChecked(true);
          if (rows.every((row) => wrongWith(row) === null)) ask.mutate(asInput(rows));
        }}
      >
        <SupposalRows rows={rows} bakery={bakery} today={today} checked={checked} onChange={change} />
        {problem && (
          <p role="alert" className="mt-3 font-medium text-hand">
            <Said>{problem.message}</Said>
          </p>
        )}
        {ask.isPending && <Loading what={t`how the day would go`} />}
        {found && <WhatIfResult found={found} date={date} bakery={bakery} />}
        <div className="mt-4 flex flex-wrap items-center justify-end gap-2">
          {found && <p className="mr-auto text-[13px] text-ink-soft">{consequence(rows)}</p>}
          <Button onClick={onClose}>{found ? t`Drop it` : t`Cancel`}</Button>
          {found ? (
            <Button look="primary" disabled={take.isPending} onClick={makeItSo}>
              {take.isPending ? t`Making it so …` : t`Make it so`}
            </Button>
          ) : (
            <Button
              type="submit"
              look="primary"
              disabled={rows.length === 0 || ask.isPending}
            >{t`Try it`}</Button>
          )}
        </div>
      </form>
    </Dialog>
  );
};
