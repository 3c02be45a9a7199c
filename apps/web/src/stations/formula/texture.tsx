import { Popover } from 'radix-ui';
import {
  attributes,
  forecastTexture,
  formatNumber,
  leversFor,
  type Attribute,
  type Formula,
  type LeverMove,
} from '@jokul/core';
import { usePreferences } from '../../lib/preferences';

const signed = (points: number) => `${points >= 0 ? '+' : '−'}${Math.abs(points).toFixed(1)}`;

const Because = ({ moves }: { moves: readonly LeverMove[] }) =>
  moves.length === 0 ? (
    <p className="text-ink-soft">Nothing differs from the reference.</p>
  ) : (
    <table className="w-full text-[13px]">
      <tbody>
        {moves.slice(0, 6).map(({ lever, from, to, points }) => (
          <tr key={lever.id} className="border-t">
            <td className="py-0.5 pr-2">{lever.name}</td>
            <td className="py-0.5 pr-2 text-right figures text-ink-soft">
              {formatNumber(from)} → {formatNumber(to)} {lever.unit}
            </td>
            <td className="py-0.5 text-right figures">{signed(points)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );

const Levers = ({
  attribute,
  want,
  formula,
}: {
  attribute: Attribute;
  want: 'more' | 'less';
  formula: Formula;
}) => (
  <div>
    <p className="mt-2 font-semibold">
      {want === 'more' ? 'More' : 'Less'} {attribute}
    </p>
    <ol className="text-[13px]">
      {leversFor(attribute, want, formula)
        .slice(0, 4)
        .map(({ lever, direction, gain, aside }) => (
          <li key={lever.id} className="border-t py-0.5">
            {direction} {lever.name}: {signed(want === 'more' ? gain : -gain)} a step of{' '}
            {formatNumber(lever.step)} {lever.unit}
            <span className="block text-ink-faint">
              also{' '}
              {aside.map(({ attribute: other, points }) => `${other} ${signed(points)}`).join(', ') ||
                'nothing else'}
            </span>
          </li>
        ))}
    </ol>
  </div>
);

/** Where a formula stands against the bakery's own reference: a mark on a line, opened for the reasons. */
export const Texture = ({ formula, formulas }: { formula: Formula; formulas: readonly Formula[] }) => {
  const { referenceCode, set } = usePreferences();
  const reference = formulas.find(({ code }) => code === referenceCode) ?? formulas[0];
  if (!reference) return null;
  const { scores, because } = forecastTexture(formula, reference);
  return (
    <div>
      <label className="mb-1 flex items-center gap-2 text-[13px] text-ink-soft">
        against
        <select
          aria-label="Reference formula"
          value={reference.code}
          onChange={(event) => set({ referenceCode: event.target.value })}
          className="min-w-0 flex-1 rounded border border-line bg-raised px-1 py-0.5"
        >
          {formulas.map(({ code, name }) => (
            <option key={code} value={code}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <ul>
        {attributes.map((attribute) => (
          <li key={attribute}>
            <Popover.Root>
              <Popover.Trigger
                aria-label={`${attribute} ${scores[attribute].toFixed(1)} of 10, the reference is 5`}
                className="flex w-full items-center gap-2 rounded py-0.5 text-left text-[13.5px] hover:bg-ground"
              >
                <span className="w-[4.7rem] text-ink-soft">{attribute}</span>
                <svg viewBox="0 0 100 14" className="h-3.5 min-w-0 flex-1" aria-hidden>
                  <line x1={2} x2={98} y1={7} y2={7} stroke="var(--line-strong)" />
                  <line x1={50} x2={50} y1={2} y2={12} stroke="var(--ink-faint)" />
                  <line
                    x1={50}
                    x2={2 + 9.6 * scores[attribute]}
                    y1={7}
                    y2={7}
                    stroke="var(--ink)"
                    strokeWidth={2.5}
                  />
                  <circle cx={2 + 9.6 * scores[attribute]} cy={7} r={4} fill="var(--ink)" />
                </svg>
                <span className="w-7 text-right figures underline decoration-dotted underline-offset-4">
                  {scores[attribute].toFixed(1)}
                </span>
              </Popover.Trigger>
              <Popover.Portal>
                <Popover.Content
                  side="left"
                  sideOffset={8}
                  className="z-50 w-96 rounded-lg border border-line-strong bg-surface p-4 shadow-2xl"
                >
                  <p className="font-semibold">
                    {attribute}: {scores[attribute].toFixed(1)}, the reference {reference.name} is 5
                  </p>
                  <Because moves={because[attribute]} />
                  <Levers attribute={attribute} want="more" formula={formula} />
                  <Levers attribute={attribute} want="less" formula={formula} />
                </Popover.Content>
              </Popover.Portal>
            </Popover.Root>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-[12.5px] text-ink-faint">
        A forecast of directions, from what each lever tends to do; its sizes are not calibrated. A trial
        decides.
      </p>
    </div>
  );
};
