import { plural, t } from '@lingui/core/macro';
import { Scissors } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import {
  lotBalance,
  oldestAge,
  partId,
  partOff,
  productOf,
  type AgeRules,
  type Formula,
  type LotState,
} from '@jokul/core';
import { record, useJournal } from '../../journal/store';
import { nowMs } from '../../lib/clock';
import { useUnits } from '../../lib/units';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { Field, SelectField } from '../../ui/field';
import { Fact, Facts } from '../../line/station';

type What = 'split' | 'take' | 'merge' | 'discard';
const whats: Readonly<Record<What, string>> = {
  split: t`Split off a part as a lot of its own`,
  take: t`Take a part out, the rest stays`,
  merge: t`Work in dough of another lot`,
  discard: t`Throw dough away`,
};

/** Grams of a lot by what the ledger says. */
export const balanceOf = (lot: LotState, formula: Formula) =>
  lotBalance({
    madeG: lot.mixed?.massG ?? lot.begun?.massG ?? 0,
    merged: lot.merged,
    splits: lot.splits,
    discarded: lot.discarded,
    bakedPieces: [...lot.trays.values()].reduce((sum, tray) => sum + tray.pieces, 0),
    pieceG: formula.piece.massG,
  });

interface LotPartsProps {
  readonly lot: LotState;
  readonly formula: Formula;
  readonly rules: AgeRules;
}

/** Writes down that a part became a lot of its own. */
const splitOff = (
  { lot, formula, rules }: LotPartsProps,
  massG: number,
  pieces: number,
  lots: Iterable<string>,
) => {
  const into = partId(lot.lot, [...lots, ...lot.splits.map((part) => part.into)]);
  for (const { lot: of, kind, payload } of partOff(
    lot,
    { into, massG, pieces },
    formula,
    rules.kindOf,
    nowMs(),
  ))
    record(kind, of, payload);
  return into;
};

/** Parts of a lot: split, taken out, merged, thrown away; the grams balance. */
export const LotParts = (props: LotPartsProps) => {
  const { lot, formula, rules } = props;
  const [open, setOpen] = useState(false);
  const [what, setWhat] = useState<What>('split');
  const [mass, setMass] = useState('');
  const [reason, setReason] = useState('');
  const [from, setFrom] = useState('');
  const units = useUnits();
  const lots = useJournal((s) => s.floor.lots);
  const inside = lot.stays.findLast(({ outMs }) => outMs === null);
  const balance = balanceOf(lot, formula);
  const others = [...lots.values()].filter(
    (other) =>
      other.lot !== lot.lot &&
      productOf(other.lot) === productOf(lot.lot) &&
      other.stays.some(({ outMs }) => outMs === null),
  );
  const portioned = lot.portioned !== null || (inside?.pieces ?? 0) > 0;
  const amount = Number(mass.replace(',', '.'));
  const massG = portioned ? amount * formula.piece.massG : amount;
  const pieces = portioned ? amount : 0;
  const source = lots.get(from);
  const most = what === 'merge' ? (source?.stays.at(-1)?.massG ?? 0) : (inside?.massG ?? balance.leftG);
  const wrong =
    mass.trim() === ''
      ? null
      : !Number.isFinite(amount) || amount <= 0 || (portioned && !Number.isInteger(amount))
        ? portioned
          ? t`A whole number of pieces.`
          : t`Grams, above 0.`
        : massG > most + 0.5
          ? t`There are only ${portioned ? t`${Math.floor(most / formula.piece.massG)} pieces` : units.mass(most)}.`
          : null;
  const incomplete =
    mass.trim() === '' ||
    wrong !== null ||
    (what === 'discard' && reason.trim().length < 3) ||
    (what === 'merge' && !source) ||
    (what === 'take' && !inside);
  const close = () => {
    setOpen(false);
    setMass('');
    setReason('');
  };
  const save = () => {
    const said = portioned ? t`${plural(pieces, { one: '# piece', other: '# pieces' })}` : units.mass(massG);
    if (what === 'split') toast(t`${said} are now ${splitOff(props, massG, pieces, lots.keys())}.`);
    if (what === 'take' && inside) {
      record('rest-out', lot.lot, { placeId: inside.placeId, massG, pieces });
      toast(t`${said} of ${lot.lot} taken out.`);
    }
    if (what === 'discard') {
      record('discarded', lot.lot, { massG, pieces, reason: reason.trim() });
      toast(t`${said} of ${lot.lot} thrown away.`);
    }
    if (what === 'merge' && source) {
      record('merged', lot.lot, { from, massG, age: oldestAge(source, rules.kindOf, nowMs()) });
      record('split', from, { into: lot.lot, massG, pieces });
      toast(t`${said} of ${from} worked into ${lot.lot}.`);
    }
    close();
  };
  return (
    <>
      <Button icon={<Scissors size={16} />} onClick={() => setOpen(true)}>{t`Parts`}</Button>
      <Dialog
        open={open}
        onClose={close}
        title={t`Parts of ${lot.lot}`}
        lead={t`${formula.name}: ${units.mass(balance.leftG)} are left.`}
      >
        <form
          onSubmit={(event) => {
            event.preventDefault();
            if (!incomplete) save();
          }}
        >
          <div className="grid gap-3">
            <SelectField
              label={t`What`}
              value={what}
              onChange={(event) => setWhat(event.target.value as What)}
            >
              {(Object.keys(whats) as What[]).map((key) => (
                <option key={key} value={key}>
                  {whats[key]}
                </option>
              ))}
            </SelectField>
            {what === 'merge' && (
              <SelectField
                label={t`From the lot`}
                value={from}
                onChange={(event) => setFrom(event.target.value)}
              >
                <option value="">{t`choose`}</option>
                {others.map((other) => (
                  <option key={other.lot}>{other.lot}</option>
                ))}
              </SelectField>
            )}
            <Field
              label={portioned ? t`Pieces` : t`Grams`}
              inputMode="decimal"
              value={mass}
              onChange={(event) => setMass(event.target.value)}
              error={wrong ?? undefined}
            />
            {what === 'discard' && (
              <Field
                label={t`Why`}
                value={reason}
                maxLength={400}
                onChange={(event) => setReason(event.target.value)}
              />
            )}
          </div>
          <Facts>
            <Fact name={t`Made`}>{units.mass(balance.madeG)}</Fact>
            {balance.mergedInG > 0 && <Fact name={t`Worked in`}>{units.mass(balance.mergedInG)}</Fact>}
            {balance.splitOffG > 0 && <Fact name={t`Split off`}>{units.mass(balance.splitOffG)}</Fact>}
            {balance.discardedG > 0 && <Fact name={t`Thrown away`}>{units.mass(balance.discardedG)}</Fact>}
            {balance.bakedG > 0 && <Fact name={t`Loaded`}>{units.mass(balance.bakedG)}</Fact>}
            <Fact name={t`Left`}>{units.mass(balance.leftG)}</Fact>
          </Facts>
          <div className="mt-4 flex justify-end gap-2">
            <Button onClick={close}>{t`Cancel`}</Button>
            <Button type="submit" look={what === 'discard' ? 'hand' : 'primary'} disabled={incomplete}>
              {{ split: t`Split off`, take: t`Take out`, merge: t`Work in`, discard: t`Throw away` }[what]}
            </Button>
          </div>
        </form>
      </Dialog>
    </>
  );
};
