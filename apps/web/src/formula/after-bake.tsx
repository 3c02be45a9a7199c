import { t } from '@lingui/core/macro';
import type { AfterBakeRule, Formula } from '@jokul/core';
import { useUnits } from '../lib/units';
import { useDraft } from './draft-store';
import { NumberField } from './number-cell';

/** What is done to the pieces after the oven, said. */
export const AfterBakeSaid = ({ formula }: { readonly formula: Formula }) => {
  const { duration } = useUnits();
  const { flattenPieceS = 0, icePieceS = 0, dryS = 0 } = formula.afterBake ?? {};
  const steps = [
    ...(flattenPieceS > 0 ? [t`pressed flat at the pull, ${flattenPieceS} s each`] : []),
    ...(icePieceS > 0 ? [t`iced when cold, ${icePieceS} s each`] : []),
    ...(icePieceS > 0 && dryS > 0 ? [t`${duration(dryS)} to dry`] : []),
  ];
  return <>{steps.length > 0 ? steps.join(', ') : t`cooled and packed`}</>;
};

/** The same as fields; nothing, or 0, is not done. */
export const AfterBakeFields = ({ afterBake = {} }: { readonly afterBake: AfterBakeRule | undefined }) => {
  const change = useDraft((s) => s.change);
  const set = (part: AfterBakeRule) => change({ afterBake: { ...afterBake, ...part } });
  return (
    <div className="grid grid-cols-2 items-end gap-x-3 gap-y-2 text-[13px] text-ink-soft">
      <NumberField
        name={t`Press flat, s a piece`}
        label={t`Pressing one piece flat, seconds`}
        value={afterBake.flattenPieceS ?? 0}
        min={0}
        max={60}
        onCommit={(flattenPieceS) => set({ flattenPieceS })}
      />
      <NumberField
        name={t`Ice, s a piece`}
        label={t`Icing one piece, seconds`}
        value={afterBake.icePieceS ?? 0}
        min={0}
        max={600}
        onCommit={(icePieceS) => set({ icePieceS })}
      />
      <NumberField
        name={t`Dry, min`}
        label={t`Minutes to dry`}
        value={(afterBake.dryS ?? 0) / 60}
        min={0}
        max={1440}
        onCommit={(minutes) => set({ dryS: minutes * 60 })}
      />
    </div>
  );
};
