import { Trans } from '@lingui/react/macro';
import { t } from '@lingui/core/macro';
import { foodOf, toppingsFor, totalPercent, type LotState, type Formula } from '@jokul/core';
import { useUnits } from '../lib/units';
import { Shown } from '../ui/shown';

/** What goes on each piece: per piece, for all, and what was set aside. */
export const Toppings = ({
  formula,
  pieces,
  known,
}: {
  formula: Formula;
  pieces: number;
  known: LotState;
}) => {
  const { mass, about } = useUnits();
  const all = toppingsFor(formula, Math.max(1, pieces * formula.piece.massG));
  return (
    <ul className="space-y-1 text-[13.5px]">
      {all.map(({ key, line, name, mass: total }) => {
        const aside = known.weighed.get(key);
        const eachG = (line.percent * formula.piece.massG) / totalPercent(formula);
        const short = aside !== undefined && aside.massG < 0.95 * total.value;
        return (
          <li key={key}>
            {t`${name}: ${mass(Number(eachG.toFixed(1)))} a piece,`}{' '}
            <Shown figure={total}>{about(total.value)}</Shown>{' '}
            <Trans>
              in all
              <span className={`block ${short ? 'font-medium text-hand' : 'text-ink-faint'}`}>
                {aside
                  ? t`${mass(aside.massG)} set aside${short ? t`: not enough` : ''}`
                  : t`nothing set aside yet`}
                {foodOf(line).kind === 'salt' &&
                  t`. Salt right before baking, never before freezing: it draws water.`}
              </span>
            </Trans>
          </li>
        );
      })}
    </ul>
  );
};
