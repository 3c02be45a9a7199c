import { t } from '@lingui/core/macro';
import { useState } from 'react';
import {
  doughDensityGPerMl,
  type Equipment,
  type Formula,
  type HouseRules,
  type MixTarget,
} from '@jokul/core';
import { typedCount, typedNumber, useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { Field, SelectField } from '../ui/field';
import { AmountFound } from './amount-found';
import { amountKinds, otherAmount, type AmountKind } from './other-amount';
import { StockFields } from './stock-fields';

interface AnotherAmountProps {
  readonly formula: Formula;
  readonly equipment: Equipment;
  readonly rules: HouseRules;
  readonly perTray: number;
  readonly onClose: () => void;
}

const AmountKindField = ({
  kind,
  onChange,
}: {
  readonly kind: AmountKind;
  readonly onChange: (kind: AmountKind) => void;
}) => (
  <SelectField
    label={t`Made for`}
    value={kind}
    onChange={(event) => onChange(event.target.value as AmountKind)}
  >
    {Object.entries(amountKinds).map(([id, name]) => (
      <option key={id} value={id}>
        {name}
      </option>
    ))}
  </SelectField>
);

/** A batch for any target: dough, split over the mixers with its alternatives, and the sheet. */
export const AnotherAmount = ({ formula, equipment, rules, perTray, onClose }: AnotherAmountProps) => {
  const { label, figure, typed } = useUnits();
  const [kind, setKind] = useState<AmountKind>('pieces');
  const [amount, setAmount] = useState<Record<AmountKind, string>>({
    pieces: '60',
    trays: '5',
    dough: figure(4000, 'mass'),
    fill: '45',
    stock: '',
  });
  const [mixerId, setMixerId] = useState(equipment.mixers[0]?.id ?? '');
  const [stock, setStock] = useState<Record<string, string>>({});
  const stockG = Object.fromEntries(
    Object.entries(stock)
      .map(([id, text]) => [id, typed(text, 'mass')] as const)
      .filter(([, massG]) => massG > 0),
  );
  const target = (): MixTarget => {
    const value = kind === 'pieces' ? typedCount(amount.pieces) : typedNumber(amount[kind]);
    const mixer = equipment.mixers.find(({ id }) => id === mixerId);
    if (kind === 'pieces') return { kind, pieces: value };
    if (kind === 'trays') return { kind, trays: value, perTray };
    if (kind === 'dough') return { kind, massG: typed(amount.dough, 'mass') };
    if (kind === 'fill' && mixer)
      return { kind, mixer, fill: value / 100, densityGPerMl: doughDensityGPerMl(formula) };
    return { kind: 'stock', stockG };
  };
  const found = otherAmount(target(), formula, equipment, rules);
  return (
    <Dialog
      open
      onClose={onClose}
      title={t`${formula.name} for another amount`}
      lead={t`A sheet to work from; the day’s plan stays as it is.`}
      wide
    >
      <div className="grid grid-cols-2 gap-3">
        <AmountKindField kind={kind} onChange={setKind} />
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
        <StockFields
          formula={formula}
          limits={found.limits}
          stock={stock}
          onType={(id, text) => setStock({ ...stock, [id]: text })}
        />
      )}
      <AmountFound {...found} formula={formula} equipment={equipment} rules={rules} />
      <div className="mt-4 flex justify-end gap-2">
        <Button onClick={() => window.print()}>{t`Print`}</Button>
        <Button look="primary" onClick={onClose}>{t`Done`}</Button>
      </div>
    </Dialog>
  );
};
