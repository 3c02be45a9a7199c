import { t } from '@lingui/core/macro';
import { sayDuration } from '@jokul/core';
import type { WellbeingView } from '@jokul/contracts';

/** One thing that is well, or that somebody should look at. */
export interface Wellbeing {
  readonly what: string;
  readonly well: boolean;
  readonly say: string;
}

const mega = 1e6;
const giga = 1e9;
/** So little room is told, and so little is too little, bytes. */
const littleRoom = 5 * giga;
const tooLittleRoom = giga;
/** A nightly backup is at most so old, with some room, s. */
const oldBackupS = 36 * 3600;
/** A database that takes longer is slow, ms. */
const slowMs = 250;
/** When the start command makes a backup by itself. */
export const nightlyAt = '02:30';

export const sayBytes = (n: number) =>
  n >= giga
    ? `${(n / giga).toFixed(1)} GB`
    : n >= mega
      ? `${(n / mega).toFixed(1)} MB`
      : `${Math.ceil(n / 1000)} kB`;
const count = (n: number, one: string, many: string) => `${n.toLocaleString('en')} ${n === 1 ? one : many}`;

/**
 * Whether all is well, in a baker's words.
 * @param kept entries that this device has not sent yet
 * @param silent cold places whose probe says nothing, or nonsense
 * @param unread cold places that have no probe
 * @param nightly when a backup is made by itself, as this device writes a time
 */
export const wellbeingOf = (
  { database, disk, backup, screens }: WellbeingView,
  kept: number,
  silent: readonly string[],
  unread: readonly string[],
  nightly: string,
): readonly Wellbeing[] => {
  const { ageS = null } = backup ?? {};
  return [
    {
      what: t`Records`,
      well: database.answeredMs < slowMs,
      say: t`${count(database.entries, t`entry is`, t`entries are`)} written down. ${
        database.answeredMs < slowMs
          ? t`The database answers at once.`
          : t`The database is slow: it took ${Math.round(database.answeredMs)} ms to answer. Is the machine busy with something else?`
      }`,
    },
    {
      what: t`This device`,
      well: kept === 0,
      say:
        kept === 0
          ? t`Everything entered here has reached the records.`
          : t`${count(kept, t`entry is`, t`entries are`)} kept here until the server answers. Leave the page open.`,
    },
    {
      what: t`Screens`,
      well: true,
      say:
        screens === 0
          ? t`No screen follows the floor just now.`
          : t`${count(screens, t`screen follows`, t`screens follow`)} the floor.`,
    },
    ...(backup
      ? [
          {
            what: t`Backup`,
            well: ageS !== null && ageS < oldBackupS && backup.missing === null,
            say:
              backup.missing !== null
                ? t`The folder ${backup.missing} is not there. Is its disk connected? Backups are kept on this machine meanwhile.`
                : ageS === null
                  ? t`None yet. The first comes in the night at ${nightly}; “Back up now” makes one at once.`
                  : ageS < oldBackupS
                    ? t`The last is ${sayDuration(ageS)} old, ${sayBytes(backup.bytes)}; ${count(backup.count, 'is', 'are')} kept.`
                    : t`The last is ${sayDuration(ageS)} old: the nightly one did not come. Is the machine off at ${nightly}? “Back up now” makes one at once.`,
          },
        ]
      : []),
    ...(disk
      ? [
          {
            what: t`Disk`,
            well: disk.freeBytes >= littleRoom,
            say:
              disk.freeBytes >= littleRoom
                ? t`${sayBytes(disk.freeBytes)} of ${sayBytes(disk.totalBytes)} are free.`
                : disk.freeBytes >= tooLittleRoom
                  ? t`Only ${sayBytes(disk.freeBytes)} are free. Make room before the records need it.`
                  : t`Only ${sayBytes(disk.freeBytes)} are free: soon nothing can be written down any more. Make room now.`,
          },
        ]
      : []),
    {
      what: t`Probes`,
      well: silent.length === 0,
      say:
        silent.length === 0
          ? unread.length === 0
            ? t`Every cold place says how cold it is.`
            : t`None hangs in ${unread.join(', ')}: read the thermometer there now and then.`
          : t`No sound reading from ${silent.join(', ')}. Hang a thermometer in there, and look at the probe.`,
    },
  ];
};
