import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { sayDuration } from '@jokul/core';
import { record, useJournal } from '../journal/store';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { Field } from '../ui/field';
import { doTrayAction, useAskRelease, type AskRelease } from '../line/actions';
import { useLots, type Lots } from '../line/lots';
import { sayDone } from '../line/say-done';

const whereWords = { chilled: t`chilled or out`, frozen: t`frozen`, out: t`out of the cold` } as const;

/** The decision has just been written down; the lots of this render do not know of it yet. */
const asDecided = (lots: Lots): Lots => ({
  ...lots,
  lotOf: (id) => useJournal.getState().floor.lots.get(id),
});

/** Dough past its window goes into no oven before somebody decided on it and wrote down why. */
export const ReleaseDough = ({ asked }: { asked: AskRelease }) => {
  const lots = useLots();
  const { action, formula, over } = asked;
  const [reason, setReason] = useState('');
  const close = () => useAskRelease.setState({ ask: null });
  const short = reason.trim().length < 3;
  const release = () => {
    record('released', action.batchId, {
      why: 'over-window',
      clock: over.clock,
      ageS: Math.round(over.ageS),
      limitS: over.limitS,
      reason: reason.trim(),
    });
    if (doTrayAction(action, lots && asDecided(lots))) sayDone(action, formula.name);
    close();
  };
  return (
    <Dialog
      open
      onClose={close}
      title={t`${formula.name} is past its ${over.clock === 'out' ? t`time on the bench` : t`window`}`}
      lead={t`${action.batchId} has been ${whereWords[over.clock]} for ${sayDuration(over.ageS)}, all its times added up; the limit is ${sayDuration(over.limitS)}. The head baker decides whether it is baked. If in doubt, throw it away: local food rules come first.`}
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (!short) release();
        }}
      >
        <Field
          label={t`Why it may still be baked`}
          value={reason}
          maxLength={400}
          onChange={(event) => setReason(event.target.value)}
          hint={t`It goes into the log with your role.`}
        />
        <div className="mt-4 flex justify-end gap-2">
          <Button onClick={close}>{t`Do not bake it`}</Button>
          <Button type="submit" look="hand" disabled={short}>{t`Load it on this decision`}</Button>
        </div>
      </form>
    </Dialog>
  );
};
