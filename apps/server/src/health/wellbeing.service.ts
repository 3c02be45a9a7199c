import { Injectable } from '@nestjs/common';
import { statfs } from 'node:fs/promises';
import { dirname } from 'node:path';
import { DataSource } from 'typeorm';
import type { WellbeingView } from '@jokul/contracts';
import { BackupPlace } from '../backup/backup-place.js';
import { BackupsService } from '../backup/backups.service.js';
import { JournalFeed } from '../journal/journal-feed.js';

/** Devices are told that wrote something down among so many last entries. */
const lookedAt = 3000;
const devicesTold = 12;

/** What a person who looks after Jokul wants to know of it, in figures. */
@Injectable()
export class WellbeingService {
  constructor(
    private readonly db: DataSource,
    private readonly feed: JournalFeed,
    private readonly place: BackupPlace,
  ) {}

  private async database(): Promise<WellbeingView['database']> {
    const begun = performance.now();
    const [head] = await this.db.query<{ seq: string | number }[]>('SELECT `seq` FROM `journal_head`');
    return {
      answeredMs: Math.round((performance.now() - begun) * 10) / 10,
      entries: Number(head?.seq ?? 0),
    };
  }

  private async devices(): Promise<WellbeingView['devices']> {
    const rows = await this.db.query<{ device: string; who: string; atMs: string | number }[]>(
      'SELECT e.`device`, e.`who`, e.`atMs` FROM `journal_entry` e JOIN (SELECT MAX(`seq`) AS `seq` FROM `journal_entry` WHERE `seq` > (SELECT MAX(`seq`) FROM `journal_entry`) - ? GROUP BY `device`) last ON last.`seq` = e.`seq` ORDER BY e.`seq` DESC LIMIT ?',
      [lookedAt, devicesTold],
    );
    return rows.map(({ device, who, atMs }) => ({ device, who, lastMs: Number(atMs) }));
  }

  /** The first folder on the way up that is there: the one for backups is made with the first of them. */
  private async disk(): Promise<WellbeingView['disk']> {
    for (let path = this.place.look()?.folder ?? null; path !== null;) {
      try {
        const { bavail, blocks, bsize } = await statfs(path);
        return { freeBytes: bavail * bsize, totalBytes: blocks * bsize };
      } catch {
        const up = dirname(path);
        path = up === path ? null : up;
      }
    }
    return null;
  }

  private async backup(): Promise<WellbeingView['backup']> {
    const place = this.place.look();
    if (place === null) return null;
    const files = await BackupsService.inFolder(place.folder);
    const [newest] = files;
    return {
      count: files.length,
      // By this machine's own clock: that of the bakery may be set to a demo.
      ageS: newest ? Math.max(0, Math.round((Date.now() - newest.madeMs) / 1000)) : null,
      bytes: newest?.bytes ?? 0,
      missing: place.missing,
    };
  }

  async look(): Promise<WellbeingView> {
    const [database, devices, disk, backup] = await Promise.all([
      this.database(),
      this.devices(),
      this.disk(),
      this.backup(),
    ]);
    return { database, devices, disk, backup, screens: this.feed.connected };
  }
}
