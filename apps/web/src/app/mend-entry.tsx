import { t } from '@lingui/core/macro';
import { useState } from 'react';
import type { OutboxItem } from '../journal/outbox';
import { sendRefused, strikeRefused } from '../journal/sync';
import { saveFile } from '../lib/save-file';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { Field } from '../ui/field';
import { typedNumber } from '../lib/units';

type Scalar = string | number;

/** The words and figures of an entry, which a person can put right. */
const scalars = (payload: object): readonly (readonly [string, Scalar])[] =>
  Object.entries(payload).filter(
    (row): row is [string, Scalar] => typeof row[1] === 'string' || typeof row[1] === 'number',
  );

/** massG -> mass g, trayRestS -> tray rest s: the names of the figures as words. */
const asWords = (name: string) => name.replaceAll(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`);

/** An entry that the server found wrong: put right and sent again, saved to a file, or struck. */
export const MendEntry = ({ item, onClose }: { item: OutboxItem; onClose: () => void }) => {
  const { entry, refused } = item;
  const [given, setGiven] = useState<Readonly<Record<string, string>>>(() =>
    Object.fromEntries(scalars(entry.payload).map(([name, value]) => [name, String(value)])),
  );
  const [striking, setStriking] = useState(false);
  const mended = {
    ...entry.payload,
    ...Object.fromEntries(
      scalars(entry.payload).map(([name, value]) => [
        name,
        typeof value === 'number' ? typedNumber(given[name] ?? '') : given[name],
      ]),
    ),
  };
  const bad = scalars(entry.payload).some(
    ([name, value]) => typeof value === 'number' && !Number.isFinite(typedNumber(given[name] ?? '')),
  );
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
          {scalars(entry.payload).map(([name]) => (
            <Field
              key={name}
              label={asWords(name)}
              value={given[name] ?? ''}
              onChange={(event) => setGiven({ ...given, [name]: event.target.value })}
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
