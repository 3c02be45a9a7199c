import { Injectable } from '@nestjs/common';
import { DataSource, In, MoreThan, type EntityManager } from 'typeorm';
import {
  emptyState,
  firstBrokenSeq,
  genesisHash,
  ownLedger,
  reduceLedger,
  type EntryKind,
  type FloorState,
  type JournalEntry,
} from '@jokul/core';
import type { JournalView, LogCheckView, NewsView, StoredEntry } from '@jokul/contracts';
import { JournalEntryEntity, JournalHeadEntity } from '../database/entities.js';
import { WhichBakery } from '../settings/which-bakery.js';
import { sha256, type ChainEnd } from './chain-on.js';

const toEntry = (row: JournalEntryEntity) => ({ ...row }) as unknown as JournalEntry;

/** A row as the driver gives it: large numbers and JSON may come as text. */
interface RawEntry {
  readonly seq: number | string;
  readonly atMs: number | string;
  readonly payload: unknown;
}

/** What is read of the journal: lives of lots, what came after a number, and whether the chain holds. */
@Injectable()
export class JournalReader {
  constructor(
    private readonly db: DataSource,
    private readonly which: WhichBakery,
  ) {}

  /**
   * What a screen needs to know the floor: the whole life of every lot that was touched from `sinceMs` on or still lies
   * in a place.
   */
  async around(sinceMs: number): Promise<JournalView> {
    return this.lives('SELECT `lot` FROM `lot` WHERE `lastMs` >= ? OR `inside` = 1', [sinceMs]);
  }

  /** The whole life of every lot that was touched in a stretch of time, in journal order. */
  async between(fromMs: number, toMs: number): Promise<JournalView> {
    // What was struck does not count as touching: those lots are left out by their rows.
    return this.lives(
      'SELECT DISTINCT e.`lot` FROM `journal_entry` e JOIN `lot` l ON l.`lot` = e.`lot` WHERE e.`atMs` BETWEEN ? AND ? AND l.`lastMs` >= ?',
      [fromMs, toMs, fromMs],
    );
  }

  /** The lives of the lots with measured trays that were touched from `sinceMs` on. */
  async inspected(sinceMs: number): Promise<JournalView> {
    return this.lives('SELECT `lot` FROM `lot` WHERE `inspected` = 1 AND `lastMs` >= ?', [sinceMs]);
  }

