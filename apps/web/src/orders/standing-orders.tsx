import { Trans } from '@lingui/react/macro';
import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { toast } from 'sonner';
import type { Formula } from '@jokul/core';
import type { StandingOrderView } from '@jokul/contracts';
import { useWallClock } from '../lib/clock';
import { useEndStanding, useSaveStanding, useStanding } from '../lib/queries';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { Failed, Loading } from '../ui/states';
import { useNames } from '../line/actions';
import { sayWeekdays } from './say-weekdays';
import { StandingForm } from './standing-form';

/** A date such as 2026-11-27 as the screens write it. */
const useSaysDay = () => {
  const wall = useWallClock();
  return (date: string) => wall.date(Date.parse(`${date}T12:00:00Z`));
};

const Standing = ({
  order,
  date,
  onChange,
}: {
  order: StandingOrderView;
  date: string;
  onChange: () => void;
}) => {
  const wall = useWallClock();
  const names = useNames();
  const day = useSaysDay();
  const end = useEndStanding();
  const save = useSaveStanding();
  const { pieces, productCode, customer, readyBy, weekdays, from, until, version, id } = order;
  const from_ = from > date ? from : date;
  const endIt = () =>
    end.mutate(
      { id, version, from: from_ },
      {
        onSuccess: () =>
          toast(t`${names.product(productCode)} for ${customer} is ended.`, {
            duration: 10_000,
            action: {
              label: t`Undo`,
              onClick: () =>
                save.mutate({
                  id: null,
                  input: {
                    customer,
                    productCode,
                    pieces,
                    readyBy,
                    weekdays: [...weekdays],
                    from: from_,
                    ...(until !== null && { until }),
                  },
                }),
            },
          }),
        onError: (error) => toast.error(error.message, { duration: 10_000 }),
      },
    );
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t py-1.5 first:border-t-0">
      <span className="min-w-0 flex-1 basis-56">
        <Trans>
          <span className="figures">{pieces}</span> {names.product(productCode)} by{' '}
          <span className="figures">{wall.ofDay(readyBy)}</span>
          <span className="block text-[13px] text-ink-soft">
            {sayWeekdays(weekdays)}
            {from > date && t`, from ${day(from)}`}
            {until !== null && t`, until ${day(until)}`}
          </span>
        </Trans>
      </span>
      <Button
        size="small"
        onClick={onChange}
        aria-label={t`Change ${productCode} for ${customer}`}
      >{t`Change`}</Button>
      <Button
        size="small"
        look="quiet"
        disabled={end.isPending}
        onClick={endIt}
        aria-label={t`End ${productCode} for ${customer}`}
      >{t`End`}</Button>
    </li>
  );
};

/** Orders that stand every week: what they are, new ones, changes from a day on, and their end. */
export const StandingOrders = ({
  date,
  formulas,
  customers,
  onClose,
}: {
  readonly date: string;
  readonly formulas: readonly Formula[];
  readonly customers: readonly string[];
  readonly onClose: () => void;
}) => {
  const { data, isLoadingError, error, refetch } = useStanding(date);
  const day = useSaysDay();
  const [changing, setChanging] = useState<string | null>(null);
  const names = [...new Set((data ?? []).map(({ customer }) => customer))];
  const saved = ({ pieces, customer, weekdays, from }: StandingOrderView) => {
    setChanging(null);
    toast(t`${pieces} for ${customer}, ${sayWeekdays(weekdays)}, from ${day(from)}.`);
  };
  const form = (before: StandingOrderView | null) => (
    <StandingForm
      before={before}
      date={date}
      formulas={formulas}
      customers={before ? names : [...new Set([...names, ...customers])]}
      onDone={saved}
    />
  );
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={t`Standing orders`}
      lead={t`Each adds its line on its days, except when the bakery is closed. A single day is changed, or left out, on its own list; a change here holds from ${day(date)} on.`}
    >
      {isLoadingError ? (
        <Failed error={error} onRetry={() => void refetch()} />
      ) : !data ? (
        <Loading what={t`the standing orders`} />
      ) : (
        <>
          {data.length === 0 && <p className="mb-3">{t`None yet. The first one:`}</p>}
          {names.map((name) => (
            <section key={name} className="mb-3">
              <h3 className="font-semibold">{name}</h3>
              <ul>
                {data
                  .filter(({ customer }) => customer === name)
                  .map((order) =>
                    changing === order.id ? (
                      <li key={order.id} className="py-2">
                        {form(order)}
                        <Button
                          size="small"
                          look="quiet"
                          className="mt-1"
                          onClick={() => setChanging(null)}
                        >{t`Cancel`}</Button>
                      </li>
                    ) : (
                      <Standing
                        key={order.id}
                        order={order}
                        date={date}
                        onChange={() => setChanging(order.id)}
                      />
                    ),
                  )}
              </ul>
            </section>
          ))}
          {changing === null && form(null)}
        </>
      )}
    </Dialog>
  );
};
