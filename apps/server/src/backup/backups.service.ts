import { Injectable } from '@nestjs/common';
import { readdir, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { JokulError, say } from '@jokul/core';
import type { BackupMadeView, BackupsView, TablesMadeView } from '@jokul/contracts';
import { inRecordsProcess, isRefused } from '../common/records-process.js';
import { isBackupName } from './backup-name.js';
import { BackupPlace, type BackupChoice } from './backup-place.js';

/** So many of the newest are told. */
const told = 8;

/** Backups as Setup shows and makes them. */
@Injectable()
export class BackupsService {
  private making: Promise<BackupMadeView> | null = null;

  constructor(
    private readonly place: BackupPlace,
    /** The database, as a process of its own is told of it. */
    private readonly env: NodeJS.ProcessEnv,
  ) {}

  /** The backups in a folder, newest first. */
  static async inFolder(folder: string): Promise<BackupsView['files']> {
    const names = (await readdir(folder).catch(() => [])).filter(isBackupName);
    const found = await Promise.all(
      names.map(async (name) => {
        const file = await stat(join(folder, name)).catch(() => null);
        return file?.isFile() ? [{ name, bytes: file.size, madeMs: file.mtimeMs }] : [];
      }),
    );
    return found.flat().sort((a, b) => b.madeMs - a.madeMs);
  }

  async look(): Promise<BackupsView | null> {
    const place = this.place.look();
    if (!place) return null;
    const files = await BackupsService.inFolder(place.folder);
    return { ...place, count: files.length, files: files.slice(0, told) };
  }

  async choose(choice: BackupChoice): Promise<BackupsView | null> {
    await this.place.choose(choice);
    return this.look();
  }

  /** Makes one and reads it back; who asks meanwhile gets the same one. @throws JokulError `no-backup` with its sentence */
  make(): Promise<BackupMadeView> {
    this.making ??= this.run<BackupMadeView>(['backup-as', 'backup']).finally(() => {
      this.making = null;
    });
    return this.making;
  }

  private tabling: Promise<TablesMadeView> | null = null;

  /** Writes all records as tables into a folder of their own beside the backups. @throws JokulError `no-backup` */
  tables(): Promise<TablesMadeView> {
    this.tabling ??= this.run<TablesMadeView>(['tables-as']).finally(() => {
      this.tabling = null;
    });
    return this.tabling;
  }

  private async run<Made extends object>(args: readonly string[]): Promise<Made> {
    if (!this.place.look())
      throw new JokulError('no-backup', say`This server was not told where backups go.`, 'folder');
    const answer = await inRecordsProcess<Made>(this.env, args);
    if (!isRefused(answer)) return answer;
    const why: Readonly<Record<string, string>> = {
      ENOSPC: say`the disk of the folder is full.`,
      EACCES: say`Jokul has no right to write into the folder.`,
      EROFS: say`the disk of the folder is read-only.`,
      ENOENT: say`the folder is not there.`,
    };
    const reason = why[answer?.refused.code ?? ''] ?? answer?.refused.message ?? say`it broke off.`;
    const message =
      args[0] === 'tables-as' ? say`No tables were written: ${reason}` : say`No backup was made: ${reason}`;
    throw new JokulError('no-backup', message, 'folder');
  }
}
