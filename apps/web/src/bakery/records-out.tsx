import { t } from '@lingui/core/macro';
import { toast } from 'sonner';
import { useWallClock } from '../lib/clock';
import { Button } from '../ui/button';
import { useBackUpNow, useTablesNow } from './use-backups';
import { nightlyAt } from './wellbeing-words';

const longMs = 20_000;
const failed = (error: Error) => toast.error(error.message, { duration: 10_000 });
const broken = (sentence: string) => toast.error(sentence, { duration: longMs });

/** All records at a press: as a backup, or as tables that any spreadsheet opens. */
export const RecordsOut = () => {
  const make = useBackUpNow();
  const tables = useTablesNow();
  const wall = useWallClock();
  return (
    <div className="mt-4 flex flex-wrap items-center justify-between gap-3 border-t pt-3">
      <p className="text-[13.5px] text-ink-soft">{t`Every night at ${wall.ofDay(nightlyAt)}, and whenever you press.`}</p>
      <div className="flex flex-wrap gap-2">
        <Button
          disabled={tables.isPending}
          title={t`All records, a CSV file for each table, into a folder beside the backups. They can be taken in again.`}
          onClick={() =>
            tables.mutate(undefined, {
              onSuccess: ({ rows, tables: count, file, brokenSeq }) =>
                brokenSeq === null
                  ? toast(t`${rows.toLocaleString('en')} rows in ${count} tables are in ${file}.`, {
                      duration: longMs,
                    })
                  : broken(
                      t`The tables are in ${file}, but the log does not fit together from entry ${brokenSeq} on. Keep older backups.`,
                    ),
              onError: failed,
            })
          }
        >
          {tables.isPending ? t`Writing …` : t`All records as tables`}
        </Button>
        <Button
          disabled={make.isPending}
          onClick={() =>
            make.mutate(undefined, {
              onSuccess: ({ entries, brokenSeq }) =>
                brokenSeq === null
                  ? toast(t`Backed up and read back: ${entries.toLocaleString('en')} entries, all whole.`)
                  : broken(
                      t`Backed up, but the log does not fit together from entry ${brokenSeq} on. Keep older backups.`,
                    ),
              onError: failed,
            })
          }
        >
          {make.isPending ? t`Backing up …` : t`Back up now`}
        </Button>
      </div>
    </div>
  );
};
