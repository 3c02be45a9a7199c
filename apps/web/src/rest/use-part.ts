import { plural, t } from '@lingui/core/macro';
import { useState } from 'react';
import { toast } from 'sonner';
import {
  isSameDough,
  lotAllergens,
  lotWhich,
  lotBalance,
  oldestAge,
  partId,
  partOff,
  type AgeRules,
  type Formula,
  type LotState,
} from '@jokul/core';
import { useDoughNow } from '../line/dough-now';
import { record, useJournal } from '../journal/store';
import { nowMs } from '../lib/clock';
import { useBakery } from '../lib/queries';
import { useUnits } from '../lib/units';

/** What can be done with a part of a lot. */
export type What = 'split' | 'take' | 'merge' | 'discard';
export const whats: Readonly<Record<What, string>> = {
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

export interface LotPartsProps {
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
  doughC: number | undefined,
  as: Formula | undefined,
) => {
  const into = partId(lot.lot, [...lots, ...lot.splits.map((part) => part.into)]);
  for (const { lot: of, kind, payload } of partOff(
    lot,
    { into, massG, pieces, ...(doughC !== undefined && { doughC }), ...(as && { as }) },
    formula,
    rules.kindOf,
    nowMs(),
  ))
    record(kind, of, payload);
  return into;
};

/** What is done with which part of a lot, as it is typed. */
export const usePart = (props: LotPartsProps) => {
  const { lot, formula, rules } = props;
  const [what, setWhat] = useState<What>('split');
  const [text, setText] = useState('');
  const [reason, setReason] = useState('');
  const [from, setFrom] = useState('');
  const [as, setAs] = useState('');
  const { mass, typed } = useUnits();
  const lots = useJournal((s) => s.floor.lots);
  const inside = lot.stays.findLast(({ outMs }) => outMs === null);
  const doughNow = useDoughNow(inside ? { lot, formula } : null);
  // Pieces are what they are; dough in a tub may still become any product of the same dough.
  const formulas = useBakery().data?.formulas ?? [];
  const portioned = lot.portioned !== null || (inside?.pieces ?? 0) > 0;
  const pieces = portioned ? Number(text.trim() === '' ? Number.NaN : text) : 0;
  const alike = portioned
    ? []
    : formulas.filter((other) => other.code !== formula.code && isSameDough(other, formula));
  const other = alike.find(({ code }) => code === as);
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
    (what === 'take' && !inside) ||
    (what === 'split' && doughNow === undefined);
  const save = () => {
    const said = portioned ? t`${plural(pieces, { one: '# piece', other: '# pieces' })}` : mass(massG);
    if (what === 'split')
      toast(t`${said} are now ${splitOff(props, massG, pieces, lots.keys(), doughNow?.meanC, other)}.`);
    if (what === 'take' && inside) {
      record('rest-out', lot.lot, { placeId: inside.placeId, massG, pieces });
      toast(t`${said} of ${lot.lot} taken out.`);
    }
    if (what === 'discard') {
      record('discarded', lot.lot, { massG, pieces, reason: reason.trim() });
      toast(t`${said} of ${lot.lot} thrown away.`);
    }
    if (what === 'merge' && source) {
      record('merged', lot.lot, {
        from,
        massG,
        age: oldestAge(source, rules.kindOf, nowMs()),
        allergens: lotAllergens(source, source.begun?.formula ?? formula),
        which: lotWhich(source, source.begun?.formula ?? formula),
      });
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
    alike,
    as,
    setAs,
    portioned,
    wrong: wrong(),
    incomplete,
    save,
  };
};
