import { Injectable, Logger, type OnModuleDestroy } from '@nestjs/common';
import type { LogCheckView } from '@jokul/contracts';
import { inRecordsProcess, isRefused } from '../common/records-process.js';
import { isAway } from '../common/problem.filter.js';
import type { ChainEnd } from './chain-on.js';
import { JournalReader } from './journal-reader.js';
import { LogBlocks } from './log-blocks.js';

/** So many entries are followed within the server in moments; more are in a process of their own. */
const fewEntries = 3000;

/** How often every link is followed anew, also where nothing seems changed, ms. */
const wholeMs = 24 * 3600e3;

/** When the log is followed unasked: first when a start has settled, then again and again, ms. */
const firstMs = 60_000;
const againMs = 10 * 60_000;

/** Follows the links of the log in the background: those that are new or not as they were, once for all who ask meanwhile. */
@Injectable()
export class JournalCheck implements OnModuleDestroy {
  private readonly logger = new Logger('LogCheck');
  private running: Promise<LogCheckView> | null = null;
  private next: Promise<LogCheckView> | null = null;
  private lastWholeMs = Number.NEGATIVE_INFINITY;
  private found: { readonly view: LogCheckView; readonly atMs: number } | null = null;
  private timer: NodeJS.Timeout | undefined;
  private closed = false;

  constructor(
    private readonly reader: JournalReader,
    private readonly blocks: LogBlocks,
    /** The database, as a process of its own is told of it. */
    private readonly env: NodeJS.ProcessEnv,
  ) {}

  onModuleDestroy(): void {
    this.closed = true;
    clearTimeout(this.timer);
  }

  /** Follows the log unasked from now on. */
  begin(afterMs = firstMs, everyMs = againMs): void {
    if (this.closed) return;
    this.timer = setTimeout(() => {
      this.check()
        .catch((error: unknown) => {
          // A database that is away is told by other means.
          if (!this.closed && !isAway(error))
            this.logger.error(error instanceof Error ? error.stack : String(error));
        })
        .finally(() => this.begin(everyMs, everyMs));
    }, afterMs);
    this.timer.unref();
  }

  /** What was found last, and how long ago; null before the first time. */
  last(): (LogCheckView & { readonly ageS: number }) | null {
    if (!this.found) return null;
    const { view, atMs } = this.found;
    return { ...view, ageS: Math.max(0, Math.round((performance.now() - atMs) / 1000)) };
  }

  /**
   * The first entry that was tampered with, or null. Who asks during a check waits for the next one: what that one read may
   * have been changed since.
   */
  check(): Promise<LogCheckView> {
    const { running } = this;
    if (!running) return this.run();
    this.next ??= running
      .catch(() => undefined)
      .then(() => {
        this.next = null;
        return this.run();
      });
    return this.next;
  }

  private run(): Promise<LogCheckView> {
    const check = this.follow().finally(() => {
      if (this.running === check) this.running = null;
    });
    this.running = check;
    return check;
  }

  private async follow(): Promise<LogCheckView> {
    const now = performance.now();
    const isWhole = now - this.lastWholeMs >= wholeMs;
    if (isWhole) this.blocks.forget();
    const stands = await this.blocks.look();
    const from = await this.blocks.unchanged(stands);
    const view = await this.links(from);
    if (view.firstBrokenSeq === null) {
      this.blocks.remember(stands);
      if (isWhole) this.lastWholeMs = now;
    } else if (this.found?.view.firstBrokenSeq !== view.firstBrokenSeq) {
      this.logger.error({ message: 'the log was changed from outside', firstBrokenSeq: view.firstBrokenSeq });
    }
    this.found = { view, atMs: performance.now() };
    return view;
  }

  private async links(from: ChainEnd): Promise<LogCheckView> {
    const { seq } = await this.reader.head();
    if (seq - from.seq <= fewEntries) return this.reader.verify(from);
    const answer = await inRecordsProcess<LogCheckView>(this.env, ['check-log']);
    return isRefused(answer) ? this.reader.verify(from) : answer;
  }
}
