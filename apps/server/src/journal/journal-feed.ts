import { Injectable, Logger, type OnModuleDestroy } from '@nestjs/common';
import { setImmediate as others } from 'node:timers/promises';
import { Observable, type Subscriber } from 'rxjs';
import type { JournalEntry } from '@jokul/core';
import { isAway } from '../common/problem.filter.js';
import { JournalReader } from './journal-reader.js';
import { JournalService } from './journal.service.js';

export interface FeedMessage {
  readonly id?: string;
  readonly type: 'hello' | 'entry' | 'rows' | 'alive';
  /** An entry stands as JSON: it is put into words once, not for every screen. */
  readonly data: object | string;
}

interface Told {
  readonly seq: number;
  readonly message: FeedMessage;
}

const toldOf = (entry: JournalEntry): Told => ({
  seq: entry.seq,
  message: { id: String(entry.seq), type: 'entry', data: JSON.stringify(entry) },
});

/** How often the database is asked for news while screens are connected. Any server on it hears of every entry. */
const pollMs = 200;
/** After what this server wrote itself: soon, and what comes meanwhile together. */
const soonMs = 20;
/** A sign of life, so that a dead connection is noticed. */
const aliveMs = 15_000;
/** So many screens are told at once; then whoever else asks has their turn. */
const atOnce = 100;
/** So many screens follow at most, more than any bakery has: what each costs is taken from the floor. */
export const mostScreens = 500;
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
  private recent: Told[] = [];
  private seq = 0;
  private revision = 0;
  private timer: NodeJS.Timeout | undefined;
  private looking = false;
  private closed = false;
  /** Whether a look is due soon, or as soon as the one that is going on ends. */
  private soon = false;

  constructor(
    journal: JournalService,
    private readonly reader: JournalReader,
  ) {
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

  /** Whether no further screen can follow. */
  get isFull(): boolean {
    return this.screens.size >= mostScreens;
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
    const head = await this.reader.head();
    this.revision = head.revision;
    if (this.seq === 0 || head.seq < this.seq) {
      // The first look, or another journal than before: nothing that is kept belongs to it.
      this.recent = [];
      this.seq = head.seq;
    }
    while (this.seq < head.seq) {
      const entries = await this.reader.after(this.seq);
      const last = entries.at(-1);
      if (!last) break;
      this.recent = [...this.recent, ...entries.map(toldOf)].slice(-keptEntries);
      this.seq = last.seq;
    }
    for (const [i, screen] of [...this.screens].entries()) {
      if (i % atOnce === atOnce - 1) await others();
      if (!screen.busy && this.screens.has(screen))
        void this.serve(screen).catch((error: unknown) => this.drop(screen, error));
    }
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
      const [ledger, head] = await Promise.all([this.reader.ledger(), this.reader.head()]);
      say({ type: 'hello', data: { ledger, lastSeq: head.seq } });
    }
    const [first] = this.recent;
    if (first && screen.seq >= first.seq - 1) {
      for (const entry of this.recent.slice(screen.seq - first.seq + 1)) this.tell(screen, entry);
    } else {
      while (screen.seq < this.seq && !screen.to.closed) {
        const entries = await this.reader.after(screen.seq);
        if (entries.length === 0) break;
        for (const entry of entries) this.tell(screen, toldOf(entry));
      }
    }
    if (screen.revision !== this.revision) {
      say({ type: 'rows', data: { revision: this.revision } });
      screen.revision = this.revision;
    }
    if (Date.now() - screen.signMs > aliveMs) say({ type: 'alive', data: {} });
    screen.busy = false;
  }

  private tell(screen: Screen, { seq, message }: Told): void {
    if (seq <= screen.seq) return;
    screen.to.next(message);
    screen.seq = seq;
    screen.signMs = Date.now();
  }
}
