import { say } from '@jokul/core';
/** What a database says when something is wrong with it that no waiting for it alone puts right. */
export type Broken =
  | { readonly kind: 'disk-full' }
  | { readonly kind: 'read-only' }
  | { readonly kind: 'table'; readonly table: string };

/** Found so by other means than an error of the driver. */
export class BrokenDatabase extends Error {
  constructor(readonly broken: Broken) {
    super(broken.kind);
  }
}

const full = new Set(['ER_DISK_FULL', 'ER_RECORD_FILE_FULL', 'ENOSPC']);
const locked = new Set(['ER_OPEN_AS_READONLY', 'ER_READ_ONLY_MODE', 'EROFS', 'ER_OPTION_PREVENTS_STATEMENT']);
const tables = new Set([
  'ER_NO_SUCH_TABLE',
  'ER_NO_SUCH_TABLE_IN_ENGINE',
  'ER_CRASHED_ON_USAGE',
  'ER_CRASHED_ON_REPAIR',
  'ER_NOT_KEYFILE',
  'ER_TABLE_CORRUPT',
  'ER_TABLESPACE_MISSING',
  'ER_TABLESPACE_DISCARDED',
  'ER_INDEX_CORRUPT',
]);

/** What is broken by an error of the driver or the file system, or null where it says nothing of that. */
export const brokenBy = (error: unknown): Broken | null => {
  if (typeof error !== 'object' || error === null) return null;
  if (error instanceof BrokenDatabase) return error.broken;
  const code = 'code' in error && typeof error.code === 'string' ? error.code : '';
  const message = error instanceof Error ? error.message : '';
  if (full.has(code) || /No space left on device|errno: 28\b/.test(message)) return { kind: 'disk-full' };
  if (locked.has(code) || /Read-only file system/.test(message)) return { kind: 'read-only' };
  if (tables.has(code)) return { kind: 'table', table: /'(?:[^'.]+\.)?([^'.]+)'/.exec(message)?.[1] ?? '' };
  return 'driverError' in error && error.driverError !== error ? brokenBy(error.driverError) : null;
};

/** What a program reads of it. */
export const codeOfBroken = ({ kind }: Broken): string => (kind === 'table' ? 'records-broken' : kind);

/** What a person reads of it: nothing of what they entered is lost by it. */
export const sayBroken = (broken: Broken): string => {
  if (broken.kind === 'disk-full')
    return say`The disk of the server is full: nothing more can be written down there. What you entered is kept on this device and sent when there is room. Somebody has to make room: old backups first.`;
  if (broken.kind === 'read-only')
    return say`The disk of the server takes nothing in: it can only be read. What you entered is kept on this device. Somebody has to look at that disk.`;
  return say`A part of the records cannot be read${broken.table && ` (${broken.table})`}. Nothing was changed. Stop Jokul and put the last backup back: npm run restore.`;
};
