const two = (n: number): string => String(n).padStart(2, '0');

/** Why a backup was made: by a person, or in the night, of the demo or of one's own bakery; before a restore. */
export const backupKinds = ['backup', 'nightly', 'own-nightly', 'before-restore'] as const;
export type BackupKind = (typeof backupKinds)[number];

/** The name of a file, which sorts by time; by the clock of this machine. */
export const backupName = (kind: BackupKind, at = new Date()): string =>
  `jokul-${kind}-${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}-${two(at.getHours())}${two(at.getMinutes())}${two(at.getSeconds())}.jsonl.gz`;

export const isBackupName = (name: string): boolean => /^jokul-.*\.jsonl\.gz$/.test(name);
