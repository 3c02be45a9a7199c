import { describe, expect, it } from '@jest/globals';
import type { WellbeingView } from '@jokul/contracts';
import { wellbeingOf } from './wellbeing-words';

const view = (change: Partial<WellbeingView> = {}): WellbeingView => ({
  database: { answeredMs: 2, entries: 1234 },
  broken: null,
  log: { entries: 1234, firstBrokenSeq: null, ageS: 240 },
  disk: { freeBytes: 80e9, totalBytes: 200e9 },
  backup: { count: 3, ageS: 9 * 3600, bytes: 1_240_000, missing: null, disk: null },
  screens: 2,
  devices: [],
  ...change,
});
const said = (
  change: Partial<WellbeingView> = {},
  kept = 0,
  silent: readonly string[] = [],
  unread: readonly string[] = [],
) =>
  new Map(
    wellbeingOf(view(change), { device: 'here', kept }, silent, unread, '2:30 am').map(
      ({ what, well, say }) => [what, { well, say }],
    ),
  );

describe('whether all is well, in words', () => {
  it('is said of each thing', () => {
    expect([...said().values()].every(({ well }) => well)).toBe(true);
    expect([...said()].map(([what, { say }]) => `${what}: ${say}`)).toEqual([
      'Records: 1,234 entries are written down. The database answers at once.',
      'Log: Checked 4 min ago: 1,234 entries, none of them altered.',
      'This device: Everything entered here has reached the records.',
      'Tablets: 2 screens follow the floor; no other device has anything left to send.',
      'Backup: The last is 9 h old, 1.2 MB; 3 are kept.',
      'Disk: 80.0 GB of 200.0 GB are free.',
      'Probes: Every cold place says how cold it is.',
    ]);
  });
  it.each([
    ['Records', { database: { answeredMs: 900, entries: 1 } }, 'The database is slow'],
    ['Backup', { backup: { count: 0, ageS: null, bytes: 0, missing: null, disk: null } }, 'None yet'],
    [
      'Backup',
      { backup: { count: 2, ageS: 3 * 86_400, bytes: 5000, missing: null, disk: null } },
      'did not come',
    ],
    [
      'Backup',
      { backup: { count: 2, ageS: 3600, bytes: 5000, missing: '/mnt/stick', disk: null } },
      'The folder /mnt/stick is not there',
    ],
    ['Disk', { disk: { freeBytes: 3e9, totalBytes: 200e9 } }, 'Only 3.0 GB are free. Make room before'],
    [
      'Disk for backups',
      {
        backup: {
          count: 2,
          ageS: 3600,
          bytes: 5000,
          missing: null,
          disk: { freeBytes: 2e9, totalBytes: 8e9 },
        },
      },
      'Only 2.0 GB are free.',
    ],
    [
      'Records',
      { broken: { code: 'records-broken', message: 'A part of the records cannot be read (lot).' } },
      'A part of the records cannot be read (lot).',
    ],
    [
      'Log',
      { log: { entries: 512, firstBrokenSeq: 512, ageS: 3 } },
      'Entry 512 does not follow from the one before it',
    ],
    ['Disk', { disk: { freeBytes: 2e8, totalBytes: 200e9 } }, 'Only 200.0 MB are free: soon nothing'],
  ] as const)('%s asks for a look', (what, change, say) => {
    expect(said(change).get(what)).toMatchObject({ well: false });
    expect(said(change).get(what)?.say).toContain(say);
  });
  it('says that the log was not checked yet, which is no trouble', () => {
    expect(said({ log: null }).get('Log')).toMatchObject({ well: true });
    expect(said({ log: null }).get('Log')?.say).toContain('Not checked yet');
  });
  it('names what is kept here, and probes that say nothing', () => {
    expect(said({}, 1).get('This device')).toMatchObject({ well: false });
    expect(said({}, 1).get('This device')?.say).toContain('1 entry is kept here');
    expect(said({}, 0, ['Walk-in']).get('Probes')?.say).toContain('No sound reading from Walk-in.');
    expect(said({}, 0, [], ['Freezer']).get('Probes')).toEqual({
      well: true,
      say: 'None hangs in Freezer: read the thermometer there now and then.',
    });
    expect(said({ screens: 0 }).get('Tablets')?.say).toBe('No screen follows the floor just now.');
    expect(said({ screens: 1 }).get('Tablets')?.say).toContain('1 screen follows the floor');
  });
  it('says nothing of what the server was not told', () => {
    expect([...said({ disk: null, backup: null }).keys()]).toEqual([
      'Records',
      'Log',
      'This device',
      'Tablets',
      'Probes',
    ]);
  });
});
