import { t } from '@lingui/core/macro';
import { productIs } from '@jokul/core';
import { useJournal } from '../journal/store';
import { useUnits } from '../lib/units';
import { Fact, Facts } from '../line/station';
import { Button } from '../ui/button';
import { Field, SelectField } from '../ui/field';
import { balanceOf, usePart, whats, type LotPartsProps, type What } from './use-part';

/** What of a lot was made, worked in, split off, thrown away, loaded, and is left. */
const Balance = ({ balance }: { readonly balance: ReturnType<typeof balanceOf> }) => {
  const { mass } = useUnits();
  const rows: readonly (readonly [string, number])[] = [
    [t`Worked in`, balance.mergedInG],
    [t`Split off`, balance.splitOffG],
    [t`Thrown away`, balance.discardedG],
    [t`Loaded`, balance.bakedG],
  ];
  return (
    <Facts>
      <Fact name={t`Made`}>{mass(balance.madeG)}</Fact>
      {rows.map(
        ([name, massG]) =>
          massG > 0 && (
            <Fact key={name} name={name}>
              {mass(massG)}
            </Fact>
          ),
      )}
      <Fact name={t`Left`}>{mass(balance.leftG)}</Fact>
    </Facts>
  );
};

/** What a part becomes, or which other lot is worked in. */
const OtherDough = ({
  part,
  lot,
  formula,
}: LotPartsProps & { readonly part: ReturnType<typeof usePart> }) => {
  const { mass } = useUnits();
  const lots = useJournal((s) => s.floor.lots);
  const others = [...lots.values()].filter(
    (other) =>
      other.lot !== lot.lot &&
      productIs(other.lot, other) === productIs(lot.lot, lot) &&
      other.stays.some(({ outMs }) => outMs === null),
  );
  return (
    <>
      {part.what === 'split' && part.alike.length > 0 && (
        <SelectField
          label={t`To become`}
          value={part.as}
          onChange={(event) => part.setAs(event.target.value)}
        >
          <option value="">{t`${formula.name}, as it is`}</option>
          {part.alike.map(({ code, name, piece }) => (
            <option key={code} value={code}>
              {t`${name}, ${mass(piece.massG)} a piece`}
            </option>
          ))}
        </SelectField>
      )}
      {part.what === 'merge' && (
        <SelectField
          label={t`From the lot`}
          value={part.from}
          onChange={(event) => part.setFrom(event.target.value)}
        >
          <option value="">{t`choose`}</option>
          {others.map((other) => (
            <option key={other.lot}>{other.lot}</option>
          ))}
        </SelectField>
      )}
    </>
  );
};

/** The form for a part; begun anew each time that it is opened. */
export const PartForm = ({ onClose, ...props }: LotPartsProps & { readonly onClose: () => void }) => {
  const { lot, formula } = props;
  const part = usePart(props);
  const { label } = useUnits();
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (part.incomplete) return;
        part.save();
        onClose();
      }}
    >
      <div className="grid gap-3">
        <SelectField
          label={t`What`}
          value={part.what}
          onChange={(event) => part.setWhat(event.target.value as What)}
        >
          {(Object.keys(whats) as What[]).map((key) => (
            <option key={key} value={key}>
              {whats[key]}
            </option>
          ))}
        </SelectField>
        <OtherDough part={part} {...props} />
        <Field
          label={part.portioned ? t`Pieces` : label(t`Weight`, 'mass')}
          inputMode="decimal"
          value={part.text}
          onChange={(event) => part.setText(event.target.value)}
          error={part.wrong}
        />
        {part.what === 'discard' && (
          <Field
            label={t`Why`}
            value={part.reason}
            maxLength={400}
            onChange={(event) => part.setReason(event.target.value)}
          />
        )}
      </div>
      <Balance balance={balanceOf(lot, formula)} />
      <div className="mt-4 flex justify-end gap-2">
        <Button onClick={onClose}>{t`Cancel`}</Button>
        <Button type="submit" look={part.what === 'discard' ? 'hand' : 'primary'} disabled={part.incomplete}>
          {{ split: t`Split off`, take: t`Take out`, merge: t`Work in`, discard: t`Throw away` }[part.what]}
        </Button>
      </div>
    </form>
  );
};
