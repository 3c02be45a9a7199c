import { t } from '@lingui/core/macro';
import { sayDuration } from '@jokul/core';
import type { RoomView, WellbeingView } from '@jokul/contracts';
import { useSaid } from '../lib/said';
import { count } from './count-words';
import { troubleOf } from './tablet-words';

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

const records = ({ database, broken }: WellbeingView): Wellbeing => {
  const isQuick = database.answeredMs < slowMs;
  const written = t`${count(database.entries, t`entry is`, t`entries are`)} written down. ${
    isQuick
      ? t`The database answers at once.`
      : t`The database is slow: it took ${Math.round(database.answeredMs)} ms to answer. Is the machine busy with something else?`
  }`;
  return {
    what: t`Records`,
    well: isQuick && broken === null,
    say: broken ? useSaid.getState().say(broken.message) : written,
  };
};

const log = ({ log: last }: WellbeingView): Wellbeing => {
  const well = last === null || last.firstBrokenSeq === null;
  return {
    what: t`Log`,
    well,
    say:
      last === null
        ? t`Not checked yet since Jokul was started; that comes by itself within minutes.`
        : last.firstBrokenSeq === null
          ? t`Checked ${sayDuration(last.ageS)} ago: ${count(last.entries, t`entry`, t`entries`)}, none of them altered.`
          : t`Entry ${last.firstBrokenSeq} does not follow from the one before it: it was changed or removed after it was written. Keep a backup of it as it is; “npm run restore” puts an earlier one back.`,
  };
};

const tablets = ({ devices, screens }: WellbeingView, here: string): Wellbeing => {
  const trouble = devices.filter(({ device }) => device !== here).flatMap(troubleOf);
  return {
    what: t`Tablets`,
    well: trouble.length === 0,
    say:
      trouble.length > 0
        ? trouble.join(' ')
        : screens === 0
          ? t`No screen follows the floor just now.`
          : t`${count(screens, t`screen follows`, t`screens follow`)} the floor; no other device has anything left to send.`,
  };
};

const room = (what: string, { freeBytes, totalBytes }: RoomView): Wellbeing => ({
  what,
  well: freeBytes >= littleRoom,
  say:
    freeBytes >= littleRoom
      ? t`${sayBytes(freeBytes)} of ${sayBytes(totalBytes)} are free.`
      : freeBytes >= tooLittleRoom
        ? t`Only ${sayBytes(freeBytes)} are free. Make room before the records need it.`
        : t`Only ${sayBytes(freeBytes)} are free: soon nothing can be written down any more. Make room now.`,
});

/**
 * Whether all is well, in a baker's words.
 * @param here what the log calls this device, and how many entries it has not sent yet
 * @param silent cold places whose probe says nothing, or nonsense
 * @param unread cold places that have no probe
 * @param nightly when a backup is made by itself, as this device writes a time
 */
export const wellbeingOf = (
  view: WellbeingView,
  here: { readonly device: string; readonly kept: number },
  silent: readonly string[],
  unread: readonly string[],
  nightly: string,
): readonly Wellbeing[] => {
  const { disk, backup } = view;
  const { kept } = here;
  const { ageS = null } = backup ?? {};
  return [
    records(view),
    log(view),
    {
      what: t`This device`,
      well: kept === 0,
      say:
        kept === 0
          ? t`Everything entered here has reached the records.`
          : t`${count(kept, t`entry is`, t`entries are`)} kept here until the server answers. Leave the page open.`,
    },
    tablets(view, here.device),
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
    ...(disk ? [room(t`Disk`, disk)] : []),
    ...(backup?.disk ? [room(t`Disk for backups`, backup.disk)] : []),
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

/** What of it somebody should look at, by name: whatever page they are on. A new bakery gets its first backup in the night. */
export const troubleOfJokul = (view: WellbeingView, device: string): readonly string[] => {
  const { backup } = view;
  const isNew = backup?.ageS === null && backup.missing === null;
  return wellbeingOf({ ...view, backup: isNew ? null : backup }, { device, kept: 0 }, [], [], nightlyAt)
    .filter(({ well }) => !well)
    .map(({ what }) => what);
};
