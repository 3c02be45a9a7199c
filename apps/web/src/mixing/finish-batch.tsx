import { t } from '@lingui/core/macro';
import { useState } from 'react';
import {
  openLines,
  weighedMassG,
  workedS,
  type BatchPlan,
  type Formula,
  type LotState,
  type WeighLine,
  type WeighSheet,
} from '@jokul/core';
import { record } from '../journal/store';
import { useWallClock } from '../lib/clock';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { Field } from '../ui/field';
import { DoughLook } from './dough-look';

interface FinishBatchProps {
  readonly batch: BatchPlan;
  readonly formula: Formula;
  readonly sheet: WeighSheet;
  readonly known: LotState;
  readonly usualC: number;
}

const MixedAt = ({ mixed }: { readonly mixed: NonNullable<LotState['mixed']> }) => {
  const wall = useWallClock();
  const { temperature } = useUnits();
  const { atMs, who, doughC, missing, reason } = mixed;
  return (
    <p className="mt-3 rounded-md border bg-surface px-3 py-2">
      {t`Mixed at ${wall.time(atMs)} by ${who}, dough at ${temperature(doughC, 1)}.`}
      {missing.length > 0 && (
        <strong className="text-hand"> {t`Without ${missing.join(', ')}: ${reason ?? ''}`}</strong>
      )}
    </p>
  );
};

/** Asks why a batch goes on without what is not weighed. */
const WithoutThem = ({
  open,
  missing,
  onClose,
  onFinish,
}: {
  readonly open: boolean;
  readonly missing: readonly WeighLine[];
  readonly onClose: () => void;
  readonly onFinish: (reason: string) => void;
}) => {
  const [reason, setReason] = useState('');
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title={t`Not everything is in the bowl`}
      lead={t`Not weighed yet: ${missing.map((line) => line.name).join(', ')}.`}
    >
      <p className="mb-3">{t`Weigh them now and fold them in, if it is not too late. If the batch goes on without them, say why; it is recorded with the lot.`}</p>
      <Field
        label={t`Reason`}
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        maxLength={400}
      />
      <div className="mt-4 flex justify-end gap-2">
        <Button look="primary" onClick={onClose}>{t`Weigh them`}</Button>
        <Button
          look="hand"
          disabled={reason.trim().length < 3}
          onClick={() => onFinish(reason.trim())}
        >{t`Finish without them`}</Button>
      </div>
    </Dialog>
  );
};

/** The end of mixing: dough temperature, and the guard against a forgotten ingredient. */
export const FinishBatch = ({ batch, formula, sheet, known, usualC }: FinishBatchProps) => {
  // Empty: what nobody measured must not be one press away from the log.
  const [doughC, setDoughC] = useState('');
  const [asking, setAsking] = useState(false);
  const [roomC, setRoomC] = useState('');
  const [butterC, setButterC] = useState('');
  const { temperature, label, typed, range } = useUnits();
  if (known.mixed) return <MixedAt mixed={known.mixed} />;
  const missing = openLines(sheet, known);
  const stageS = [...known.stages.values()].reduce((sum, { durationS }) => sum + durationS, 0);
  const [room, butter] = [roomC, butterC].map((text) => typed(text, 'temperature'));
  const value = typed(doughC, 'temperature');
  /** Optional, but what is there must be a temperature of a kitchen. */
  const odd = (text: string, valueC: number | undefined) =>
    text.trim() !== '' && !(valueC !== undefined && valueC >= -5 && valueC <= 45);
  const open = doughC.trim() === '';
  const wrong = !open && (!Number.isFinite(value) || value < 5 || value > 40);
  const weighedG = weighedMassG(known, formula);
  const finish = (why?: string) => {
    record('mixed', batch.batchId, {
      doughC: value,
      massG: Math.round(weighedG > 0 ? weighedG : batch.massG),
      missing: missing.map((line) => line.name),
      ...(why && { reason: why }),
      ...(roomC.trim() !== '' &&
        Number.isFinite(room) && { roomC: room, workedS: stageS || workedS(formula) }),
      ...(butterC.trim() !== '' && Number.isFinite(butter) && { butterC: butter }),
    });
    setAsking(false);
  };
  return (
    <div className="no-print mt-3 border-t border-line-strong pt-3">
      <div className="flex items-end gap-3">
        <div className="w-40">
          <Field
            label={label(t`Dough off the mixer`, 'temperature')}
            inputMode="decimal"
            value={doughC}
            onChange={(event) => setDoughC(event.target.value)}
            hint={t`target ${temperature(usualC)}`}
            error={wrong ? `${range(5, 40, 'temperature')}.` : undefined}
          />
        </div>
        <div className="w-24">
          <Field
            label={label(t`Room`, 'temperature')}
            inputMode="decimal"
            value={roomC}
            placeholder={t`optional`}
            error={odd(roomC, room) ? range(-5, 45, 'temperature') : undefined}
            onChange={(event) => setRoomC(event.target.value)}
          />
        </div>
        <div className="w-28">
          <Field
            label={label(t`Butter was`, 'temperature')}
            inputMode="decimal"
            value={butterC}
            placeholder={t`optional`}
            error={odd(butterC, butter) ? range(-5, 45, 'temperature') : undefined}
            onChange={(event) => setButterC(event.target.value)}
          />
        </div>
        <Button
          look="primary"
          disabled={wrong || open || odd(roomC, room) || odd(butterC, butter)}
          onClick={() => (missing.length > 0 ? setAsking(true) : finish())}
        >{t`Mixing done`}</Button>
        {missing.length > 0 && <p className="pb-1.5 text-ink-soft">{t`${missing.length} still to weigh`}</p>}
      </div>
      <DoughLook batchId={batch.batchId} sheet={sheet} known={known} doughC={open ? usualC : value} />
      <WithoutThem open={asking} missing={missing} onClose={() => setAsking(false)} onFinish={finish} />
    </div>
  );
};
