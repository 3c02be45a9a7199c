import { Injectable } from '@nestjs/common';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { collectDefaultMetrics, Gauge, Histogram, Registry, type OpenMetricsContentType } from 'prom-client';
import { JournalCheck } from '../journal/journal-check.js';
import { JournalFeed } from '../journal/journal-feed.js';
import { JournalReader } from '../journal/journal-reader.js';
import { ComputationService } from '../computation/computation.service.js';

/** Figures of the running server for a monitor, as OpenMetrics. They name no person, lot or product. */
@Injectable()
export class MetricsService {
  private readonly registry = new Registry<OpenMetricsContentType>();
  private readonly requests: Histogram<'method' | 'status'>;

  constructor(
    feed: JournalFeed,
    journal: JournalReader,
    checks: JournalCheck,
    computation: ComputationService,
  ) {
    this.registry.setContentType(Registry.OPENMETRICS_CONTENT_TYPE);
    const registers = [this.registry];
    collectDefaultMetrics({ register: this.registry });
    this.requests = new Histogram({
      name: 'jokul_request_seconds',
      help: 'How long requests took to be answered; streams are not counted.',
      labelNames: ['method', 'status'],
      buckets: [0.005, 0.02, 0.05, 0.1, 0.25, 1, 5, 20],
      registers,
    });
    const gauge = (name: string, help: string, value: () => number | Promise<number>) =>
      new Gauge({
        name,
        help,
        registers,
        async collect() {
          // With the database away the other figures are wanted all the more.
          this.set(await Promise.resolve(value()).catch(() => Number.NaN));
        },
      });
    gauge('jokul_screens', 'Screens that are connected.', () => feed.connected);
    gauge('jokul_journal_entries', 'Entries in the journal.', async () => (await journal.head()).seq);
    gauge(
      'jokul_journal_first_broken_entry',
      'The first entry that was changed or is gone; 0 for none.',
      () => {
        const last = checks.last();
        return last ? (last.firstBrokenSeq ?? 0) : Number.NaN;
      },
    );
    gauge('jokul_computations_waiting', 'Bakes, plans and fits that wait for a thread.', () =>
      computation.waiting(),
    );
  }

  /** Counts a request when it has been answered. */
  readonly count = (request: IncomingMessage, response: ServerResponse, next: () => void): void => {
    const begun = performance.now();
    response.once('finish', () => {
      if (String(response.getHeader('content-type')).startsWith('text/event-stream')) return;
      this.countAnswered(begun, request, response);
    });
    next();
  };

  /** @param begun when it came, by the clock of this process, ms */
  countAnswered(begun: number, { method = '' }: IncomingMessage, { statusCode }: ServerResponse): void {
    this.requests.observe(
      { method, status: `${Math.floor(statusCode / 100)}xx` },
      (performance.now() - begun) / 1000,
    );
  }

  text(): Promise<string> {
    return this.registry.metrics();
  }
}
