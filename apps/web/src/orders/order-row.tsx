import { t } from '@lingui/core/macro';
import { Repeat2, X } from 'lucide-react';
import { useWallClock } from '../lib/clock';
import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import { type Formula, readTimeOfDay } from '@jokul/core';
import type { OrderView } from '@jokul/contracts';
import { useAddOrder, useChangeOrder, useRemoveOrder, useTakeBack } from '../lib/queries';
import { sayWeekdays } from './say-weekdays';

interface OrderRowProps {
  readonly order: OrderView;
  readonly date: string;
  readonly formulas: readonly Formula[];
  /** First line of its ready-by: a rule above it parts the times. */
  readonly newTime: boolean;
}

const cell =
  'rounded border border-transparent bg-transparent px-1.5 py-0.5 hover:border-line-strong focus:border-ink focus:bg-raised aria-[invalid=true]:border-hand';

/** Takes a line off the list, or leaves a standing one out for the day; with an undo. */
const useTakeOff = (date: string) => {
  const remove = useRemoveOrder();
  const add = useAddOrder(date);
  const back = useTakeBack(date);
  return (order: OrderView) => {
    const { customer, productCode, pieces, readyBy, standing } = order;
    // The row is gone before the answer is here: what follows must not hang on it.
    remove
      .mutateAsync(order)
      .then(() =>
        toast(
          t`${pieces} ${productCode} for ${customer} ${standing ? t`left out this day` : t`taken off the list`}.`,
          {
            action: {
              label: t`Undo`,
              onClick: () =>
                standing ? back.mutate(standing.id) : add.mutate({ customer, productCode, pieces, readyBy }),
            },
            duration: 10_000,
          },
        ),
      )
      .catch((error: Error) => toast.error(error.message));
  };
};

const wrongWith = (draft: { readonly pieces: string; readonly readyBy: string }): string | null => {
  if (readTimeOfDay(draft.readyBy) === null)
    return t`"${draft.readyBy}" is no time of day; write it as 05:40.`;
  const pieces = Number(draft.pieces);
  return Number.isInteger(pieces) && pieces >= 1 && pieces <= 20_000
    ? null
    : t`Pieces must be a whole number from 1 to 20,000; "${draft.pieces}" is not. Take the line off to bake none.`;
};

const ForWhom = ({ order: { customer, standing } }: { readonly order: OrderView }) => (
  <td className="py-0.5 pr-3">
    {customer}
    {standing && (
      <Repeat2
        size={14}
        className="ml-1.5 inline align-[-2px] text-ink-faint"
        role="img"
        aria-label={t`Standing order, ${sayWeekdays(standing.weekdays)}`}
      />
    )}
  </td>
);

const Problem = ({ says }: { readonly says: string }) => (
  <tr>
    <td colSpan={5} role="alert" className="pb-1 text-right text-[13px] font-medium text-hand">
      {says}
    </td>
  </tr>
);

/** One line of the bake list, edited in place: leave the field or press Enter to save, Escape to go back. */
export const OrderRow = ({ order, date, formulas, newTime }: OrderRowProps) => {
  const said = useWallClock().ofDay(order.readyBy);
  const [draft, setDraft] = useState({ pieces: String(order.pieces), readyBy: said });
  const [problem, setProblem] = useState<string | null>(null);
  const change = useChangeOrder();
  const takeOff = useTakeOff(date);
  useEffect(() => {
    setDraft({ pieces: String(order.pieces), readyBy: said });
    setProblem(null);
  }, [order.pieces, said, order.version]);

  const save = () => {
    const pieces = Number(draft.pieces);
    const readyBy = readTimeOfDay(draft.readyBy);
    if (pieces === order.pieces && readyBy === order.readyBy) return setProblem(null);
    const wrong = wrongWith(draft);
    if (wrong !== null || readyBy === null) return setProblem(wrong);
    const { id, customer, productCode, version } = order;
    change.mutate(
      { id, customer, productCode, pieces, readyBy, version },
      { onSuccess: () => setProblem(null), onError: (error) => setProblem(error.message) },
    );
  };
  const keys = (event: React.KeyboardEvent<HTMLInputElement>) => {
    if (event.key === 'Enter') event.currentTarget.blur();
    if (event.key === 'Escape') {
      setDraft({ pieces: String(order.pieces), readyBy: said });
      setProblem(null);
    }
  };
  const formula = formulas.find((f) => f.code === order.productCode);
  return (
    <>
      <tr className={`border-t ${newTime ? 'border-line-strong' : ''}`}>
        <td className="py-0.5 pr-3">
          <input
            inputMode="numeric"
            aria-label={t`Ready by, ${order.customer}, ${order.productCode}`}
            className={`${cell} figures -ml-1.5 w-16`}
            value={draft.readyBy}
            onChange={(event) => setDraft({ ...draft, readyBy: event.target.value })}
            onBlur={save}
            onKeyDown={keys}
          />
        </td>
        <ForWhom order={order} />
        <td className="py-0.5 pr-3">
          <span className="figures text-[13px] text-ink-soft">{order.productCode}</span>{' '}
          {formula?.name ?? t`unknown formula`}
        </td>
        <td className="py-0.5 pr-3 text-right">
          <input
            inputMode="numeric"
            aria-label={t`Pieces, ${order.customer}, ${order.productCode}`}
            aria-invalid={problem !== null}
            className={`${cell} figures -mr-1.5 w-20 text-right`}
            value={draft.pieces}
            onChange={(event) => setDraft({ ...draft, pieces: event.target.value })}
            onBlur={save}
            onKeyDown={keys}
          />
        </td>
        <td className="no-print w-8 text-right">
          <button
            type="button"
            aria-label={t`Take ${order.productCode} for ${order.customer} off the list`}
            className="rounded p-1 text-ink-faint hover:bg-surface hover:text-ink"
            onClick={() => takeOff(order)}
          >
            <X size={15} />
          </button>
        </td>
      </tr>
      {problem && <Problem says={problem} />}
    </>
  );
};
