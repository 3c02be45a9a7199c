import { t } from '@lingui/core/macro';
import type { Correction, CorrectionKind } from '@jokul/core';
import { Button } from '../ui/button';
import { Shown } from '../ui/shown';
import { useScale } from './grams';
import { Said } from '../ui/said';

const does: Readonly<Record<CorrectionKind, string>> = {
  'take-out': t`Take it out`,
  scale: t`Scale everything else`,
  'top-up': t`Add it`,
  accept: t`Accept it`,
};

/** What can be done about an ingredient that is off: each with its arithmetic, none by itself. */
export const CorrectReading = ({
  name,
  off,
  resolutionG,
  corrections,
  onChoose,
}: {
  name: string;
  off: number;
  resolutionG: number;
  corrections: readonly Correction[];
  onChoose: (correction: Correction) => void;
}) => {
  const scale = useScale();
  return (
    <div role="group" aria-label={t`${name} is off`} className="mt-3 rounded-md border border-hand p-3">
      <p className="font-semibold text-hand">
        {t`${scale.said(Math.abs(off), resolutionG)} ${off > 0 ? t`over` : t`under`}. What now?`}
      </p>
      <ul className="mt-2 space-y-2">
        {corrections.map((correction) => (
          <li
            key={correction.kind}
            className="grid grid-cols-[11rem_minmax(0,1fr)_auto] items-center gap-3 max-sm:grid-cols-1 max-sm:gap-1"
          >
            <Button className="min-h-12" disabled={!correction.possible} onClick={() => onChoose(correction)}>
              {does[correction.kind]}
            </Button>
            <span className={correction.possible ? '' : 'text-ink-faint'}>
              <Said>{correction.sentence}</Said>
            </span>
            <Shown figure={correction.figure}>{t`arithmetic`}</Shown>
          </li>
        ))}
      </ul>
    </div>
  );
};
