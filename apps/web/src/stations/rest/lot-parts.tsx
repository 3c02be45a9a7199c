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

/** What is done with which part of a lot, as it is typed. */
const usePart = (props: LotPartsProps) => {
  const { lot, formula, rules } = props;
  const [what, setWhat] = useState<What>('split');
  const [text, setText] = useState('');
  const [reason, setReason] = useState('');
  const [from, setFrom] = useState('');
  const { mass, typed } = useUnits();
  const lots = useJournal((s) => s.floor.lots);
  const inside = lot.stays.findLast(({ outMs }) => outMs === null);
  const portioned = lot.portioned !== null || (inside?.pieces ?? 0) > 0;
  const pieces = portioned ? Number(text.trim() === '' ? Number.NaN : text) : 0;
  const massG = portioned ? pieces * formula.piece.massG : typed(text, 'mass');
  const source = lots.get(from);
  const mostG =
    what === 'merge' ? (source?.stays.at(-1)?.massG ?? 0) : (inside?.massG ?? balanceOf(lot, formula).leftG);
  const wrong = (): string | undefined => {
    if (text.trim() === '') return undefined;
    if (portioned && !(Number.isInteger(pieces) && pieces > 0)) return t`A whole number of pieces.`;
    if (!(massG > 0)) return t`A weight above 0.`;
    if (massG > mostG + 0.5)
      return t`There are only ${portioned ? t`${Math.floor(mostG / formula.piece.massG)} pieces` : mass(mostG)}.`;
    return undefined;
  };
  const incomplete =
    text.trim() === '' ||
    wrong() !== undefined ||
    (what === 'discard' && reason.trim().length < 3) ||
    (what === 'merge' && !source) ||
    (what === 'take' && !inside);
  const save = () => {
    const said = portioned ? t`${plural(pieces, { one: '# piece', other: '# pieces' })}` : mass(massG);
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
  };
  return {
    what,
    setWhat,
    text,
    setText,
    reason,
    setReason,
    from,
    setFrom,
    portioned,
    wrong: wrong(),
    incomplete,
    save,
  };
};

/** The form for a part; begun anew each time that it is opened. */
const PartForm = ({ onClose, ...props }: LotPartsProps & { readonly onClose: () => void }) => {
  const { lot, formula } = props;
  const part = usePart(props);
  const { label } = useUnits();
  const lots = useJournal((s) => s.floor.lots);
  const others = [...lots.values()].filter(
    (other) =>
      other.lot !== lot.lot &&
      productOf(other.lot) === productOf(lot.lot) &&
      other.stays.some(({ outMs }) => outMs === null),
  );
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

/** Parts of a lot: split, taken out, merged, thrown away; the grams balance. */
export const LotParts = (props: LotPartsProps) => {
  const { lot, formula } = props;
  const [open, setOpen] = useState(false);
  const { mass } = useUnits();
  const close = () => setOpen(false);
  return (
    <>
      <Button icon={<Scissors size={16} />} onClick={() => setOpen(true)}>{t`Parts`}</Button>
      <Dialog
        open={open}
        onClose={close}
        title={t`Parts of ${lot.lot}`}
        lead={t`${formula.name}: ${mass(balanceOf(lot, formula).leftG)} are left.`}
      >
        <PartForm {...props} onClose={close} />
      </Dialog>
    </>
  );
};
