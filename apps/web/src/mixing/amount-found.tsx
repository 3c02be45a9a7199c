import { t } from '@lingui/core/macro';
import {
  doughDensityGPerMl,
  type Equipment,
  type Formula,
  type HouseRules,
  type Scale,
  type Split,
  type WeighSheet,
} from '@jokul/core';
import { useUnits } from '../lib/units';
import { Said } from '../ui/said';
import { Shown } from '../ui/shown';
import { scaleName, useScale } from './grams';
import { lossesOf, type OtherAmount } from './other-amount';

/** The first way to split it, and others. */
const Splits = ({
  splits,
  formula,
  equipment,
}: {
  readonly splits: readonly Split[];
  readonly formula: Formula;
  readonly equipment: Equipment;
}) => {
  const { mass } = useUnits();
  const density = doughDensityGPerMl(formula);
  const nameOf = (id: string) => equipment.mixers.find((mixer) => mixer.id === id)?.name ?? id;
  const fillOf = (id: string, massG: number) => {
    const mixer = equipment.mixers.find((m) => m.id === id);
    return mixer
      ? t`${((massG / density / (mixer.bowlL * 1000)) * 100).toFixed(0)} % of the bowl, ${((massG / mixer.maxMassG) * 100).toFixed(0)} % of its load`
      : '';
  };
  return (
    <ul className="mt-1 text-[13.5px]">
      {splits.map((split, i) => (
        <li
          key={split.reason + split.batches.map((b) => b.mixerId).join()}
          className={i === 0 ? '' : 'text-ink-faint'}
        >
          {i === 0 ? t`Take: ` : t`Or: `}
          {split.batches
            .map((b) => t`${mass(b.massG)} in the ${nameOf(b.mixerId)} (${fillOf(b.mixerId, b.massG)})`)
            .join(' + ')}
          ; <Said>{split.reason}</Said>.
        </li>
      ))}
    </ul>
  );
};

const FirstSheet = ({ sheet, scales }: { readonly sheet: WeighSheet; readonly scales: readonly Scale[] }) => {
  const scale = useScale();
  return (
    <table className="mt-3 w-full text-[14px]">
      <caption className="pb-1 text-left text-[13px] text-ink-soft">{t`The sheet of the first batch`}</caption>
      <tbody>
        {sheet.lines.map((line) => (
          <tr key={line.key} className="border-t">
            <td className="py-0.5">{line.name}</td>
            <td className="py-0.5 text-right figures">{scale.said(line.roundedG, line.resolutionG)}</td>
            <td className="py-0.5 pl-3 text-right text-ink-soft">
              <Shown figure={line.exact}>{scale.exact(line.exact.value)}</Shown>
            </td>
            <td className="py-0.5 pl-3 text-[13px] text-ink-soft">{scaleName(scales, line.scaleId)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
};

interface AmountFoundProps extends OtherAmount {
  readonly formula: Formula;
  readonly equipment: Equipment;
  readonly rules: HouseRules;
}

/** What another amount comes to. */
export const AmountFound = ({
  dough,
  splits,
  sheet,
  problem,
  formula,
  equipment,
  rules,
}: AmountFoundProps) => {
  const { mass } = useUnits();
  const losses = lossesOf(rules);
  if (problem)
    return (
      <p role="alert" className="mt-4 font-medium text-hand">
        <Said>{problem}</Said>
      </p>
    );
  return (
    dough && (
      <div className="mt-4 border-t pt-3">
        <p className="text-lg">
          {t`Dough`}{' '}
          <strong>
            <Shown figure={dough}>{mass(dough.value)}</Shown>
          </strong>
          {t`, ${Math.floor(
            (dough.value * (1 - losses.bowlShare) * (1 - losses.portionShare)) / formula.piece.massG,
          )} pieces`}
        </p>

        <Splits splits={splits} formula={formula} equipment={equipment} />
        {sheet && <FirstSheet sheet={sheet} scales={equipment.scales} />}
      </div>
    )
  );
};
