import { Trans } from '@lingui/react/macro';
import { t } from '@lingui/core/macro';
import { Popover } from 'radix-ui';
import {
  attributes,
  forecastTexture,
  formatNumber,
  leversFor,
  type Attribute,
  type Formula,
  type ByLevers,
  type ScoreMove,
} from '@jokul/core';
import { usePreferences } from '../lib/preferences';
import { useShape } from './use-shape';
import { attributeNames } from '../words/names-of-codes';
import { Said } from '../ui/said';

const signed = (points: number) => `${points >= 0 ? '+' : '−'}${Math.abs(points).toFixed(1)}`;

const said = (value: number | string) => (typeof value === 'number' ? formatNumber(value) : value);

const Because = ({ moves }: { moves: readonly ScoreMove[] }) =>
  moves.length === 0 ? (
    <p className="text-ink-soft">{t`Nothing differs from the reference.`}</p>
  ) : (
    <table className="w-full text-[13px]">
      <tbody>
        {moves.slice(0, 6).map(({ id, name, unit, from, to, points }) => (
          <tr key={id} className="border-t">
            <td className="py-0.5 pr-2">{name}</td>
            <td className="py-0.5 pr-2 text-right figures text-ink-soft">
              <Said>{`${said(from)} → ${said(to)} ${unit}`}</Said>
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
      {want === 'more' ? t`More` : t`Less`} {attributeNames[attribute]}
    </p>
    <ol className="text-[13px]">
      {leversFor(attribute, want, formula)
        .slice(0, 4)
        .map(({ lever, direction, gain, aside }) => (
          <li key={lever.id} className="border-t py-0.5">
            <Trans>
              {direction} {lever.name}: {signed(want === 'more' ? gain : -gain)} a step of{' '}
              <Said>{`${formatNumber(lever.step)} ${lever.unit}`}</Said>
              <span className="block text-ink-faint">
                also{' '}
                {aside.map(({ attribute: other, points }) => `${other} ${signed(points)}`).join(', ') ||
                  t`nothing else`}
              </span>
            </Trans>
          </li>
        ))}
    </ol>
  </div>
);

/** A score of the texture as a mark on a line, opened for its reasons. */
const Score = ({
  attribute,
  score,
  moves,
  formula,
  reference,
}: {
  readonly attribute: Attribute;
  readonly score: number;
  readonly moves: readonly ScoreMove[];
  readonly formula: Formula;
  readonly reference: Formula;
}) => (
  <Popover.Root>
    <Popover.Trigger
      aria-label={t`${attributeNames[attribute]} ${score.toFixed(1)} of 10, the reference is 5`}
      className="flex w-full items-center gap-2 rounded py-0.5 text-left text-[13.5px] hover:bg-ground"
    >
      <span className="w-[4.7rem] text-ink-soft">{attributeNames[attribute]}</span>
      <svg viewBox="0 0 100 14" className="h-3.5 min-w-0 flex-1" aria-hidden>
        <line x1={2} x2={98} y1={7} y2={7} stroke="var(--line-strong)" />
        <line x1={50} x2={50} y1={2} y2={12} stroke="var(--ink-faint)" />
        <line x1={50} x2={2 + 9.6 * score} y1={7} y2={7} stroke="var(--ink)" strokeWidth={2.5} />
        <circle cx={2 + 9.6 * score} cy={7} r={4} fill="var(--ink)" />
      </svg>
      <span className="w-7 text-right figures underline decoration-dotted underline-offset-4">
        {score.toFixed(1)}
      </span>
    </Popover.Trigger>
    <Popover.Portal>
      <Popover.Content
        side="left"
        sideOffset={8}
        className="z-50 w-96 rounded-lg border border-line-strong bg-surface p-4 shadow-2xl"
      >
        <p className="font-semibold">
          {t`${attributeNames[attribute]}: ${score.toFixed(1)}, the reference ${reference.name} is 5`}
        </p>
        <Because moves={moves} />
        <Levers attribute={attribute} want="more" formula={formula} />
        <Levers attribute={attribute} want="less" formula={formula} />
      </Popover.Content>
    </Popover.Portal>
  </Popover.Root>
);

const isByLevers = (attribute: Attribute): attribute is ByLevers =>
  attribute !== 'spread' && attribute !== 'thickness';

/** Where a formula stands against the bakery's own reference: by levers, and by the bake model for its shape. */
export const Texture = ({ formula, formulas }: { formula: Formula; formulas: readonly Formula[] }) => {
  const { referenceCode, set } = usePreferences();
  const reference = formulas.find(({ code }) => code === referenceCode) ?? formulas[0];
  const { shape, failed } = useShape(formula, reference);
  if (!reference) return null;
  const texture = forecastTexture(formula, reference);
  const scoreOf = (attribute: Attribute) => {
    if (isByLevers(attribute)) return { score: texture.scores[attribute], moves: texture.because[attribute] };
    return shape && { score: shape.scores[attribute], moves: shape.because[attribute] };
  };
  return (
    <div>
      <label className="mb-1 flex items-center gap-2 text-[13px] text-ink-soft">
        {t`against`}
        <select
          aria-label={t`Reference formula`}
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
        {attributes.map((attribute) => {
          const found = scoreOf(attribute);
          return (
            <li key={attribute}>
              {found ? (
                <Score attribute={attribute} {...found} formula={formula} reference={reference} />
              ) : (
                <p className="flex gap-2 py-0.5 text-[13.5px] text-ink-soft" role="status">
                  <span className="w-[4.7rem]">{attributeNames[attribute]}</span>
                  {failed ? t`the bake model cannot say` : t`baking …`}
                </p>
              )}
            </li>
          );
        })}
      </ul>
      <p className="mt-1 text-[12.5px] text-ink-faint">{t`Spread and thickness as the bake model has them, a point for 3 % across and 6 % in height. The others are directions, from what each lever tends to do; their sizes are not calibrated. A trial decides.`}</p>
    </div>
  );
};
