import { t } from '@lingui/core/macro';
import { useState } from 'react';
import type { MixStep } from '@jokul/core';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { Field } from '../ui/field';

/** A stage that should not begin yet, and why. */
export interface Asking {
  readonly step: MixStep;
  readonly missing: string;
  readonly egg: boolean;
}

/** Asks why a stage begins that should not. */
export const StartAnyway = ({
  asking,
  onClose,
  onStart,
}: {
  readonly asking: Asking | null;
  readonly onClose: () => void;
  readonly onStart: (asking: Asking, reason: string) => void;
}) => {
  const [reason, setReason] = useState('');
  return (
    <Dialog
      open={asking !== null}
      onClose={onClose}
      title={asking?.egg ? t`Too hot for egg` : t`Not everything is weighed`}
      lead={asking?.missing}
    >
      <Field
        label={t`Start anyway, because`}
        value={reason}
        maxLength={400}
        onChange={(event) => setReason(event.target.value)}
      />
      <div className="mt-4 flex justify-end gap-2">
        <Button look="primary" onClick={onClose}>
          {asking?.egg ? t`Let it cool` : t`Weigh it first`}
        </Button>
        <Button
          look="hand"
          disabled={reason.trim().length < 3}
          onClick={() => {
            if (asking) onStart(asking, reason.trim());
            setReason('');
          }}
        >{t`Start anyway`}</Button>
      </div>
    </Dialog>
  );
};
