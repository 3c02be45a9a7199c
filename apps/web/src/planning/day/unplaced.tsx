import { plural, t } from '@lingui/core/macro';
import { Link, useLocation } from 'react-router';
import type { Unplaced } from '@jokul/core';
import { useNames } from '../../line/actions';
import { buttonClass } from '../../ui/button';
import { Said } from '../../ui/said';

/** What found no room, and why. */
export const UnplacedList = ({
  unplaced,
  marked = false,
}: {
  readonly unplaced: readonly Unplaced[];
  /** With a bar beside each, where other things stand around. */
  readonly marked?: boolean;
}) => {
  const names = useNames();
  return (
    <ul className="space-y-2">
      {unplaced.map((u) => (
        <li key={u.batchId} className={marked ? 'border-l-2 border-hand pl-2' : ''}>
          <strong>{t`${names.product(u.productCode)}, ${plural(u.pieces, { one: '# piece', other: '# pieces' })}`}</strong>
          <span className={`block ${marked ? 'text-[13.5px]' : 'text-ink-soft'}`}>
            <Said>{u.reason}</Said>
          </span>
        </li>
      ))}
    </ul>
  );
};

/** No load of the day could be placed: why, and where it can be changed. */
export const NothingPlaced = ({ unplaced }: { readonly unplaced: readonly Unplaced[] }) => {
  const { search } = useLocation();
  return (
    <section aria-label={t`Why nothing is planned`} className="rounded-lg border bg-surface p-5">
      <h2 className="mb-2 text-lg font-semibold">{t`No load could be placed`}</h2>
      <UnplacedList unplaced={unplaced} />
      <Link to={`/orders${search}`} className={`mt-4 ${buttonClass()}`}>{t`Change the orders`}</Link>
    </section>
  );
};
