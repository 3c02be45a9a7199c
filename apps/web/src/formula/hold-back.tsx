import { t } from '@lingui/core/macro';
import { heldBackShare, holdBack, foodOf, type FormulaLine } from '@jokul/core';
import { useDraft } from './draft-store';

const shares = [0, 0.05, 0.1, 0.15, 0.2, 0.25, 0.33, 0.5];

/** How much of an ingredient is kept out of the dough for the top. */
export const HoldBack = ({ line }: { readonly line: FormulaLine }) => {
  const draft = useDraft((s) => s.draft);
  const change = useDraft((s) => s.change);
  if (!draft) return null;
  const food = foodOf(line);
  const share = Math.round(heldBackShare(draft, line) * 100) / 100;
  // Chips, nuts and fruit are meant to be seen; flour and butter are not.
  if (share === 0 && food.kind !== 'inclusion') return null;
  const choices = shares.includes(share) ? shares : [...shares, share].sort((a, b) => a - b);
  return (
    <select
      aria-label={t`${food.name}, held back for the top`}
      value={share}
      className={`ml-auto rounded border bg-raised px-1 py-0.5 text-[13px] ${share > 0 ? 'border-line-strong' : 'border-transparent text-ink-soft'}`}
      onChange={({ target }) => change(holdBack(draft, line, Number(target.value)))}
    >
      {choices.map((one) => (
        <option key={one} value={one}>
          {one === 0 ? t`all into the dough` : t`${Math.round(one * 100)} % held back for the top`}
        </option>
      ))}
    </select>
  );
};
