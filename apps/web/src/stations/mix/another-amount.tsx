import { t } from '@lingui/core/macro';
import { useState } from 'react';
import {
  amountsFor,
  doughDensityGPerMl,
  doughFor,
  ingredient,
  JokulError,
  mixerRange,
  doughPerPiece,
  splitBatches,
  stockLimits,
  weighSheet,
  type Equipment,
  type Formula,
  type HouseRules,
  type MixTarget,
  type StockLine,
} from '@jokul/core';
import { useUnits } from '../../lib/units';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { Field, SelectField } from '../../ui/field';
import { Shown } from '../../ui/shown';
import { useScale } from './grams';
import { Said } from '../../ui/said';

const kinds = {
  pieces: t`a number of pieces`,
  trays: t`a number of trays`,
  dough: t`a dough mass`,
  fill: t`a full bowl`,
  stock: t`what is in stock`,
} as const;
type Kind = keyof typeof kinds;

const number = (text: string) => Number(text.replace(',', '.'));

interface AnotherAmountProps {
  readonly formula: Formula;
  readonly equipment: Equipment;
  readonly rules: HouseRules;
  readonly perTray: number;
  readonly onClose: () => void;
}

/** A batch for any target: dough, split over the mixers with its alternatives, and the sheet. */
export const AnotherAmount = ({ formula, equipment, rules, perTray, onClose }: AnotherAmountProps) => {
  const { mass, label, figure, typed } = useUnits();
  const scale = useScale();
  const [kind, setKind] = useState<Kind>('pieces');
  const [amount, setAmount] = useState<Record<Kind, string>>({
    pieces: '60',
    trays: '5',
    dough: figure(4000, 'mass'),
    fill: '45',
    stock: '',
  });
  const [mixerId, setMixerId] = useState(equipment.mixers[0]?.id ?? '');
  const [stock, setStock] = useState<Record<string, string>>({});
  const density = doughDensityGPerMl(formula);
  const losses = {
    bowlShare: rules.bowlLossShare,
    portionShare: rules.portionLossShare,
    testPieces: rules.testPieces,
  };
  const stockG = Object.fromEntries(
    Object.entries(stock)
      .map(([id, text]) => [id, typed(text, 'mass')] as const)
      .filter(([, massG]) => massG > 0),
  );
  const target = (): MixTarget => {
    const value = number(amount[kind]);
    const mixer = equipment.mixers.find(({ id }) => id === mixerId);
    if (kind === 'pieces') return { kind, pieces: value };
    if (kind === 'trays') return { kind, trays: value, perTray };
    if (kind === 'dough') return { kind, massG: typed(amount.dough, 'mass') };
    if (kind === 'fill' && mixer) return { kind, mixer, fill: value / 100, densityGPerMl: density };
    return { kind: 'stock', stockG };
  };
  const compute = () => {
    try {
      const dough = doughFor(target(), formula, losses);
      const splits = splitBatches(
        dough.value,
        equipment.mixers.map((mixer) => mixerRange(mixer, density)),
        doughPerPiece([{ pieces: 1, pieceMassG: formula.piece.massG }], losses),
      );
      const first = splits[0]?.batches[0]?.massG ?? dough.value;
      const limits: readonly StockLine[] = kind === 'stock' ? stockLimits(formula, stockG) : [];
      return {
        dough,
        splits,
        limits,
        sheet: weighSheet(amountsFor(formula, first), equipment.scales),
        problem: '',
      };
    } catch (error) {
      if (!(error instanceof JokulError)) throw error;
      return { dough: null, splits: [], limits: [], sheet: null, problem: error.message };
    }
  };
  const { dough, splits, limits, sheet, problem } = compute();
  const nameOf = (id: string) => equipment.mixers.find((mixer) => mixer.id === id)?.name ?? id;
  const fillOf = (id: string, massG: number) => {
    const mixer = equipment.mixers.find((m) => m.id === id);
    return mixer
      ? t`${((massG / density / (mixer.bowlL * 1000)) * 100).toFixed(0)} % of the bowl, ${((massG / mixer.maxMassG) * 100).toFixed(0)} % of its load`
      : '';
  };
  const lines = formula.stages.flatMap(({ lines: own }) => own);
  return (
    <Dialog
      open
      onClose={onClose}
      title={t`${formula.name} for another amount`}
      lead={t`A sheet to work from; the day’s plan stays as it is.`}
      wide
    >
      <div className="grid grid-cols-2 gap-3">
        <SelectField
          label={t`Made for`}
          value={kind}
          onChange={(event) => setKind(event.target.value as Kind)}
        >
          {Object.entries(kinds).map(([id, name]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </SelectField>
        {kind !== 'stock' && (
          <Field
            label={
              {
                pieces: t`Pieces`,
                trays: t`Trays of ${perTray} pieces`,
                dough: label(t`Dough`, 'mass'),
                fill: t`Fill, %`,
              }[kind]
            }
            inputMode="decimal"
            value={amount[kind]}
            onChange={(event) => setAmount({ ...amount, [kind]: event.target.value })}
          />
        )}
        {kind === 'fill' && (
          <SelectField label={t`Mixer`} value={mixerId} onChange={(event) => setMixerId(event.target.value)}>
            {equipment.mixers.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </SelectField>
        )}
      </div>
      {kind === 'stock' && (
        <div className="mt-3 grid grid-cols-3 gap-x-4 gap-y-1 max-sm:grid-cols-2">
          {[...new Set(lines.map(({ ingredientId }) => ingredientId))].map((id) => {
            const limit = limits.find(({ ingredientId }) => ingredientId === id);
            return (
              <label key={id} className="flex items-center justify-between gap-2 text-[13.5px]">
                <span className={limit?.limits ? 'font-semibold' : ''}>
                  {ingredient(id).name}
                  {limit && (
                    <span className="block text-[12.5px] text-ink-faint">
                      {limit.limits ? t`runs out first` : t`${mass(limit.leftG)} left`}
                    </span>
                  )}
                </span>
                <input
                  aria-label={t`Stock of ${ingredient(id).name}, g`}
                  inputMode="decimal"
                  placeholder="g"
                  value={stock[id] ?? ''}
                  onChange={(event) => setStock({ ...stock, [id]: event.target.value })}
                  className="figures w-24 rounded border border-line bg-raised px-1.5 py-0.5 text-right"
                />
              </label>
            );
          })}
        </div>
      )}
      {problem ? (
        <p role="alert" className="mt-4 font-medium text-hand">
          {problem}
        </p>
      ) : (
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
            <ul className="mt-1 text-[13.5px]">
              {splits.map((split, i) => (
                <li
                  key={split.reason + split.batches.map((b) => b.mixerId).join()}
                  className={i === 0 ? '' : 'text-ink-faint'}
                >
                  {i === 0 ? t`Take: ` : t`Or: `}
                  {split.batches
                    .map(
                      (b) => t`${mass(b.massG)} in the ${nameOf(b.mixerId)} (${fillOf(b.mixerId, b.massG)})`,
                    )
                    .join(' + ')}
                  ; <Said>{split.reason}</Said>.
                </li>
              ))}
            </ul>
            {sheet && (
              <table className="mt-3 w-full text-[14px]">
                <caption className="pb-1 text-left text-[13px] text-ink-soft">{t`The sheet of the first batch`}</caption>
                <tbody>
                  {sheet.lines.map((line) => (
                    <tr key={line.key} className="border-t">
                      <td className="py-0.5">{line.name}</td>
                      <td className="py-0.5 text-right figures">
                        {scale.said(line.roundedG, line.resolutionG)}
                      </td>
                      <td className="py-0.5 pl-3 text-right text-ink-soft">
                        <Shown figure={line.exact}>{line.exact.value.toFixed(2)}</Shown>
                      </td>
                      <td className="py-0.5 pl-3 text-[13px] text-ink-soft">{line.scaleId}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            )}
          </div>
        )
      )}
      <div className="mt-4 flex justify-end gap-2">
        <Button onClick={() => window.print()}>{t`Print`}</Button>
        <Button look="primary" onClick={onClose}>{t`Done`}</Button>
      </div>
    </Dialog>
  );
};
