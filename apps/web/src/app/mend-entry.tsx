import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { showTyped, type TypedKind } from '@jokul/core';
import type { OutboxItem } from '../journal/outbox';
import { sendRefused, strikeRefused } from '../journal/sync';
import { saveFile } from '../lib/save-file';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { Field } from '../ui/field';
import { useUnits, type Units } from '../lib/units';

type Scalar = string | number;

/** The words and figures of an entry, which a person can put right. */
const scalars = (payload: object): readonly (readonly [string, Scalar])[] =>
  Object.entries(payload).filter(
    (row): row is [string, Scalar] => typeof row[1] === 'string' || typeof row[1] === 'number',
  );

/** What a figure is of, by the unit that its name ends in. */
const endings: readonly (readonly [RegExp, TypedKind])[] = [
  [/C$/, 'temperature'],
  [/G$/, 'mass'],
  [/Mm$/, 'length'],
];
const unitOf = (name: string) => endings.find(([ends]) => ends.test(name));
const kindOf = (name: string): TypedKind => unitOf(name)?.[1] ?? 'number';

/** massG -> mass, trayRestS -> tray rest s: the names of the figures as words. */
const asWords = (name: string) =>
  name.replace(unitOf(name)?.[0] ?? '', '').replaceAll(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`);

/** All its digits: a figure that is only looked at must be the one that was sent. */
const asTyped = (value: number, kind: TypedKind, units: Units): string =>
  kind === 'number' || units === 'metric' ? String(value) : showTyped(value, kind, units);

/** One field of an entry that is put right: as it is shown, and as it is sent. */
const useMended = (payload: object) => {
  const { units, typed, label } = useUnits();
  const shown = ([name, value]: readonly [string, Scalar]) =>
    typeof value === 'number' ? asTyped(value, kindOf(name), units) : value;
  const rows = scalars(payload);
  const [given, setGiven] = useState<Readonly<Record<string, string>>>(() =>
    Object.fromEntries(rows.map((row) => [row[0], shown(row)])),
  );
  const fields = rows.map((row) => {
    const [name, value] = row;
    const text = given[name] ?? '';
    // What nobody changed is sent to the last digit, also where it shows as rounded ounces.
    const sent = typeof value === 'string' ? text : text === shown(row) ? value : typed(text, kindOf(name));
    return {
      name,
      text,
      sent,
      label: unitOf(name) ? label(asWords(name), kindOf(name)) : asWords(name),
      isBad: typeof sent === 'number' && !Number.isFinite(sent),
    };
  });
  const set = (name: string, text: string) => setGiven((before) => ({ ...before, [name]: text }));
  return { fields, set };
};

/** An entry that the server found wrong: put right and sent again, saved to a file, or struck. */
export const MendEntry = ({ item, onClose }: { item: OutboxItem; onClose: () => void }) => {
  const { entry, refused } = item;
  const { fields, set } = useMended(entry.payload);
  const [striking, setStriking] = useState(false);
  const bad = fields.some(({ isBad }) => isBad);
  const mended = { ...entry.payload, ...Object.fromEntries(fields.map(({ name, sent }) => [name, sent])) };
  return (
    <Dialog open onClose={onClose} title={t`Corrected: ${entry.kind}, ${entry.lot}`} lead={refused ?? ''}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (bad) return;
          void sendRefused(item, mended);
          onClose();
        }}
      >
        <div className="grid gap-3">
          {fields.map(({ name, label, text }) => (
            <Field
              key={name}
              label={label}
              value={text}
              onChange={(event) => set(name, event.target.value)}
            />
          ))}
        </div>
        <div className="mt-4 flex flex-wrap justify-end gap-2">
          <Button
            onClick={() =>
              saveFile(`${entry.kind}-${entry.lot}.json`, 'application/json', JSON.stringify(item, null, 2))
            }
          >{t`Save to a file`}</Button>
          <Button
            onClick={() => {
              if (!striking) return setStriking(true);
              void strikeRefused(entry.id);
              onClose();
            }}
          >
            {striking ? t`Press again to strike it` : t`Strike entry`}
          </Button>
          <Button type="submit" look="hand" disabled={bad}>{t`Send again`}</Button>
        </div>
      </form>
    </Dialog>
  );
};
