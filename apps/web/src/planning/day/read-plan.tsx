import { t } from '@lingui/core/macro';
import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import type { ReadPlanView } from '@jokul/contracts';
import { FoundChanges, missingPieces } from '../../line/slip-dialog';
import { useReadPlan, useTakeReplan } from '../../lib/queries';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { Field } from '../../ui/field';
import { Failed, Loading } from '../../ui/states';
import { BrokenRules } from './broken-rules';

/** By the plans alone: how the floor goes on is said when the plan is in use. */
const sayPlans = ({ before, after }: ReadPlanView): string => {
  const [now, then] = [missingPieces(before), missingPieces(after)];
  if (then === 0)
    return now === 0
      ? t`By this plan everybody has their pieces in time, as by the one in use.`
      : t`By this plan everybody has their pieces in time; by the one in use, ${now} would be late.`;
  return t`By this plan ${then} pieces are late; by the one in use, ${now === 0 ? t`none` : now}.`;
};

/** What a plan changes and breaks, and why it is taken all the same. */
const PlanFound = ({
  found,
  busy,
  onClose,
  onTake,
}: {
  readonly found: ReadPlanView;
  readonly busy: boolean;
  readonly onClose: () => void;
  readonly onTake: (taken: { readonly id: string; readonly reason?: string }) => void;
}) => {
  const [reason, setReason] = useState('');
  const { id } = found;
  const breaks = found.faults.length > 0;
  return (
    <form
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (id !== null) onTake(breaks ? { id, reason: reason.trim() } : { id });
      }}
    >
      <FoundChanges found={{ ...found, left: [] }} says={sayPlans(found)} />
      {breaks && (
        <>
          <BrokenRules
            says={id === null ? t`It cannot be done so:` : t`It breaks rules of the floor:`}
            faults={found.faults}
          />
          {id !== null && (
            <Field
              label={t`Why all the same`}
              value={reason}
              maxLength={200}
              onChange={(event) => setReason(event.target.value)}
            />
          )}
        </>
      )}
      <div className="mt-4 flex flex-wrap justify-end gap-2">
        <Button onClick={onClose}>{t`Keep the plan`}</Button>
        <Button
          type="submit"
          look="primary"
          disabled={id === null || busy || found.changes.length === 0 || (breaks && reason.trim().length < 3)}
        >
          {busy ? t`Changing the plan …` : t`Change the plan`}
        </Button>
      </div>
    </form>
  );
};

/** A plan of the day from a file: what it changes and breaks is shown before anybody takes it. */
export const ReadPlanDialog = ({
  date,
  file,
  onClose,
}: {
  readonly date: string;
  readonly file: File;
  readonly onClose: () => void;
}) => {
  const read = useReadPlan(date);
  const take = useTakeReplan(date);
  const { mutate } = read;
  const asked = useRef(false);
  useEffect(() => {
    if (asked.current) return;
    asked.current = true;
    mutate(file);
  }, [mutate, file]);
  const found = read.data;
  const doIt = (taken: { readonly id: string; readonly reason?: string }) =>
    take.mutate(taken, {
      onSuccess: ({ back }) => {
        toast(t`The plan from the file is in use.`, {
          duration: 10_000,
          action: { label: t`Undo`, onClick: () => take.mutate({ id: back }) },
        });
        onClose();
      },
    });
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={t`What the file would change`}
      lead={t`${file.name}. Nothing is changed yet; what is in an oven stays there.`}
    >
      {take.isError || read.isError ? (
        <Failed error={take.error ?? read.error} />
      ) : !found ? (
        <Loading what={t`the plan`} />
      ) : (
        <PlanFound found={found} busy={take.isPending} onClose={onClose} onTake={doIt} />
      )}
    </Dialog>
  );
};
