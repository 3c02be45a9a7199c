import { t } from '@lingui/core/macro';
import type { Doneness, Proposals } from '@jokul/core';
import { useUnits } from '../lib/units';
import { Said } from '../ui/said';
import { stateNames } from '../words/names-of-codes';

export type ProposalKey = keyof Proposals;

/** What the recipe says of oven, rest and size: each is taken unless it is left out here. */
export const RecipeProposals = ({
  proposals,
  target,
  left,
  onLeave,
}: {
  readonly proposals: Proposals;
  /** What the minutes come to by the forecast; null while that cannot be said. */
  readonly target: Doneness | null;
  readonly left: ReadonlySet<ProposalKey>;
  readonly onLeave: (key: ProposalKey, leave: boolean) => void;
}) => {
  const { temperature, duration, mass } = useUnits();
  const { butter, oven, minutes, rest, piece } = proposals;
  const [from, to] = minutes ?? [0, 0];
  const rows: readonly (readonly [ProposalKey, string])[] = [
    ...(butter
      ? [['butter', butter === 'browned' ? t`The butter browned` : t`The butter melted`] as const]
      : []),
    ...(oven ? [['oven', t`Oven ${temperature(oven.setC)}, ${oven.fan ? t`fan` : t`still`}`] as const] : []),
    ...(minutes
      ? [
          [
            'minutes',
            `${from === to ? from : `${from}–${to}`} min${target ? t`: ${stateNames[target]} by the forecast` : ''}`,
          ] as const,
        ]
      : []),
    ...(rest
      ? [
          [
            'rest',
            t`Rests ${duration(rest.minS)} or more, ${rest.placeKind === 'freezer' ? t`frozen` : t`chilled`}`,
          ] as const,
        ]
      : []),
    ...(piece
      ? [
          [
            'piece',
            piece.pieces
              ? t`Makes ${piece.pieces}: pieces of ${mass(piece.massG)}`
              : t`Pieces of ${mass(piece.massG)}`,
          ] as const,
        ]
      : []),
  ];
  return (
    <fieldset className="mt-4 rounded-md border bg-surface px-3 py-2">
      <legend className="px-1 text-[13px] font-semibold text-ink-soft">{t`What the recipe says of baking`}</legend>
      {rows.length === 0 ? (
        <p className="text-[13.5px] text-ink-soft">{t`Nothing of oven, rest or size: the formula begins with a middling cookie’s. Change them on Formula.`}</p>
      ) : (
        <div className="flex flex-wrap gap-x-5 gap-y-1">
          {rows.map(([key, says]) => (
            <label key={key} className="thumb inline-flex items-center gap-2">
              <input
                type="checkbox"
                className="size-4 accent-(--ink)"
                checked={!left.has(key)}
                onChange={(event) => onLeave(key, !event.target.checked)}
              />
              <Said>{says}</Said>
            </label>
          ))}
        </div>
      )}
    </fieldset>
  );
};
