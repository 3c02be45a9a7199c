import { randomUUID } from 'node:crypto';
import { readFileSync, renameSync, statSync, writeFileSync } from 'node:fs';
import { mkdir, open, rm } from 'node:fs/promises';
import { dirname, isAbsolute, join, resolve } from 'node:path';
import { JokulError, say } from '@jokul/core';
import type { BackupTold } from '../config/config.js';

/** What a person chose: a folder, or the usual one; and how many nights are kept. */
export interface BackupChoice {
  readonly folder: string | null;
  readonly keep: number;
}

interface Kept extends BackupChoice {
  /** Whether the folder lay on another disk than the records when it was chosen. */
  readonly elsewhere: boolean;
}

const usualKeep = 14;

/** Which disk a path lies on; null where there is no such path. */
const diskOf = (path: string): number | null => {
  try {
    return statSync(path).dev;
  } catch {
    return null;
  }
};

const isFolder = (path: string): boolean => {
  try {
    return statSync(path).isDirectory();
  } catch {
    return false;
  }
};

const refuse = (message: string) => new JokulError('bad-folder', message, 'folder');

/** @throws JokulError `bad-folder` where nothing can be written */
const mustTakeFiles = async (folder: string): Promise<void> => {
  const file = join(folder, `jokul-try-${randomUUID()}`);
  try {
    await (await open(file, 'wx', 0o600)).close();
    await rm(file);
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    throw refuse(
      code === 'ENOSPC'
        ? say`The disk of this folder is full.`
        : say`Nothing can be written into this folder: Jokul has no right to, or its disk is read-only.`,
    );
  }
};

/** Where backups of this machine go. Nothing is known where nobody told the server. */
export class BackupPlace {
  constructor(
    private readonly told: BackupTold | null,
    private readonly disk: (path: string) => number | null = diskOf,
  ) {}

  private choice(): Kept {
    try {
      const { folder, keep, elsewhere } = JSON.parse(
        readFileSync(this.told?.choice ?? '', 'utf8'),
      ) as Partial<Kept>;
      return {
        folder: typeof folder === 'string' ? folder : null,
        keep: typeof keep === 'number' && Number.isInteger(keep) && keep > 0 ? keep : usualKeep,
        elsewhere: elsewhere === true,
      };
    } catch {
      return { folder: null, keep: usualKeep, elsewhere: false };
    }
  }

  /** Whether a path lies on another disk than what is kept of this machine. */
  private isElsewhere(path: string): boolean {
    return this.disk(path) !== this.disk(dirname(this.told?.choice ?? ''));
  }

  /** The folder, why it is that one, and whether it is there; null where nobody told. */
  look(): {
    readonly folder: string;
    readonly usual: string;
    readonly named: boolean;
    readonly keep: number;
    /** A folder that was chosen and is gone: the usual one is used meanwhile. */
    readonly missing: string | null;
  } | null {
    if (!this.told) return null;
    const { named, usual } = this.told;
    const { folder, keep, elsewhere } = this.choice();
    if (named !== undefined) return { folder: named, usual, named: true, keep, missing: null };
    // A disk that was taken out leaves its empty folder behind, on the disk of the records.
    const isGone = folder !== null && (!isFolder(folder) || (elsewhere && !this.isElsewhere(folder)));
    return {
      folder: isGone ? usual : (folder ?? usual),
      usual,
      named: false,
      keep,
      missing: isGone ? folder : null,
    };
  }

  /** The folder, made where it is the usual one or was named; null where nobody told. */
  async made(): Promise<string | null> {
    const place = this.look();
    if (place) await mkdir(place.folder, { recursive: true, mode: 0o700 });
    return place?.folder ?? null;
  }

  /** @throws JokulError `bad-folder` for one that is not there, cannot be written into, or cannot be chosen */
  async choose({ folder, keep }: BackupChoice): Promise<void> {
    if (!this.told) throw refuse(say`This server was not told where backups go.`);
    if (this.told.named !== undefined && folder !== null)
      throw refuse(
        say`The folder was named when Jokul was started (JOKUL_BACKUPS); it cannot be changed here.`,
      );
    if (folder !== null) {
      if (!isAbsolute(folder))
        throw refuse(say`Write the whole way to the folder, from its beginning: /mnt/backup, for example.`);
      if (!isFolder(folder))
        throw refuse(
          say`There is no such folder on the machine that Jokul runs on. Make it first, or connect its disk.`,
        );
      await mustTakeFiles(folder);
    }
    const chosen: Kept = {
      folder: folder === null ? null : resolve(folder),
      keep,
      elsewhere: folder !== null && this.isElsewhere(folder),
    };
    const partial = `${this.told.choice}.${randomUUID()}`;
    writeFileSync(partial, `${JSON.stringify(chosen)}\n`, { mode: 0o600 });
    renameSync(partial, this.told.choice);
  }
}
