import { t } from '@lingui/core/macro';
import { Download, Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import type { BakeryView, SetupChanges, SetupFile } from '@jokul/contracts';
import { askSetup } from '../lib/queries';
import { saveFile } from '../lib/save-file';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { FileInput } from '../ui/file-input';
import { Said } from '../ui/said';
import { Alarm } from '../ui/states';
import { SetupChangesList, changesNothing } from './setup-changes';
import { useImportFile } from './use-import-file';

/** A larger file is none of ours, bytes. */
const largest = 1_000_000;

const read = async (file: File): Promise<SetupFile> => {
  if (file.size > largest) throw new Error(t`${file.name} is too large for a setup file.`);
  try {
    return JSON.parse(await file.text()) as SetupFile;
  } catch {
    throw new Error(t`${file.name} is no setup file: it cannot be read as JSON.`);
  }
};

interface Looked {
  readonly file: SetupFile;
  readonly name: string;
  readonly changes: SetupChanges;
}

/** What a file would change, and whether its name and time zone are taken too. */
const FileChanges = ({
  looked,
  bakery,
  busy,
  onClose,
  onUse,
}: {
  readonly looked: Looked;
  readonly bakery: BakeryView;
  readonly busy: boolean;
  readonly onClose: () => void;
  readonly onUse: (withBakery: boolean) => void;
}) => {
  const [withBakery, setWithBakery] = useState(false);
  const { name, timeZone } = looked.file.bakery;
  const other = name !== bakery.name || timeZone !== bakery.rules.timeZone;
  const nothing = changesNothing(looked.changes) && !(other && withBakery);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onUse(withBakery);
      }}
    >
      <SetupChangesList changes={looked.changes} />
      {other && (
        <label className="mt-3 flex items-start gap-2">
          <input
            type="checkbox"
            className="mt-1"
            checked={withBakery}
            onChange={(event) => setWithBakery(event.target.checked)}
          />
          <span>{t`Also take its name and time zone: ${name}, ${timeZone.replaceAll('_', ' ')}`}</span>
        </label>
      )}
      <div className="mt-4 flex justify-end gap-2">
        <Button onClick={onClose}>{t`Cancel`}</Button>
        <Button type="submit" look="primary" disabled={nothing || busy}>
          {busy ? t`Loading …` : t`Use this file`}
        </Button>
      </div>
    </form>
  );
};

const ChooseFile = ({
  busy,
  onChoose,
}: {
  readonly busy: boolean;
  readonly onChoose: (file: File) => void;
}) => {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button icon={<Upload size={16} />} disabled={busy} onClick={() => input.current?.click()}>
        {busy ? t`Reading …` : t`Load a setup file`}
      </Button>
      <FileInput input={input} label={t`Setup file`} accept="application/json,.json" onChoose={onChoose} />
    </>
  );
};

/** The whole setup, saved as a file, and taken in from one after a look at what it changes. */
export const SetupFilePanel = ({ bakery }: { readonly bakery: BakeryView }) => {
  const [looked, setLooked] = useState<Looked | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const say = (error: unknown) => setProblem(error instanceof Error ? error.message : String(error));
  const { look, importFile, busy } = useImportFile(say);

  const save = async () => {
    setProblem(null);
    const setup = await askSetup();
    const name = bakery.name.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-');
    saveFile(`setup-${name}-${bakery.today}.json`, 'application/json', `${JSON.stringify(setup, null, 2)}\n`);
  };
  const open = async (chosen: File) => {
    setProblem(null);
    const file = await read(chosen);
    const changes = await look.mutateAsync({ file, withBakery: false });
    setLooked({ file, name: chosen.name, changes });
  };
  const use = async ({ file, changes }: Looked, withBakery: boolean) => {
    await importFile({
      file,
      withBakery,
      versions: changes.versions,
      done: t`The setup file is in use. Plans made before are marked as old.`,
    });
    setLooked(null);
  };
  return (
    <>
      <p className="mb-2 text-ink-soft">{t`Equipment, people, hours, house rules, own ingredients and formulas: to keep, or to begin another bakery with. Orders, plans and the log are not in it; the backup keeps those.`}</p>
      <div className="flex flex-wrap gap-2">
        <Button
          icon={<Download size={16} />}
          onClick={() => void save().catch(say)}
        >{t`Save the setup`}</Button>
        <ChooseFile busy={look.isPending} onChoose={(file) => void open(file).catch(say)} />
      </div>
      {problem && (
        <div className="mt-3">
          <Alarm>
            <Said>{problem}</Said>
          </Alarm>
        </div>
      )}
      <Dialog
        open={looked !== null}
        onClose={() => setLooked(null)}
        wide
        title={t`What the file would change`}
        lead={
          looked ? t`${looked.name}, from ${looked.file.bakery.name}. Nothing is changed yet.` : undefined
        }
      >
        {looked && (
          <FileChanges
            looked={looked}
            bakery={bakery}
            busy={busy}
            onClose={() => setLooked(null)}
            onUse={(withBakery) =>
              void use(looked, withBakery).catch((error: unknown) => {
                setLooked(null);
                say(error);
              })
            }
          />
        )}
      </Dialog>
    </>
  );
};
