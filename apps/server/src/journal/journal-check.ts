import { Injectable } from '@nestjs/common';
import type { LogCheckView } from '@jokul/contracts';
import { inRecordsProcess, isRefused } from '../common/records-process.js';
import { JournalReader } from './journal-reader.js';

/** So many entries are followed within the server in moments; more are in a process of their own. */
const fewEntries = 3000;

/** Reads the whole chain of the log anew, in the background, once for all who ask meanwhile. */
@Injectable()
export class JournalCheck {
  private running: Promise<LogCheckView> | null = null;
  private next: Promise<LogCheckView> | null = null;

  constructor(
    private readonly reader: JournalReader,
    /** The database, as a process of its own is told of it. */
    private readonly env: NodeJS.ProcessEnv,
  ) {}

  /**
   * The first entry that was tampered with, or null. Who asks during a check waits for the next one: what that one read may
   * have been changed since.
   */
  check(): Promise<LogCheckView> {
    const { running } = this;
    if (!running) return this.begin();
    this.next ??= running
      .catch(() => undefined)
      .then(() => {
        this.next = null;
        return this.begin();
      });
    return this.next;
  }

  private begin(): Promise<LogCheckView> {
    const check = this.follow().finally(() => {
      if (this.running === check) this.running = null;
    });
    this.running = check;
    return check;
  }

  private async follow(): Promise<LogCheckView> {
    const { seq } = await this.reader.head();
    if (seq <= fewEntries) return this.reader.verify();
    const answer = await inRecordsProcess<LogCheckView>(this.env, ['check-log']);
    return isRefused(answer) ? this.reader.verify() : answer;
  }
}
