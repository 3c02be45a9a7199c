import { randomUUID } from 'node:crypto';
import { mkdir, readdir, readFile, rename, rm, stat, utimes, writeFile } from 'node:fs/promises';
import { join } from 'node:path';

/** Where answers outlive their server; what it lost or never had is simply computed again. */
export interface Kept<Answer> {
  read(key: string): Promise<{ readonly answer: Answer } | null>;
  write(key: string, answer: Answer): Promise<void>;
}

/** How many are looked through at a start; the oldest beyond are let go. */
const most = 600;
/** A file that was left half written by a server that ended is let go after this, ms. */
const leftOverMs = 3600_000;

/**
 * Answers as files of one folder, for all servers of this machine. Nothing depends on it: a disk that is full, forbidden or
 * broken costs time, and no answer is ever wrong by it, since the name says what was asked and of which model.
 */
export class KeptAnswers<Answer> implements Kept<Answer> {
  /** @param version of what answers: those of another one are not read, and let go */
  constructor(
    private readonly folder: string,
    private readonly version: string,
  ) {}

  private path(key: string): string {
    return join(this.folder, `${this.version}-${key}.json`);
  }

  async read(key: string): Promise<{ readonly answer: Answer } | null> {
    try {
      const found = JSON.parse(await readFile(this.path(key), 'utf8')) as { answer: Answer };
      const now = new Date();
      // What is used stays.
      await utimes(this.path(key), now, now).catch(() => undefined);
      return 'answer' in found ? found : null;
    } catch {
      return null;
    }
  }

  async write(key: string, answer: Answer): Promise<void> {
    const half = join(this.folder, `half-${randomUUID()}`);
    try {
      await mkdir(this.folder, { recursive: true });
      await writeFile(half, JSON.stringify({ answer }));
      // Whole or not at all: another server may be reading.
      await rename(half, this.path(key));
    } catch {
      await rm(half, { force: true }).catch(() => undefined);
    }
  }

  /** Lets go of what another version answered, of the oldest, and of what was left half written. */
  async tidy(nowMs = Date.now()): Promise<void> {
    const names = await readdir(this.folder).catch(() => []);
    const files = await Promise.all(
      names.map(async (name) => ({
        name,
        usedMs: (await stat(join(this.folder, name)).catch(() => null))?.mtimeMs ?? 0,
      })),
    );
    const own = files.filter(({ name }) => name.startsWith(`${this.version}-`));
    const halves = files.filter(({ name }) => name.startsWith('half-'));
    const gone = [
      ...files.filter((file) => !own.includes(file) && !halves.includes(file)),
      ...halves.filter(({ usedMs }) => nowMs - usedMs > leftOverMs),
      ...own.sort((a, b) => b.usedMs - a.usedMs).slice(most),
    ];
    await Promise.all(
      gone.map(({ name }) => rm(join(this.folder, name), { force: true }).catch(() => undefined)),
    );
  }
}
