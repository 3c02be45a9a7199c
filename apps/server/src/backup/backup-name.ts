const two = (n: number): string => String(n).padStart(2, '0');

/** Why a backup was made: by a person, or in the night, of the demo or of one of one's own bakeries; before a restore. */
export type BackupKind = 'backup' | 'before-restore' | 'nightly' | `own${'' | `-${number}`}-nightly`;

export const isBackupKind = (kind: string): kind is BackupKind =>
  /^(?:backup|before-restore|(?:own(?:-\d{1,2})?-)?nightly)$/.test(kind);

/** The name of a file, which sorts by time; by the clock of this machine. */
export const backupName = (kind: BackupKind, at = new Date()): string =>
  `jokul-${kind}-${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}-${two(at.getHours())}${two(at.getMinutes())}${two(at.getSeconds())}.jsonl.gz`;

export const isBackupName = (name: string): boolean => /^jokul-.*\.jsonl\.gz$/.test(name);
