import { Injectable } from '@nestjs/common';
import { stat, statfs } from 'node:fs/promises';
import { dirname } from 'node:path';
import { DataSource } from 'typeorm';
import type { RoomView, WellbeingView } from '@jokul/contracts';
import { BackupPlace } from '../backup/backup-place.js';
import { BackupsService } from '../backup/backups.service.js';
import { JournalCheck } from '../journal/journal-check.js';
import { JournalFeed } from '../journal/journal-feed.js';
import { ReadinessService } from './readiness.service.js';
import { TabletsService } from './tablets.service.js';

interface Disk {
  readonly device: number;
  readonly room: RoomView;
}

/** The disk of a folder, or of the first one on the way up that is there: that for backups is made with the first of them. */
const diskOf = async (folder: string): Promise<Disk | null> => {
  for (let path: string | null = folder; path !== null;) {
    try {
      const { bavail, blocks, bsize } = await statfs(path);
      const { dev } = await stat(path);
      return { device: dev, room: { freeBytes: bavail * bsize, totalBytes: blocks * bsize } };
    } catch {
      const up = dirname(path);
      path = up === path ? null : up;
    }
  }
  return null;
};

/** What a person who looks after Jokul wants to know of it, in figures. */
@Injectable()
export class WellbeingService {
  constructor(
    private readonly db: DataSource,
    private readonly feed: JournalFeed,
    private readonly place: BackupPlace,
    private readonly checks: JournalCheck,
    private readonly readiness: ReadinessService,
    private readonly tablets: TabletsService,
  ) {}

  private async database(): Promise<WellbeingView['database']> {
    const begun = performance.now();
    const [head] = await this.db.query<{ seq: string | number }[]>('SELECT `seq` FROM `journal_head`');
    return {
      answeredMs: Math.round((performance.now() - begun) * 10) / 10,
      entries: Number(head?.seq ?? 0),
    };
  }

  /** The database runs on this machine. */
  private async disk(): Promise<Disk | null> {
    const [row] = await this.db.query<{ path: string | null }[]>('SELECT @@datadir AS `path`');
    return row?.path ? diskOf(row.path) : null;
  }

  private async backup(records: Disk | null): Promise<WellbeingView['backup']> {
    const place = this.place.look();
    if (place === null) return null;
    const files = await BackupsService.inFolder(place.folder);
    const disk = await diskOf(place.folder);
    const [newest] = files;
    return {
      count: files.length,
      // By this machine's own clock: that of the bakery may be set to a demo.
      ageS: newest ? Math.max(0, Math.round((Date.now() - newest.madeMs) / 1000)) : null,
      bytes: newest?.bytes ?? 0,
      missing: place.missing,
      disk: disk && disk.device !== records?.device ? disk.room : null,
    };
  }

  async look(): Promise<WellbeingView> {
    const [database, broken, devices, disk] = await Promise.all([
      this.database(),
      this.readiness.broken(),
      this.tablets.look(),
      this.disk(),
    ]);
    return {
      database,
      broken,
      log: this.checks.last(),
      devices,
      disk: disk?.room ?? null,
      backup: await this.backup(disk),
      screens: this.feed.connected,
    };
  }
}
