import { Injectable } from '@nestjs/common';
import { readdir, stat, statfs } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { DataSource } from 'typeorm';
import type { WellbeingView } from '@jokul/contracts';
import { JournalFeed } from '../journal/journal-feed.js';

/** Where backups are put, as the starter tells; null where nobody told. */
export class BackupFolder {
  constructor(readonly path: string | null) {}
}

/** Devices are told that wrote something down among so many last entries. */
const lookedAt = 3000;
const devicesTold = 12;

/** What a person who looks after Jokul wants to know of it, in figures. */
@Injectable()
export class WellbeingService {
  constructor(
    private readonly db: DataSource,
    private readonly feed: JournalFeed,
    private readonly backups: BackupFolder,
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
    for (let path = this.backups.path; path !== null;) {
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
    const { path } = this.backups;
    if (path === null) return null;
    const names = (await readdir(path).catch(() => [])).filter((name) => /^jokul-.*\.jsonl\.gz$/.test(name));
    const found = await Promise.all(names.map((name) => stat(join(path, name)).catch(() => null)));
    const newest = found
      .filter((file) => file !== null)
      .reduce<{ mtimeMs: number; size: number } | null>(
        (last, file) => (last && last.mtimeMs > file.mtimeMs ? last : file),
        null,
      );
    return {
      count: names.length,
      // By this machine's own clock: that of the bakery may be set to a demo.
      ageS: newest ? Math.max(0, Math.round((Date.now() - newest.mtimeMs) / 1000)) : null,
      bytes: newest?.size ?? 0,
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
