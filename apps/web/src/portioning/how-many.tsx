import { t } from '@lingui/core/macro';
import type { countPieces, Figure } from '@jokul/core';
import { useUnits } from '../lib/units';
import { Shown } from '../ui/shown';
import { Fact, Facts, WhySection } from '../line/station';

interface HowManyProps {
  readonly count: ReturnType<typeof countPieces>;
  /** Pieces that the plan counts on. */
  readonly planned: number;
  /** What each would weigh if as many were made, where that is in order. */
  readonly lighter: Figure | null;
}

/** How many pieces the dough gives, and what is left over. */
export const HowMany = ({ count, planned, lighter }: HowManyProps) => {
  const { mass, about } = useUnits();
  return (
    <WhySection title={t`How many`}>
      <Facts>
        <Fact name={t`Pieces`}>
          <Shown figure={count.pieces} />
        </Fact>
        <Fact name={t`Left over`}>
          <Shown figure={count.remainder}>{about(count.remainder.value)}</Shown>
        </Fact>
        {count.spreadMass && (
          <Fact name={t`spread evenly: each piece`}>
            <Shown figure={count.spreadMass}>{mass(Number(count.spreadMass.value.toFixed(1)))}</Shown>
          </Fact>
        )}
        {lighter && (
          <Fact name={t`all ${planned} planned: each piece`}>
            <Shown figure={lighter}>{mass(Number(lighter.value.toFixed(1)))}</Shown>
          </Fact>
        )}
      </Facts>
      <p className="mt-1 text-[13px] text-ink-soft">{t`Planned: ${planned}. The remainder can be spread over all pieces, become a smaller test piece, or go back to the cold.`}</p>
    </WhySection>
  );
};
