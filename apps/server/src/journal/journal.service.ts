import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { JokulError, requireLotId, sameLedger, type DraftEntry, say } from '@jokul/core';
import type { AppendView } from '@jokul/contracts';
import { LastTrouble } from '../common/last-trouble.js';
import { InGroups } from '../common/in-groups.js';
import { isAway } from '../common/problem.filter.js';
import { LotPins } from '../lot/lot-pins.js';
import { followEntries } from '../lot/lot-rows.js';
import { chainOn, entryValues, insertEntries, type ChainEnd } from './chain-on.js';
import { JournalReader } from './journal-reader.js';
import { canBeAtOnce, writeAtOnce } from './write-at-once.js';

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
    say`Another bakery, or an earlier copy of its records, is open here now. What was entered waits on its device.`,
    'ledger',
  );
};

/** So many entries are written in one transaction at most, but for those that were sent together. */
const mostTogether = 500;

/** What is written into the journal, one after the other, each only confirmed once it is stored. */
@Injectable()
export class JournalService {
  private readonly writing = new InGroups<Sent, AppendView>((sent) => this.write(sent), {
    most: mostTogether,
    sizeOf: ({ entries }) => entries.length,
    isEverybodys: isAway,
    gatherMs: 1,
  });

  constructor(
    private readonly db: DataSource,
    private readonly pins: LotPins,
    private readonly reader: JournalReader,
    private readonly trouble: LastTrouble,
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
      requireFor([sent], await this.reader.ledger());
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
    this.trouble.clear();
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
      const ledger = await this.reader.ledger(manager);
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
        end: { ...end, ledger: first?.seq === 1 ? this.reader.ledgerFrom(first.hash) : ledger },
      };
    });
  }
}
