import { Injectable } from '@nestjs/common';
import { DataSource, In, MoreThan, type EntityManager } from 'typeorm';
import {
  emptyState,
  firstBrokenSeq,
  genesisHash,
  JokulError,
  ownLedger,
  reduceLedger,
  requireLotId,
  sameLedger,
  type DraftEntry,
  type EntryKind,
  type JournalEntry,
  type FloorState,
} from '@jokul/core';
import type { AppendView, JournalView, StoredEntry } from '@jokul/contracts';
import { InGroups } from '../common/in-groups.js';
import { isAway } from '../common/problem.filter.js';
import { JournalEntryEntity, JournalHeadEntity } from '../database/entities.js';
import { LotPins } from '../lot/lot-pins.js';
import { followEntries } from '../lot/lot-rows.js';
import { WhichBakery } from '../settings/which-bakery.js';
import { chainOn, entryValues, insertEntries, sha256, type ChainEnd } from './chain-on.js';
import { canBeAtOnce, writeAtOnce } from './write-at-once.js';

const toEntry = (row: JournalEntryEntity) => ({ ...row }) as unknown as JournalEntry;

/** A row as the driver gives it: large numbers and JSON may come as text. */
interface RawEntry {
  readonly seq: number | string;
  readonly atMs: number | string;
  readonly payload: unknown;
}

interface RawHead {
  readonly seq: number | string;
  readonly hash: string;
}

/** What one device sent at once. */
interface Sent {
  readonly entries: readonly DraftEntry[];
  /** The ledger that it followed when it wrote them; undefined where it does not say. */
  readonly ledger: string | undefined;
}

/** The end of the chain, and which ledger it is the end of. */
interface KnownEnd extends ChainEnd {
  readonly ledger: string;
}

const isFor = ({ ledger }: Sent, open: string): boolean => ledger === undefined || sameLedger(ledger, open);

const requireFor = (sent: readonly Sent[], open: string): void => {
  if (sent.every((one) => isFor(one, open))) return;
  throw new JokulError(
    'other-ledger',
    'Another bakery, or an earlier copy of its records, is open here now. What was entered waits on its device.',
    'ledger',
  );
};

/** So many entries are written in one transaction at most, but for those that were sent together. */
const mostTogether = 500;

@Injectable()
export class JournalService {
  private readonly writing = new InGroups<Sent, AppendView>(
    (sent) => this.write(sent),
    mostTogether,
    ({ entries }) => entries.length,
    isAway,
  );

  constructor(
    private readonly db: DataSource,
    private readonly pins: LotPins,
    private readonly which: WhichBakery,
  ) {}

  /**
   * Stores entries and only then confirms. An entry that is there already (same UUID) keeps its number: sending twice is
   * harmless. A lot that is begun by somebody who did not pin what it is is pinned here. What waits for the head meanwhile
   * shares one transaction, and so one flush to the disk.
   * @param ledger the one that they were written for; what was written for another waits on its device until a person
   *   decides
   * @throws JokulError `bad-lot` for a mistyped name, `other-ledger`
   */
  async append(entries: readonly DraftEntry[], ledger?: string): Promise<AppendView> {
    const sent: Sent = { entries, ledger };
    try {
      for (const { lot } of entries) requireLotId(lot);
    } catch (error) {
      // What another ledger names is not mistyped.
      requireFor([sent], await this.ledger());
      throw error;
    }
    return this.writing.ask(sent);
  }

  private heard: () => void = () => undefined;

  /** Says at once that this server wrote something; what others write is seen at the next look. */
  onWritten(heard: () => void): void {
    this.heard = heard;
  }

  /** The end of the chain as this server saw it last; another one may have gone on from there. */
  private end: KnownEnd | null = null;

  /** Stores what several sent in one transaction, in the order in which it came. */
  private async write(sent: readonly Sent[]): Promise<readonly AppendView[]> {
    const entries = sent.flatMap((one) => one.entries);
    const from = this.end;
    // Known anew only when all went well.
    this.end = null;
    const known =
      from &&
      sent.every((one) => isFor(one, from.ledger)) &&
      canBeAtOnce(entries) &&
      this.pins.hasAll(entries)
        ? from
        : null;
    const atOnce = known && (await writeAtOnce(this.db, known, entries));
    // Another server wrote, or what is struck here: it may be what pinned a lot.
    if (known ? !atOnce : entries.some(({ kind }) => kind === 'struck')) this.pins.forget();
    const { numbers, end } =
      known && atOnce
        ? { ...atOnce, end: { ...atOnce.end, ledger: known.ledger } }
        : await this.writeWithCare(sent);
    this.end = end;
    this.heard();
    return sent.map((own) => ({
      stored: own.entries.map(({ id }) => ({ id, seq: numbers.get(id) ?? 0 })),
    }));
  }

  /** Looks first: at the head, at which ledger it is, at what is stored already, and at what lots are not pinned yet. */
  private async writeWithCare(
    sent: readonly Sent[],
  ): Promise<{ readonly numbers: ReadonlyMap<string, number>; readonly end: KnownEnd }> {
    const entries = sent.flatMap((one) => one.entries);
    return this.db.transaction(async (manager) => {
      // The head is locked first: numbers and hashes follow the order of commits, over any number of servers.
      const [head] = await manager.query<RawHead[]>(
        'SELECT `seq`, `hash` FROM `journal_head` WHERE `id` = 1 FOR UPDATE',
      );
      if (!head) throw new Error('the journal has no head');
      const ledger = await this.ledger(manager);
      requireFor(sent, ledger);
      const known = await manager.query<{ id: string; seq: number | string }[]>(
        'SELECT `id`, `seq` FROM `journal_entry` WHERE `id` IN (?)',
        [entries.map(({ id }) => id)],
      );
      const numbers = new Map(known.map(({ id, seq }) => [id, Number(seq)]));
      const fresh = entries.filter(({ id }) => !numbers.has(id));
      const { rows, end } = chainOn({ seq: Number(head.seq), hash: head.hash }, [
        ...(await this.pins.missing(manager, fresh)),
        ...fresh,
      ]);
      for (const { id, seq } of rows) numbers.set(id, seq);
      if (rows.length > 0) {
        await manager.query(insertEntries, [entryValues(rows)]);
        await followEntries(manager, rows);
        await manager.query('UPDATE `journal_head` SET `seq` = ?, `hash` = ? WHERE `id` = 1', [
          end.seq,
          end.hash,
        ]);
      }
      const [first] = rows;
      return {
        numbers,
        end: { ...end, ledger: first?.seq === 1 ? this.ledgerFrom(first.hash) : ledger },
      };
    });
  }

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

  private ledgerFrom(hash: string): string {
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

  /** Reads the whole chain anew: the first entry that was tampered with, or null. */
  async verify(): Promise<{ entries: number; firstBrokenSeq: number | null }> {
    const head = await this.db.manager.findOneByOrFail(JournalHeadEntity, { id: 1 });
    let prev = genesisHash;
    let entries = 0;
    for (let seq = 0; ;) {
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
