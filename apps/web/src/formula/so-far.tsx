import { t } from '@lingui/core/macro';
import { useUnits } from '../lib/units';
import { Cautions, Fact, Facts, WhySection } from '../line/station';
import { CupSchoolsSideBySide } from './cup-schools';
import type { useReading } from './use-reading';

interface SoFarProps {
  readonly read: number;
  readonly asked: number;
  readonly totalG: number;
  readonly cups: ReturnType<typeof useReading>['reading']['cups'];
}

/** How far the reading is, and what the way of measuring does. */
export const SoFar = ({ read, asked, totalG, cups }: SoFarProps) => {
  const { mass } = useUnits();
  return (
    <>
      <WhySection title={t`So far`}>
        <Facts>
          <Fact name={t`Lines read`}>{read}</Fact>
          <Fact name={t`Open questions`}>{asked}</Fact>
          <Fact name={t`Total weight`}>{mass(totalG)}</Fact>
        </Facts>
      </WhySection>
      <WhySection title={t`What the cup does to the dough`}>
        <CupSchoolsSideBySide cups={cups} />
      </WhySection>
      <Cautions
        items={[
          t`A cup of flour weighs from ${mass(115)} to ${mass(150)} by the way it is filled. Weigh one of yours, and enter it as your own.`,
          t`Allergens follow from the ingredients as they are in the library; check the labels of yours.`,
        ]}
      />
    </>
  );
};
