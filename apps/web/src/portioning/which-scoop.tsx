import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { heaped, sayScoop, type Figure, type scoopsFor } from '@jokul/core';
import { useUnits } from '../lib/units';
import { Shown } from '../ui/shown';
import { WhySection } from '../line/station';
import { WeighScoops, type MeasuredScoop } from './weigh-scoops';

interface WhichScoopProps {
  /** The best one first. */
  readonly scoops: ReturnType<typeof scoopsFor>;
  /** Numbers of the scoops that the bakery has. */
  readonly owned: readonly number[];
  readonly measured: MeasuredScoop | null;
  /** Density of the dough, where no scoop was weighed. */
  readonly typical: Figure;
  readonly onMeasured: (scoop: MeasuredScoop | null) => void;
}

/** Which scoop gives the wanted piece, by the dough's density or by scoops that were weighed. */
export const WhichScoop = ({ scoops, owned, measured, typical, onMeasured }: WhichScoopProps) => {
  const { grams } = useUnits();
  const [best] = scoops;
  return (
    <WhySection title={t`Which scoop`}>
      <table className="w-full text-[13.5px]">
        <tbody>
          {scoops.slice(0, 4).map((scoop, i) => (
            <tr key={scoop.number} className={`border-t ${i === 0 ? 'font-semibold' : ''}`}>
              <td className="py-1">{t`${sayScoop(scoop.number)}, ${measured?.filled ?? t`level`}`}</td>
              <td className="py-1 text-right">
                <Shown figure={scoop.mass}>{grams(scoop.mass.value, 1)}</Shown>
              </td>
              <td className="py-1 text-right figures text-ink-soft">
                {scoop.offShare >= 0 ? '+' : '−'}
                {Math.abs(scoop.offShare * 100).toFixed(0)} %
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {!measured && best && (
        <p className="mt-1 text-[12.5px] text-ink-faint">
          <Trans>
            For a dough of <Shown figure={typical}>{typical.value.toFixed(2)} g/mL</Shown>, from its
            composition with 8 % air. Heaped, {sayScoop(best.number)} holds about{' '}
            <Shown figure={heaped(best.mass)}>{grams(heaped(best.mass).value)}</Shown>. Weigh three of yours:
          </Trans>
        </p>
      )}
      <WeighScoops scoops={owned} measured={measured} onMeasured={onMeasured} />
    </WhySection>
  );
};
