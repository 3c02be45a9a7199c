const two = (n: number): string => String(n).padStart(2, '0');

/** Why a backup was made: by a person, or in the night, of the demo or of one of one's own bakeries; before a restore. */
export type BackupKind = 'backup' | 'before-restore' | 'nightly' | `own${'' | `-${number}`}-nightly`;

export const isBackupKind = (kind: string): kind is BackupKind =>
  /^(?:backup|before-restore|(?:own(?:-\d{1,2})?-)?nightly)$/.test(kind);

/** It sorts by time; by the clock of this machine. */
const named = (what: string, at: Date): string =>
  `jokul-${what}-${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}-${two(at.getHours())}${two(at.getMinutes())}${two(at.getSeconds())}`;

export const backupName = (kind: BackupKind, at = new Date()): string => `${named(kind, at)}.jsonl.gz`;

/** The folder that all records go into as tables. */
export const tablesName = (at = new Date()): string => named('tables', at);

export const isBackupName = (name: string): boolean => /^jokul-.*\.jsonl\.gz$/.test(name);
