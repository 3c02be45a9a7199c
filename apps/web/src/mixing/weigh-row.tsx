import { t } from '@lingui/core/macro';
import { Check } from 'lucide-react';
import type { LotState, Scale, WeighLine } from '@jokul/core';
import { Shown } from '../ui/shown';
import { scaleName, useScale } from './grams';

interface WeighRowProps {
  readonly line: WeighLine;
  readonly known: LotState;
  readonly scales: readonly Scale[];
  readonly onScale: boolean;
  /** The batch was scaled since it was weighed. */
  readonly wantsMore: boolean;
  /** What of the same ingredient is held back for the pieces. */
  readonly apart: WeighLine | undefined;
  readonly onChoose: () => void;
}

/** An ingredient of the weigh sheet: what to weigh on which scale, and what was weighed. */
export const WeighRow = ({ line, known, scales, onScale, wantsMore, apart, onChoose }: WeighRowProps) => {
  const scale = useScale();
  const weighed = known.weighed.get(line.key);
  const done = weighed !== undefined && !wantsMore;
  const outside = weighed && Math.abs(weighed.massG - line.roundedG) > line.toleranceG + 1e-9;
  return (
    <tr className={`border-t ${onScale ? 'bg-raised' : ''}`}>
      <td className="py-0.5">
        <button
          type="button"
          aria-label={done ? t`${line.name} is weighed` : t`Put ${line.name} on the scale`}
          disabled={done || known.mixed !== null}
          onClick={onChoose}
          className={`grid size-6 place-items-center rounded border pointer-coarse:size-11 ${done ? 'border-ink bg-inverse text-inverse-ink' : 'border-line-strong bg-raised'}`}
        >
          {done && <Check size={15} />}
        </button>
      </td>
      <td className="py-0.5 pr-3">
        {line.name}
        {apart && (
          <span className="block text-[13px] text-ink-soft">
            {t`besides ${scale.said(apart.roundedG, apart.resolutionG)} held back for the pieces`}
          </span>
        )}
        {weighed?.late && <span className="text-[13px] font-medium text-hand"> {t`added late`}</span>}
        {weighed?.lotCode && <span className="text-[13px] text-ink-faint"> {t`lot ${weighed.lotCode}`}</span>}
      </td>
      <td className="py-0.5 pr-3 text-right figures">{scale.said(line.roundedG, line.resolutionG)}</td>
      <td className="py-0.5 pr-3 text-[13px] text-ink-soft max-sm:hidden">
        {scaleName(scales, line.scaleId)}, {scale.step(line.resolutionG)}
      </td>
      <td className="py-0.5 pr-3 text-right max-sm:hidden">
        <Shown figure={line.exact} className="text-ink-soft">
          {scale.exact(line.exact.value)}
        </Shown>
      </td>
      <td className={`py-0.5 text-right figures ${outside ? 'font-semibold text-hand' : ''}`}>
        {weighed ? scale.said(weighed.massG, line.resolutionG) : ''}
        {wantsMore && weighed && (
          <span className="block text-[12.5px]">{t`+${scale.said(line.roundedG - weighed.massG, line.resolutionG)} more`}</span>
        )}
        {weighed?.decision && (
          <span className="block text-[12.5px] font-normal text-ink-faint">
            {weighed.decision === 'scale' ? t`others scaled to match` : t`accepted`}
          </span>
        )}
      </td>
    </tr>
  );
};
