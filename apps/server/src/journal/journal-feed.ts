import { Injectable, type OnModuleDestroy } from '@nestjs/common';
import { Observable } from 'rxjs';
import type { JournalEntry } from '@jokul/core';
import { JournalService } from './journal.service.js';

export interface FeedMessage {
  readonly id?: string;
  readonly type: 'entry' | 'rows' | 'alive';
  readonly data: object;
}

/** How often the database is asked for news while screens are connected. Any server on it hears of every entry. */
const pollMs = 200;
/** A sign of life, so that a dead connection is noticed. */
const aliveMs = 15_000;

/** The journal as a stream: entries by sequence number, and a hint whenever other rows changed. */
@Injectable()
export class JournalFeed implements OnModuleDestroy {
  private closed = false;

  constructor(private readonly journal: JournalService) {}

  onModuleDestroy(): void {
    this.closed = true;
  }

  /** Everything after `seq`, then everything new, until the listener leaves. */
  stream(seq: number): Observable<FeedMessage> {
    return new Observable((listener) => {
      let timer: NodeJS.Timeout | undefined;
      let left = false;
      let lastSeq = seq;
      let lastRevision: number | null = null;
      let lastSignMs = Date.now();
      const send = (entries: readonly JournalEntry[]) => {
        for (const entry of entries) {
          listener.next({ id: String(entry.seq), type: 'entry', data: entry });
          lastSeq = entry.seq;
        }
      };
      const look = async () => {
        const head = await this.journal.head();
        if (head.seq > lastSeq) send(await this.journal.after(lastSeq));
        if (lastRevision !== head.revision) {
          listener.next({ type: 'rows', data: { revision: head.revision } });
          lastRevision = head.revision;
          lastSignMs = Date.now();
        }
        if (Date.now() - lastSignMs > aliveMs) {
          listener.next({ type: 'alive', data: {} });
          lastSignMs = Date.now();
        }
      };
      const loop = () => {
        if (left || this.closed) return listener.complete();
        look()
          .then(() => {
            timer = setTimeout(loop, pollMs);
          })
          // The database is away: ending the stream lets the browser come back by itself, from where it stopped.
          .catch(() => listener.complete());
      };
      loop();
      return () => {
        left = true;
        clearTimeout(timer);
      };
    });
  }
}
