import { Check } from 'lucide-react';
import { Link } from 'react-router';
import type { BakeryView } from '@jokul/contracts';

interface Step {
  readonly to: string;
  readonly name: string;
  readonly says: string;
  readonly done: boolean;
}

/** What a bakery does first, in order; each step can be left and come back to. */
export const FirstSteps = ({
  bakery,
  ordered,
}: {
  readonly bakery: BakeryView;
  readonly ordered: boolean;
}) => {
  const steps: readonly Step[] = [
    {
      to: '/setup',
      name: 'Say what the bakery is called and where its clock is',
      says: 'Setup, The bakery',
      done: bakery.name !== 'My bakery',
    },
    {
      to: '/setup',
      name: 'Set up ovens, trays, mixer, scale and cold places',
      says: 'Setup, Equipment: an example of each is there to be changed',
      done: bakery.equipmentVersion > 1,
    },
    {
      to: '/formula/new',
      name: 'Import the first recipe',
      says: 'Formula: paste it as it is written, in grams or cups',
      done: bakery.formulas.length > 0,
    },
    { to: '/orders', name: 'Write down the first order', says: 'here, below', done: ordered },
  ];
  return (
    <section aria-label="First steps" className="mb-4 rounded-lg border bg-surface p-4">
      <h2 className="mb-2 text-lg font-semibold">First steps</h2>
      <ol className="space-y-1.5">
        {steps.map(({ to, name, says, done }, i) => (
          <li key={name} className="flex items-start gap-3">
            <span
              aria-hidden
              className={`figures grid size-6 shrink-0 place-items-center rounded-full border text-[13px] ${done ? 'bg-inverse text-inverse-ink' : ''}`}
            >
              {done ? <Check size={14} /> : i + 1}
            </span>
            <span>
              <Link to={to} className={done ? 'text-ink-soft' : 'font-medium underline underline-offset-4'}>
                {name}
              </Link>
              {done && <span className="sr-only"> (done)</span>}
              <span className="block text-[13px] text-ink-soft">{says}</span>
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
};
