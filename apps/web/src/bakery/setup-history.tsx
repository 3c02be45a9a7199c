import { t } from '@lingui/core/macro';
import { useState } from 'react';
import type { BakeryView, SetupChanges, SetupChangeView, SetupFile } from '@jokul/contracts';
import { useWallClock } from '../lib/clock';
import { askSetupBefore, useLibrary, useSetupHistory } from '../lib/queries';
import { useSaid } from '../lib/said';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { Alarm, Loading } from '../ui/states';
import { changesNothing, changeWords, SetupChangesList } from './setup-changes';
import { useImportFile } from './use-import-file';

const shownAtFirst = 8;

interface Looked {
  readonly change: SetupChangeView;
  readonly file: SetupFile;
  readonly changes: SetupChanges;
}

/** What one part of the setup would become again. */
const PutBack = ({
  looked,
  bakery,
  busy,
  onClose,
  onPutBack,
}: {
  readonly looked: Looked;
  readonly bakery: BakeryView;
  readonly busy: boolean;
  readonly onClose: () => void;
  readonly onPutBack: () => void;
}) => {
  const named = looked.change.key === 'bakery';
  const zoned = looked.file.bakery.timeZone !== bakery.rules.timeZone;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onPutBack();
      }}
    >
      {named && <p>{t`Name: ${looked.file.bakery.name}`}</p>}
      {zoned && <p>{t`Time zone: ${looked.file.bakery.timeZone.replaceAll('_', ' ')}`}</p>}
      {!(named || zoned) && (
        <SetupChangesList changes={looked.changes} nothing={t`Nothing: it is as it was then.`} />
      )}
      <div className="mt-4 flex justify-end gap-2">
        <Button onClick={onClose}>{t`Cancel`}</Button>
        <Button
          type="submit"
          look="primary"
          disabled={
            busy || (changesNothing(looked.changes) && !zoned && looked.file.bakery.name === bakery.name)
          }
        >{t`Put back`}</Button>
      </div>
    </form>
  );
};

/** One change: when, by whom, what, and the way back. */
const ChangeRow = ({
  change,
  nameOf,
  busy,
  onPutBack,
}: {
  readonly change: SetupChangeView;
  readonly nameOf: (id: string) => string;
  readonly busy: boolean;
  readonly onPutBack: () => void;
}) => {
  const wall = useWallClock();
  const { units } = useUnits();
  const when = `${wall.date(change.atMs)}, ${wall.time(change.atMs)}`;
  return (
    <li className="flex items-start gap-3 py-1.5">
      <div className="min-w-0 flex-1">
        <p className="text-[13px] text-ink-soft">
          {when}
          {change.who && `, ${change.who}`}
        </p>
        <p className="[overflow-wrap:anywhere]">{changeWords(change.what, units, nameOf).join('; ')}</p>
      </div>
      <Button
        size="small"
        aria-label={t`Put back what was before ${when}`}
        disabled={busy}
        onClick={onPutBack}
      >{t`Put back …`}</Button>
    </li>
  );
};

/** Who changed what in Setup, and when; each part goes back to what it was before. */
export const SetupHistory = ({ bakery }: { readonly bakery: BakeryView }) => {
  const history = useSetupHistory(bakery);
  const library = useLibrary();
  const [all, setAll] = useState(false);
  const [looked, setLooked] = useState<Looked | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const inUnits = useSaid((own) => own.say);
  const say = (error: unknown) => setProblem(error instanceof Error ? error.message : String(error));
  const { look, importFile, busy } = useImportFile(say);
  const open = async (change: SetupChangeView) => {
    setProblem(null);
    const file = await askSetupBefore(change.id);
    setLooked({ change, file, changes: await look.mutateAsync({ file, withBakery: true }) });
  };
  const putBack = ({ file, changes }: Looked) => {
    setLooked(null);
    return importFile({
      file,
      withBakery: true,
      versions: changes.versions,
      done: t`Put back. Plans made before are marked as old.`,
    });
  };
  if (history.isPending) return <Loading what={t`the changes`} />;
  if (history.isLoadingError) return <Alarm>{inUnits(history.error.message)}</Alarm>;
  const rows = all ? history.data : history.data.slice(0, shownAtFirst);
  return (
    <>
      {history.data.length === 0 && (
        <p className="text-ink-soft">{t`Nothing was changed yet. What is changed stands here, and can be put back.`}</p>
      )}
      <ol aria-label={t`Changes in Setup`} className="divide-y">
        {rows.map((change) => (
          <ChangeRow
            key={change.id}
            nameOf={(id) => library.get(id)?.name ?? id}
            change={change}
            busy={look.isPending}
            onPutBack={() => void open(change).catch(say)}
          />
        ))}
      </ol>
      {history.data.length > rows.length && (
        <Button size="small" look="quiet" onClick={() => setAll(true)}>
          {t`${history.data.length - rows.length} more`}
        </Button>
      )}
      {problem && (
        <div className="mt-3">
          <Alarm>{inUnits(problem)}</Alarm>
        </div>
      )}
      <Dialog
        open={looked !== null}
        onClose={() => setLooked(null)}
        wide
        title={t`What would be put back`}
        lead={t`That part as it was before the change, with all later changes of it undone. Things that came since are retired. Nothing is changed yet.`}
      >
        {looked && (
          <PutBack
            looked={looked}
            bakery={bakery}
            busy={busy}
            onClose={() => setLooked(null)}
            onPutBack={() => void putBack(looked).catch(say)}
          />
        )}
      </Dialog>
    </>
  );
};