  /** Everything of the lots that a query names. Hashes are left out: they belong to the check, not to a screen. */
  private async lives(lots: string, parameters: readonly number[]): Promise<JournalView> {
    const head = await this.db.manager.findOneByOrFail(JournalHeadEntity, { id: 1 });
    const rows = await this.db.manager.query<RawEntry[]>(
      `SELECT e.\`seq\`, e.\`id\`, e.\`atMs\`, e.\`who\`, e.\`device\`, e.\`lot\`, e.\`kind\`, e.\`payload\`
       FROM \`journal_entry\` e JOIN (${lots}) AS wanted ON wanted.\`lot\` = e.\`lot\`
       WHERE e.\`seq\` <= ? ORDER BY e.\`seq\``,
      [...parameters, head.seq],
    );
    return {
      entries: rows.map((row) => {
        const payload: unknown = typeof row.payload === 'string' ? JSON.parse(row.payload) : row.payload;
        return { ...row, seq: Number(row.seq), atMs: Number(row.atMs), payload } as unknown as StoredEntry;
      }),
      lastSeq: head.seq,
      ledger: await this.ledger(),
    };
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

  /** What a screen that cannot follow asks for now and then: at most 500 entries after a number, and whether more changed. */
  async news(seq: number): Promise<NewsView> {
    const head = await this.head();
    const entries = head.seq > seq ? await this.after(seq) : [];
    return {
      entries: entries.map(({ prevHash: _before, hash: _own, ...entry }) => entry),
      lastSeq: head.seq,
      ledger: await this.ledger(),
      revision: head.revision,
    };
  }

  /**
   * Which ledger this is: the hash of its first entry, which no restored copy changes; none while there is no entry. The
   * house's own says so before it, so that it is told from the demo while it is empty.
   */
  async ledger(manager: EntityManager = this.db.manager): Promise<string> {
    const [first] = await manager.query<{ hash: string }[]>(
      'SELECT `hash` FROM `journal_entry` WHERE `seq` = 1',
    );
    return this.ledgerFrom(first?.hash ?? '');
  }

  /** The ledger whose first entry has that hash. */
  ledgerFrom(hash: string): string {
    return this.which.kind === 'own' ? ownLedger(hash, this.which.id) : hash;
  }

  async head(): Promise<{ seq: number; revision: number }> {
    const { seq, revision } = await this.db.manager.findOneByOrFail(JournalHeadEntity, { id: 1 });
    return { seq, revision };
  }

  /** Loads of these lots that went into their oven and were not struck. */
  async loadedLoads(lots: readonly string[]): Promise<ReadonlySet<string>> {
    if (lots.length === 0) return new Set();
    const rows = await this.db.manager.find(JournalEntryEntity, {
      where: { lot: In([...lots]), kind: In(['loaded', 'struck']) },
      order: { seq: 'ASC' },
    });
    const trays = reduceLedger(rows.map(toEntry)).trays.values();
    return new Set([...trays].map(({ loadId }) => loadId));
  }

  /**
   * When some lots were mixed and baked, and no more of them: what a lot pinned when it began is long, and is not read.
   * Thousands of lots are read so.
   */
  async timesOf(lots: readonly string[]): Promise<FloorState> {
    if (lots.length === 0) return emptyState;
    const rows = await this.db.manager.query<(RawEntry & Record<string, unknown>)[]>(
      "SELECT `seq`, `id`, `atMs`, `who`, `device`, `lot`, `kind`, IF(`kind` = 'begun', '{}', `payload`) AS `payload` FROM `journal_entry` WHERE `lot` IN (?) AND `kind` IN ('begun', 'mixed', 'loaded', 'pulled', 'struck') ORDER BY `seq`",
      [[...lots]],
    );
    return reduceLedger(
      rows.map(
        (row) =>
          ({
            ...row,
            seq: Number(row.seq),
            atMs: Number(row.atMs),
            payload: typeof row.payload === 'string' ? JSON.parse(row.payload) : row.payload,
          }) as unknown as JournalEntry,
      ),
    );
  }

  /** The state of some lots, by all their entries. */
  async floorOf(lots: readonly string[]): Promise<FloorState> {
    if (lots.length === 0) return emptyState;
    const rows = await this.db.manager.find(JournalEntryEntity, {
      where: { lot: In([...lots]) },
      order: { seq: 'ASC' },
    });
    return reduceLedger(rows.map(toEntry));
  }

  /** The number of the last entry of some kinds; 0 for none. */
  async lastOf(kinds: readonly EntryKind[]): Promise<number> {
    const [row] = await this.db.manager.query<{ last: string | number | null }[]>(
      'SELECT MAX(`seq`) AS `last` FROM `journal_entry` WHERE `kind` IN (?)',
      [kinds],
    );
    return Number(row?.last ?? 0);
  }

  /**
   * Reads the chain anew: the first entry that was tampered with, or null.
   * @param after what is known to hold: the number of its last entry and that one's hash, as it stands
   */
  async verify(after: ChainEnd = { seq: 0, hash: genesisHash }): Promise<LogCheckView> {
    const head = await this.db.manager.findOneByOrFail(JournalHeadEntity, { id: 1 });
    // The head names an entry that is not followed again: it must be that one all the same.
    if (head.seq > 0 && head.seq <= after.seq) {
      const named = await this.db.manager.findOneBy(JournalEntryEntity, { seq: head.seq });
      if (named?.hash !== head.hash) return { entries: after.seq, firstBrokenSeq: head.seq };
    }
    let prev = after.hash;
    let entries = after.seq;
    for (let { seq } = after; ;) {
      const part = await this.after(seq);
      const last = part.at(-1);
      // The head knows how many there are: entries that are gone from the end leave no gap behind them.
      if (!last) return { entries, firstBrokenSeq: seq < head.seq ? seq + 1 : null };
      const broken = firstBrokenSeq(part, sha256, prev);
      if (broken !== null) return { entries: entries + part.length, firstBrokenSeq: broken };
      if (part.some((entry) => entry.seq === head.seq && entry.hash !== head.hash))
        return { entries: entries + part.length, firstBrokenSeq: head.seq };
      prev = last.hash;
      seq = last.seq;
      entries += part.length;
    }
  }
}
