import { plural, t } from '@lingui/core/macro';
import type { OrderView } from '@jokul/contracts';
import { useWallClock } from '../lib/clock';
import { sumOf } from './product-totals';

interface CustomerQueueProps {
  readonly orders: readonly OrderView[];
  readonly customers: readonly string[];
  /** Whose lines are shown; null for all. */
  readonly chosen: string | null;
  readonly onChoose: (customer: string | null) => void;
}

/** For whom the list is: everyone, or one of them. */
export const CustomerQueue = ({ orders, customers, chosen, onChoose }: CustomerQueueProps) => {
  const wall = useWallClock();
  const button = (name: string | null, pieces: number, detail: string) => (
    <button
      key={name ?? 'all'}
      type="button"
      aria-pressed={chosen === name}
      onClick={() => onChoose(name)}
      className={`block w-full border-l-[3px] px-3 py-2 text-left ${chosen === name ? 'border-ink bg-ground font-semibold' : 'border-transparent hover:bg-ground'}`}
    >
      <span className="flex justify-between gap-2">
        <span className="min-w-0 text-balance">{name ?? t`Everyone`}</span>
        <span className="figures text-[13px] text-ink-soft">{pieces}</span>
      </span>
      <span className="block text-[13px] font-normal text-ink-faint">{detail}</span>
    </button>
  );
  return (
    <>
      {button(
        null,
        sumOf(orders),
        t`${plural(customers.length, { one: '# customer', other: '# customers' })}`,
      )}
      {customers.map((name) => {
        const own = orders.filter((order) => order.customer === name);
        const times = [...new Set(own.map((order) => wall.ofDay(order.readyBy)))];
        return button(name, sumOf(own), t`ready by ${times.join(', ')}`);
      })}
    </>
  );
};
