import { Injectable, Logger, type OnModuleDestroy } from '@nestjs/common';
import { Observable, type Subscriber } from 'rxjs';
import type { JournalEntry } from '@jokul/core';
import { isAway } from '../common/problem.filter.js';
import { JournalService } from './journal.service.js';

export interface FeedMessage {
  readonly id?: string;
  readonly type: 'hello' | 'entry' | 'rows' | 'alive';
  readonly data: object;
}

/** How often the database is asked for news while screens are connected. Any server on it hears of every entry. */
const pollMs = 200;
/** After what this server wrote itself: soon, and what comes meanwhile together. */
const soonMs = 20;
/** A sign of life, so that a dead connection is noticed. */
const aliveMs = 15_000;
/** Entries that are kept for screens that are a little behind; others read theirs themselves. */
const keptEntries = 2000;

interface Screen {
  readonly to: Subscriber<FeedMessage>;
  seq: number;
  revision: number | null;
  signMs: number;
  busy: boolean;
}

/**
 * The journal as a stream: entries by sequence number, and a hint whenever other rows changed. One look at the database
 * serves all screens of this server, however many there are.
 */
@Injectable()
export class JournalFeed implements OnModuleDestroy {
  private readonly logger = new Logger('Feed');
  private readonly screens = new Set<Screen>();
  private recent: JournalEntry[] = [];
  private seq = 0;
  private revision = 0;
  private timer: NodeJS.Timeout | undefined;
  private looking = false;
  private closed = false;
  /** Whether a look is due soon, or as soon as the one that is going on ends. */
  private soon = false;

  constructor(private readonly journal: JournalService) {
    journal.onWritten(() => this.lookSoon());
  }

  onModuleDestroy(): void {
    this.closed = true;
    clearTimeout(this.timer);
    for (const { to } of this.screens) to.complete();
    this.screens.clear();
  }

  /** Screens that are connected to this server. */
  get connected(): number {
    return this.screens.size;
  }

  /** Everything after `seq`, then everything new, until the listener leaves. */
  stream(seq: number): Observable<FeedMessage> {
    return new Observable((to) => {
      if (this.closed) return to.complete();
      const screen: Screen = { to, seq, revision: null, signMs: Date.now(), busy: false };
      this.screens.add(screen);
      this.wake();
      return () => {
        this.screens.delete(screen);
      };
    });
  }

  private wake(): void {
    if (this.looking || this.timer) return;
    void this.loop();
  }

  private lookSoon(): void {
    if (this.soon || (!this.timer && !this.looking)) return;
    this.soon = true;
    // During a look the entry may have come too late for it: the next one follows close.
    if (this.looking) return;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.loop(), soonMs);
  }

  private async loop(): Promise<void> {
    this.timer = undefined;
    this.looking = true;
    this.soon = false;
    try {
      await this.look();
    } catch (error) {
      this.letGo(error);
    }
    this.looking = false;
    if (!this.closed && this.screens.size > 0)
      this.timer = setTimeout(() => void this.loop(), this.soon ? soonMs : pollMs);
  }

  /** The streams end, so that the browsers come back by themselves from where they stopped; why is not hidden. */
  private letGo(error: unknown): void {
    if (!isAway(error))
      this.logger.error(error instanceof Error ? (error.stack ?? error.message) : String(error));
    for (const { to } of this.screens) to.complete();
    this.screens.clear();
    this.recent = [];
    this.seq = 0;
  }

  private async look(): Promise<void> {
    const head = await this.journal.head();
    this.revision = head.revision;
    if (this.seq === 0 || head.seq < this.seq) {
      // The first look, or another journal than before: nothing that is kept belongs to it.
      this.recent = [];
      this.seq = head.seq;
    }
    while (this.seq < head.seq) {
      const entries = await this.journal.after(this.seq);
      const last = entries.at(-1);
      if (!last) break;
      this.recent = [...this.recent, ...entries].slice(-keptEntries);
      this.seq = last.seq;
    }
    for (const screen of this.screens)
      if (!screen.busy) void this.serve(screen).catch((error: unknown) => this.drop(screen, error));
  }

  private drop(screen: Screen, error: unknown): void {
    if (!isAway(error))
      this.logger.error(error instanceof Error ? (error.stack ?? error.message) : String(error));
    screen.to.complete();
    this.screens.delete(screen);
  }

  private async serve(screen: Screen): Promise<void> {
    screen.busy = true;
    const say = (message: FeedMessage) => {
      screen.to.next(message);
      screen.signMs = Date.now();
    };
    if (screen.revision === null) {
      // Read for this screen: one that came during a look may know more than that look found, and is not ahead of us.
      const [ledger, head] = await Promise.all([this.journal.ledger(), this.journal.head()]);
      say({ type: 'hello', data: { ledger, lastSeq: head.seq } });
    }
    const [first] = this.recent;
    if (first && screen.seq >= first.seq - 1) {
      for (const entry of this.recent.slice(screen.seq - first.seq + 1)) this.tell(screen, entry);
    } else {
      while (screen.seq < this.seq && !screen.to.closed) {
        const entries = await this.journal.after(screen.seq);
        if (entries.length === 0) break;
        for (const entry of entries) this.tell(screen, entry);
      }
    }
    if (screen.revision !== this.revision) {
      say({ type: 'rows', data: { revision: this.revision } });
      screen.revision = this.revision;
    }
    if (Date.now() - screen.signMs > aliveMs) say({ type: 'alive', data: {} });
    screen.busy = false;
  }

  private tell(screen: Screen, entry: JournalEntry): void {
    if (entry.seq <= screen.seq) return;
    screen.to.next({ id: String(entry.seq), type: 'entry', data: entry });
    screen.seq = entry.seq;
    screen.signMs = Date.now();
  }
}
