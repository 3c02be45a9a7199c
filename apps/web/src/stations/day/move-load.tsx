import { plural, t } from '@lingui/core/macro';
import { useState, type KeyboardEvent } from 'react';
import { toast } from 'sonner';
import { atWallClock, inUse, shiftDate, wallClock, readTimeOfDay, type Load } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { useNames } from '../../line/actions';
import { LoadChangeRow } from '../../line/load-change';
import { useSaysLate } from '../../line/say-late';
import { useMove, useTakeReplan } from '../../lib/queries';
import { useWallClock } from '../../lib/clock';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { Field, SelectField } from '../../ui/field';
import { Loading } from '../../ui/states';
import { BrokenRules } from './broken-rules';

/** Where a load is proposed to go. */
export interface Proposal {
  readonly load: Load;
  readonly ovenId: string;
  readonly startS: number;
}

const typing = (target: EventTarget) =>
  target instanceof HTMLInputElement || target instanceof HTMLSelectElement;

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
  const say = useSaysLate();
  const { timeZone } = bakery.rules;
  const { ovens } = inUse(bakery.equipment);
  const [ovenId, setOvenId] = useState(
    ovens.some(({ id }) => id === proposal.ovenId) ? proposal.ovenId : (ovens[0]?.id ?? ''),
  );
  const [startS, setStartS] = useState(Math.round(proposal.startS / 60) * 60);
  const [text, setText] = useState<string | null>(null);
  // Null while the whole load goes.
  const [trays, setTrays] = useState<number | null>(null);
  const [reason, setReason] = useState('');
  const same = trays === null && ovenId === load.ovenId && Math.abs(startS - load.startS) < 60;
  const move = useMove(
    date,
    planVersion,
    same ? null : { loadId: load.id, ovenId, startS, ...(trays !== null && { trays }) },
  );
  const take = useTakeReplan(date);
  const by = (minutes: number) => {
    setText(null);
    setStartS((s) => s + minutes * 60);
  };
  const typed = (value: string) => {
    setText(value);
    const time = readTimeOfDay(value);
    if (time === null) return;
    // The nearest such time: a night goes over midnight.
    const { date: on } = wallClock(load.startS, timeZone);
    const far = (s: number) => Math.abs(s - load.startS);
    const [nearest] = [-1, 0, 1]
      .map((days) => atWallClock(shiftDate(on, days), time, timeZone))
      .sort((a, b) => far(a) - far(b));
    if (nearest !== undefined) setStartS(nearest);
  };
  const oven = (step: number) => {
    const at = ovens.findIndex(({ id }) => id === ovenId);
    setOvenId(ovens[(at + step + ovens.length) % ovens.length]?.id ?? ovenId);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (typing(event.target)) return;
    const minutes = event.shiftKey ? 10 : 1;
    if (event.key === 'ArrowLeft') by(-minutes);
    else if (event.key === 'ArrowRight') by(minutes);
    else if (event.key === 'ArrowUp') oven(-1);
    else if (event.key === 'ArrowDown') oven(1);
    else return;
    event.preventDefault();
  };
  const found = same ? undefined : move.data;
  const badTime = text !== null && !/^([01]\d|2[0-3]):[0-5]\d$/.test(text);
  const newlyLate =
    found?.after.filter(
      ({ order, latePieces }) =>
        latePieces > (found.before.find((late) => late.order.id === order.id)?.latePieces ?? 0),
    ) ?? [];
  const id = found?.id;
  const faults = found?.faults ?? [];
  const breaks = faults.length > 0 && id !== null;
  const knowingly = breaks || newlyLate.length > 0;
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
      <div onKeyDown={onKeyDown}>
        <div className="flex flex-wrap items-end gap-3">
          <div className="min-w-48 flex-1">
            <SelectField label={t`Oven`} value={ovenId} onChange={(event) => setOvenId(event.target.value)}>
              {ovens.map((own) => (
                <option key={own.id} value={own.id}>
                  {own.name}, {own.places} {t`${plural(own.places, { one: 'tray', other: 'trays' })}`}
                </option>
              ))}
            </SelectField>
          </div>
          {load.trays.length > 1 && (
            <div className="w-36">
              <SelectField
                label={t`What goes`}
                value={trays ?? ''}
                onChange={(event) => setTrays(event.target.value === '' ? null : Number(event.target.value))}
              >
                <option value="">{t`all ${load.trays.length} trays`}</option>
                {load.trays.slice(1).map(({ id: trayId }, i) => (
                  <option key={trayId} value={i + 1}>
                    {t`${i + 1} ${i === 0 ? t`tray` : t`trays`} of it`}
                  </option>
                ))}
              </SelectField>
            </div>
          )}
          <div className="w-24">
            <Field
              label={t`Load at`}
              inputMode="numeric"
              className="figures"
              value={text ?? wall.time(startS * 1000)}
              error={badTime ? t`A time such as 05:40.` : undefined}
              onChange={(event) => typed(event.target.value)}
              onBlur={() => setText(null)}
            />
          </div>
          <div role="group" aria-label={t`Earlier or later`} className="flex gap-1">
            {[-10, -1, 1, 10].map((minutes) => (
              <Button
                key={minutes}
                className="figures"
                aria-label={t`${Math.abs(minutes)} min ${minutes < 0 ? t`earlier` : t`later`}`}
                onClick={() => by(minutes)}
              >
                {minutes < 0 ? '−' : '+'}
                {Math.abs(minutes)}
              </Button>
            ))}
          </div>
        </div>
        <div className="mt-4 min-h-40" aria-live="polite">
          {same ? (
            <p className="text-ink-soft">{t`That is where it is.`}</p>
          ) : move.isError ? (
            <p role="alert" className="font-medium text-hand">
              {move.error.message}
            </p>
          ) : !found ? (
            <Loading what={t`what follows`} />
          ) : (
            <div className={move.isPlaceholderData ? 'opacity-60' : ''}>
              {found.faults.length > 0 && (
                <BrokenRules
                  says={id ? t`It breaks a rule of the floor:` : t`It cannot go there:`}
                  faults={found.faults}
                />
              )}
              {newlyLate.length > 0 && (
                <>
                  <p className="font-semibold text-hand">{t`Late because of it:`}</p>
                  <ul className="mb-2 list-disc pl-5">
                    {newlyLate.map((late) => (
                      <li key={late.order.id}>{say(late)}</li>
                    ))}
                  </ul>
                </>
              )}
              {found.faults.length === 0 && newlyLate.length === 0 && (
                <p>{t`It breaks no rule, and nobody is late.`}</p>
              )}
              <ul className="mt-1">
                {found.changes.map((change) => (
                  <LoadChangeRow key={change.loadId} change={change} />
                ))}
              </ul>
            </div>
          )}
          {breaks && (
            <div className="mt-3">
              <Field
                label={t`Why all the same`}
                maxLength={300}
                value={reason}
                hint={t`It is written in the log of the batch. The plan then shows the rule as broken.`}
                onChange={(event) => setReason(event.target.value)}
              />
            </div>
          )}
          {take.isError && (
            <p role="alert" className="mt-2 font-medium text-hand">
              {take.error.message}
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
