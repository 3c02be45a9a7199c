import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { toast } from 'sonner';
import type { BackupsView } from '@jokul/contracts';
import { useWallClock } from '../lib/clock';
import { Button } from '../ui/button';
import { Field } from '../ui/field';
import { RecordsOut } from './records-out';
import { useBackups, useChooseBackups } from './use-backups';
import { sayBytes } from './wellbeing-words';

const nightsOf = (text: string): number | null => {
  const nights = Number(text);
  return text.trim() !== '' && Number.isInteger(nights) && nights >= 1 && nights <= 400 ? nights : null;
};

/** The folder and how many nights stay. */
const PlaceForm = ({ backups }: { readonly backups: BackupsView }) => {
  const { folder, usual, named, keep, missing } = backups;
  const save = useChooseBackups();
  const chosen = missing ?? folder;
  const [path, setPath] = useState(chosen);
  const [nights, setNights] = useState(String(keep));
  const read = nightsOf(nights);
  const changed = path.trim() !== chosen || read !== keep;
  return (
    <form
      aria-label={t`Where backups go`}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (read === null) return;
        const wanted = path.trim();
        save.mutate(
          { folder: named || wanted === usual || wanted === '' ? null : wanted, keep: read },
          {
            onSuccess: (answer) => {
              setPath(answer.backups?.folder ?? wanted);
              toast(t`Backups go into ${answer.backups?.folder ?? wanted}.`);
            },
          },
        );
      }}
    >
      <Field
        label={t`Folder on the machine that Jokul runs on`}
        value={path}
        disabled={named}
        maxLength={400}
        spellCheck={false}
        autoComplete="off"
        error={save.error?.message}
        hint={
          named
            ? t`Named when Jokul was started (JOKUL_BACKUPS).`
            : t`A folder on another disk or on the network survives this machine’s disk.`
        }
        onChange={(event) => {
          save.reset();
          setPath(event.target.value);
        }}
      />
      <div className="mt-3 flex flex-wrap items-end justify-between gap-3">
        <div className="w-32">
          <Field
            label={t`Nights kept`}
            inputMode="numeric"
            className="figures text-right"
            value={nights}
            error={read === null ? t`1 to 400 nights.` : undefined}
            onChange={(event) => setNights(event.target.value)}
          />
        </div>
        <div className="flex flex-wrap gap-2">
          {!named && path !== usual && <Button onClick={() => setPath(usual)}>{t`Usual folder`}</Button>}
          <Button
            type="submit"
            look="primary"
            data-changes
            disabled={!changed || read === null || save.isPending}
          >{t`Save`}</Button>
        </div>
      </div>
    </form>
  );
};

/** The backups of this machine: where they go, which are there, and one at a press. */
export const BackupsPanel = () => {
  const { data, isError } = useBackups();
  const wall = useWallClock();
  if (data === undefined)
    return (
      <p role={isError ? 'alert' : 'status'} className={isError ? 'font-medium text-hand' : 'text-ink-soft'}>
        {isError ? t`The server does not answer.` : t`Looking …`}
      </p>
    );
  if (data === null)
    return (
      <p className="text-ink-soft">{t`Jokul was started in a way of its own: nobody told it where backups go.`}</p>
    );
  const { missing, files, count } = data;
  return (
    <>
      {missing !== null && (
        <p role="alert" className="mb-3 font-medium text-hand">
          {t`${missing} is not there. Is its disk connected? Backups go into ${data.folder} meanwhile.`}
        </p>
      )}
      <PlaceForm key={`${data.folder} ${missing} ${data.keep}`} backups={data} />
      <RecordsOut />
      {files.length === 0 ? (
        <p className="mt-2 text-[13.5px] text-ink-soft">{t`None in this folder yet.`}</p>
      ) : (
        <ul className="mt-2 text-[13.5px]" aria-label={t`The newest backups`}>
          {files.map(({ name, bytes, madeMs }) => (
            <li key={name} className="border-t py-1 first:border-t-0">
              {wall.date(madeMs)}, {wall.time(madeMs)}; {sayBytes(bytes)}
              <span className="block text-[13px] break-all text-ink-soft">{name}</span>
            </li>
          ))}
        </ul>
      )}
      {count > files.length && (
        <p className="text-[13.5px] text-ink-soft">{t`${count - files.length} older ones are there too.`}</p>
      )}
      {files.length > 0 && (
        <p className="mt-2 text-[13px] text-ink-faint">{t`To put one back, stop Jokul and run “npm run restore -- FILE”. What is there then is kept. A folder of tables goes back the same way.`}</p>
      )}
    </>
  );
};
