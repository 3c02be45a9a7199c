import { useState } from 'react';
import type { OutboxItem } from '../journal/outbox';
import { useJournal } from '../journal/store';
import { sendRefused, strikeRefused } from '../journal/sync';
import { saveFile } from '../lib/save-file';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { Field } from '../ui/field';
import { Alarm } from '../ui/states';

type Scalar = string | number;

/** The words and figures of an entry, which a person can put right. */
const scalars = (payload: object): readonly (readonly [string, Scalar])[] =>
  Object.entries(payload).filter(
    (row): row is [string, Scalar] => typeof row[1] === 'string' || typeof row[1] === 'number',
  );

/** massG -> mass g, trayRestS -> tray rest s: the names of the figures as words. */
const asWords = (name: string) => name.replaceAll(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`);

const MendEntry = ({ item, onClose }: { item: OutboxItem; onClose: () => void }) => {
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
        typeof value === 'number' ? Number((given[name] ?? '').replace(',', '.')) : given[name],
      ]),
    ),
  };
  const bad = scalars(entry.payload).some(
    ([name, value]) =>
      typeof value === 'number' &&
      ((given[name] ?? '').trim() === '' || !Number.isFinite(Number(given[name]?.replace(',', '.')))),
  );
  return (
    <Dialog open onClose={onClose} title={`Corrected: ${entry.kind}, ${entry.lot}`} lead={refused ?? ''}>
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
          >
            Save to a file
          </Button>
          <Button
            onClick={() => {
              if (!striking) return setStriking(true);
              void strikeRefused(entry.id);
              onClose();
            }}
          >
            {striking ? 'Press again to strike it' : 'Strike entry'}
          </Button>
          <Button type="submit" look="hand" disabled={bad}>
            Send again
          </Button>
        </div>
      </form>
    </Dialog>
  );
};

/** Entries that the server found wrong, one at a time: nothing of them is lost until a person decides. */
export const SetAside = () => {
  const refused = useJournal((s) => s.refused);
  const [mending, setMending] = useState(false);
  const [first] = refused;
  if (!first) return null;
  return (
    <div className="no-print px-4 pt-3">
      <Alarm
        action={
          <Button size="small" look="hand" onClick={() => setMending(true)}>
            Correct
          </Button>
        }
      >
        <strong className="font-semibold">Not in the log yet</strong> ({first.entry.kind}, {first.entry.lot}):{' '}
        {first.refused} It is kept on this device.
        {refused.length > 1 && ` ${refused.length - 1} more like it.`}
      </Alarm>
      {mending && <MendEntry key={first.entry.id} item={first} onClose={() => setMending(false)} />}
    </div>
  );
};

/** This browser keeps nothing: said at once, with what is at risk. */
export const UnkeptWarning = () => {
  const keeps = useJournal((s) => s.keeps);
  const atRisk = useJournal((s) => s.unkept.size);
  if (keeps) return null;
  return (
    <div className="no-print px-4 pt-3">
      <Alarm>
        <strong className="font-semibold">This browser cannot keep entries</strong> (a private window, or its
        storage is full or switched off). What you press goes to the server at once;{' '}
        {atRisk === 0
          ? 'nothing is waiting now.'
          : `${atRisk === 1 ? '1 entry is' : `${atRisk} entries are`} not there yet and would be lost with this page. Leave it open.`}
      </Alarm>
    </div>
  );
};
