import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { learnSpreads, shiftDate, wallClock, type LearnedSpreads } from '@jokul/core';
import { ClockService } from '../clock/clock.service.js';
import { JournalHeadEntity } from '../database/entities.js';
import { JournalReader } from '../journal/journal-reader.js';
import { SettingsService } from '../settings/settings.service.js';
import { PlanRows } from './plan-rows.js';

/** So many days are learned from: what people did long ago says little of how they work now. */
const daysBack = 42;
/** It is learned anew when the log has grown by so many entries. */
const everyEntries = 50;

/** How far people and ovens stray from their plans, by the log of the last weeks. */
@Injectable()
export class SpreadsService {
  private known: { readonly key: string; readonly spreads: Promise<LearnedSpreads> } | null = null;

  constructor(
    private readonly db: DataSource,
    private readonly rows: PlanRows,
    private readonly journal: JournalReader,
    private readonly settings: SettingsService,
    private readonly clock: ClockService,
  ) {}

  /** @returns the usual spreads where the log has nothing of them */
  async learned(): Promise<LearnedSpreads> {
    const [{ body: rules }, head, nowMs] = await Promise.all([
      this.settings.read('rules'),
      this.db.manager.findOneByOrFail(JournalHeadEntity, { id: 1 }),
      this.clock.nowMs(),
    ]);
    const today = wallClock(nowMs / 1000, rules.timeZone).date;
    const key = `${today} ${Math.floor(head.seq / everyEntries)}`;
    if (this.known?.key === key) return this.known.spreads;
    const spreads = this.learn(today, rules.loadGapS);
    this.known = { key, spreads };
    // What failed is asked anew.
    spreads.catch(() => {
      if (this.known?.spreads === spreads) this.known = null;
    });
    return spreads;
  }

  private async learn(today: string, loadGapS: number): Promise<LearnedSpreads> {
    const plans = await this.rows.summaries(shiftDate(today, -daysBack), today);
    const batches = plans.flatMap((plan) => plan.batches);
    const floor = await this.journal.timesOf(batches.map(({ batchId }) => batchId));
    return learnSpreads(batches, floor, loadGapS);
  }
}
