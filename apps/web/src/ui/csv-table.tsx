import { t } from '@lingui/core/macro';
import { Download, FileUp } from 'lucide-react';
import { useRef, useState, type ReactNode } from 'react';
import { toast } from 'sonner';
import { JokulError } from '@jokul/core';
import { saveFile } from '../lib/save-file';
import { Button } from './button';
import { FileInput } from './file-input';

/** A row of a table that was opened, and why it was not read. */
interface ReadRow {
  readonly line: number;
  readonly name: string;
  readonly troubles: readonly string[];
}

export interface OpenedTable<Row extends ReadRow> {
  /** The file's. */
  readonly name: string;
  readonly rows: readonly Row[];
  /** Why it is no such table at all. */
  readonly problem: string | null;
}

interface CsvTableProps<Row extends ReadRow> {
  readonly saveLabel: string;
  readonly openLabel: string;
  readonly fileLabel: string;
  readonly fileName: string;
  /** What is saved; null where there is nothing to save yet. */
  readonly csv: (() => string) | null;
  readonly read: (text: string) => readonly Row[];
  /** What a table that was opened would do, and the press that does it. */
  readonly children: (opened: OpenedTable<Row>, done: () => void) => ReactNode;
}

/** Something to a spreadsheet and back. */
export const CsvTable = <Row extends ReadRow>(props: CsvTableProps<Row>) => {
  const [opened, setOpened] = useState<OpenedTable<Row> | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const { csv } = props;
  const open = async (file: File): Promise<OpenedTable<Row>> => {
    try {
      return { name: file.name, rows: props.read(await file.text()), problem: null };
    } catch (error) {
      if (!(error instanceof JokulError)) throw error;
      return { name: file.name, rows: [], problem: error.message };
    }
  };
  return (
    <>
      <div className="no-print mb-3 flex flex-wrap items-center gap-2">
        <Button
          size="small"
          icon={<Download size={15} />}
          disabled={csv === null}
          onClick={() => csv && saveFile(props.fileName, 'text/csv', csv())}
        >
          {props.saveLabel}
        </Button>
        <Button size="small" icon={<FileUp size={15} />} onClick={() => input.current?.click()}>
          {props.openLabel}
        </Button>
        <FileInput
          input={input}
          label={props.fileLabel}
          accept=".csv,.tsv,.txt,text/csv"
          onChoose={(file) => void open(file).then(setOpened, () => toast.error(t`The file cannot be read.`))}
        />
      </div>
      {opened && props.children(opened, () => setOpened(null))}
    </>
  );
};

interface TableLookProps {
  readonly label: string;
  readonly opened: OpenedTable<ReadRow>;
  /** What it would do, in sentences. */
  readonly says: ReactNode;
  /** Why it was not taken. */
  readonly refused: string | null;
  /** The press that takes it, where there is something to take. */
  readonly take: ReactNode;
  readonly onLeave: () => void;
}

/** What a table that was opened would do, before it is done; each row that is not read with its reason. */
export const TableLook = ({ label, opened, says, refused, take, onLeave }: TableLookProps) => {
  const troubled = opened.rows.filter(({ troubles }) => troubles.length > 0);
  return (
    <section aria-label={label} className="mb-4 max-w-3xl rounded-lg border bg-surface p-4">
      <p className="font-semibold break-all">{opened.name}</p>
      {opened.problem ? (
        <p role="alert" className="font-medium text-hand">
          {opened.problem}
        </p>
      ) : (
        <>
          {says}
          {troubled.length > 0 && (
            <ul className="mt-2 space-y-1" aria-label={t`Not read`}>
              {troubled.map(({ line, name, troubles }) => (
                <li key={line} className="border-l-2 border-hand pl-2 text-[13.5px]">
                  {t`Row ${line}${name ? `, ${name}` : ''}: ${troubles.join(' ')}`}
                </li>
              ))}
            </ul>
          )}
        </>
      )}
      {refused && (
        <p role="alert" className="mt-2 font-medium text-hand">
          {refused}
        </p>
      )}
      <div className="mt-3 flex gap-2">
        {take}
        <Button onClick={onLeave}>{t`Leave it`}</Button>
      </div>
    </section>
  );
};
