import { plural, t } from '@lingui/core/macro';
import { inUse, type Load } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { Button } from '../../ui/button';
import { Field, SelectField } from '../../ui/field';
import type { useWhereTo } from './use-where-to';

interface WhereToProps {
  readonly load: Load;
  readonly bakery: BakeryView;
  readonly to: ReturnType<typeof useWhereTo>;
}

/** How many of its trays go. */
const WhichTrays = ({ load, to: { trays, setTrays } }: Omit<WhereToProps, 'bakery'>) => (
  <div className="w-36">
    <SelectField
      label={t`What goes`}
      value={trays ?? ''}
      onChange={(event) => setTrays(event.target.value === '' ? null : Number(event.target.value))}
    >
      <option value="">{t`all ${load.trays.length} trays`}</option>
      {load.trays.slice(1).map(({ id: trayId }, i) => (
        <option key={trayId} value={i + 1}>
          {t`${i + 1} ${i === 0 ? t`tray` : t`trays`} of it`}
        </option>
      ))}
    </SelectField>
  </div>
);

/** Into which oven a load goes, how much of it, and when. */
export const WhereTo = ({ load, bakery, to }: WhereToProps) => {
  const { ovens } = inUse(bakery.equipment);
  return (
    <div className="flex flex-wrap items-end gap-3">
      <div className="min-w-48 flex-1">
        <SelectField label={t`Oven`} value={to.ovenId} onChange={(event) => to.setOvenId(event.target.value)}>
          {ovens.map((own) => (
            <option key={own.id} value={own.id}>
              {own.name}, {own.places} {t`${plural(own.places, { one: 'tray', other: 'trays' })}`}
            </option>
          ))}
        </SelectField>
      </div>
      {load.trays.length > 1 && <WhichTrays load={load} to={to} />}
      <div className="w-24">
        <Field
          label={t`Load at`}
          inputMode="numeric"
          className="figures"
          value={to.time}
          error={to.badTime ? t`A time such as 05:40.` : undefined}
          onChange={(event) => to.typed(event.target.value)}
          onBlur={to.settle}
        />
      </div>
      <div role="group" aria-label={t`Earlier or later`} className="flex gap-1">
        {[-10, -1, 1, 10].map((minutes) => (
          <Button
            key={minutes}
            className="figures"
            aria-label={t`${Math.abs(minutes)} min ${minutes < 0 ? t`earlier` : t`later`}`}
            onClick={() => to.by(minutes)}
          >
            {minutes < 0 ? '−' : '+'}
            {Math.abs(minutes)}
          </Button>
        ))}
      </div>
    </div>
  );
};
