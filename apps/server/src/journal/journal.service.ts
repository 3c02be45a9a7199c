import { Injectable } from '@nestjs/common';
import { createHash } from 'node:crypto';
import { DataSource, In, MoreThan } from 'typeorm';
import { chainText, firstBrokenSeq, genesisHash, type DraftEntry, type JournalEntry } from '@jokul/core';
import type { AppendView, JournalView } from '@jokul/contracts';
import { JournalEntryEntity, JournalHeadEntity } from '../database/entities.js';

export const sha256 = (text: string): string => createHash('sha256').update(text).digest('hex');

const toEntry = (row: JournalEntryEntity) => ({ ...row }) as unknown as JournalEntry;

@Injectable()
export class JournalService {
  constructor(private readonly db: DataSource) {}

  /**
   * Stores entries in one transaction and only then confirms. An entry that is there already (same UUID) keeps its
   * number: sending twice is harmless.
   */
  async append(entries: readonly DraftEntry[]): Promise<AppendView> {
    return this.db.transaction(async (manager) => {
      // The head is locked first: numbers and hashes follow the order of commits, over any number of servers.
      const head = await manager.findOneOrFail(JournalHeadEntity, {
        where: { id: 1 },
        lock: { mode: 'pessimistic_write' },
      });
      const known = await manager.find(JournalEntryEntity, {
        where: { id: In(entries.map((e) => e.id)) },
        select: { id: true, seq: true },
      });
      const numbers = new Map(known.map((row) => [row.id, row.seq]));
      const rows: JournalEntryEntity[] = [];
      let { seq, hash } = head;
      for (const { id, atMs, who, device, lot, kind, payload } of entries) {
        if (numbers.has(id)) continue;
        const entry = { id, atMs, who, device, lot, kind, payload } as DraftEntry;
        const prevHash = hash;
        seq += 1;
        hash = sha256(chainText(prevHash, entry));
        rows.push({ ...entry, seq, prevHash, hash });
        numbers.set(id, seq);
      }
      if (rows.length > 0) {
        await manager.insert(JournalEntryEntity, rows);
        await manager.update(JournalHeadEntity, { id: 1 }, { seq, hash });
      }
      return { stored: entries.map(({ id }) => ({ id, seq: numbers.get(id) ?? 0 })) };
    });
  }

  /**
   * What a screen needs to know the floor: everything from `sinceMs` on, and the whole life of every lot that is
   * touched then or still lies in the cold.
   */
  async around(sinceMs: number): Promise<JournalView> {
    const head = await this.db.manager.findOneByOrFail(JournalHeadEntity, { id: 1 });
    const entries = await this.db.manager
      .createQueryBuilder(JournalEntryEntity, 'e')
      .where('e.seq <= :seq', { seq: head.seq })
      .andWhere(
        `(e.atMs >= :sinceMs OR e.lot IN (
          SELECT lot FROM (
            SELECT lot, MAX(at_ms) AS last_ms, SUM(kind = 'rest-in') AS ins, SUM(kind = 'rest-out') AS outs
            FROM (SELECT lot, kind, atMs AS at_ms FROM journal_entry) AS all_entries GROUP BY lot
          ) AS lots WHERE last_ms >= :sinceMs OR ins > outs))`,
        { sinceMs },
      )
      .orderBy('e.seq', 'ASC')
      .getMany();
    return { entries: entries.map(toEntry), lastSeq: head.seq };
  }

  /** The whole life of every lot that was touched in a stretch of time, in journal order. */
  async between(fromMs: number, toMs: number): Promise<JournalView> {
    const head = await this.db.manager.findOneByOrFail(JournalHeadEntity, { id: 1 });
    const entries = await this.db.manager
      .createQueryBuilder(JournalEntryEntity, 'e')
      .where('e.lot IN (SELECT lot FROM journal_entry WHERE atMs BETWEEN :fromMs AND :toMs)', {
        fromMs,
        toMs,
      })
      .orderBy('e.seq', 'ASC')
      .limit(20_000)
      .getMany();
    return { entries: entries.map(toEntry), lastSeq: head.seq };
  }

  /** At most 500 entries after a sequence number. */
  async after(seq: number): Promise<readonly JournalEntry[]> {
    const rows = await this.db.manager.find(JournalEntryEntity, {
      where: { seq: MoreThan(seq) },
      order: { seq: 'ASC' },
      take: 500,
    });
    return rows.map(toEntry);
  }

  async head(): Promise<{ seq: number; revision: number }> {
    const { seq, revision } = await this.db.manager.findOneByOrFail(JournalHeadEntity, { id: 1 });
    return { seq, revision };
  }

  /** Lots that have begun, among those given. */
  async begun(lots: readonly string[]): Promise<ReadonlySet<string>> {
    if (lots.length === 0) return new Set();
    const rows = await this.db.manager
      .createQueryBuilder(JournalEntryEntity, 'e')
      .select('DISTINCT e.lot', 'lot')
      .where('e.lot IN (:...lots)', { lots })
      .getRawMany<{ lot: string }>();
    return new Set(rows.map((row) => row.lot));
  }

  /** Loads of the last days that went into their oven and were not struck. */
  async loadedLoads(): Promise<ReadonlySet<string>> {
    const rows = await this.db.manager.find(JournalEntryEntity, {
      where: { kind: In(['loaded', 'struck']) },
      order: { seq: 'DESC' },
      take: 400,
    });
    const entries = rows.map(toEntry);
    const struck = new Set(entries.flatMap((e) => (e.kind === 'struck' ? [e.payload.entryId] : [])));
    return new Set(
      entries.flatMap((e) => (e.kind === 'loaded' && !struck.has(e.id) ? [e.payload.loadId] : [])),
    );
  }

  /** Reads the whole chain anew: the first entry that was tampered with, or null. */
  async verify(): Promise<{ entries: number; firstBrokenSeq: number | null }> {
    let prev = genesisHash;
    let entries = 0;
    for (let seq = 0; ;) {
      const part = await this.after(seq);
      const last = part.at(-1);
      if (!last) return { entries, firstBrokenSeq: null };
      const broken = firstBrokenSeq(part, sha256, prev);
      if (broken !== null) return { entries: entries + part.length, firstBrokenSeq: broken };
      prev = last.hash;
      seq = last.seq;
      entries += part.length;
    }
  }
}
