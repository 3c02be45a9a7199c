import type { SetupChangeWhat } from '@jokul/contracts';
import type { EntryKind, Formula } from '@jokul/core';
import { packed } from './stored.js';
import { Column, Entity, Index, PrimaryColumn, PrimaryGeneratedColumn } from 'typeorm';

/** BIGINT columns hold milliseconds and sequence numbers, all well inside what a number can hold exactly. */
const asNumber = {
  to: (value: number) => value,
  from: (value: string | number | null) => (value === null ? null : Number(value)),
};

/** Names that people give are other names in capitals, with an accent or with a blank behind. */
const exactly = 'utf8mb4_nopad_bin';

/** Written by the database, which knows whose it is; refused where it is another's. Nobody reads it to find a row. */
abstract class OfBakery {
  @Column({ type: 'char', length: 36, select: false, insert: false, update: false }) bakery?: string;
}

/** Whose records these are: one row, made with the tables, which goes along with every backup. */
@Entity('bakery')
@Index('IDX_bakery_only', ['only'], { unique: true })
export class BakeryEntity {
  @PrimaryColumn('char', { length: 36 }) id: string;
  /** Always so: there is no second one. */
  @Column('boolean', { default: true }) only: boolean;
}

@Entity('order_line')
@Index(['date'])
@Index('IDX_order_standing', ['standingId', 'date'], { unique: true })
export class OrderLineEntity extends OfBakery {
  @PrimaryColumn('char', { length: 36 }) id: string;
  @Column('char', { length: 10 }) date: string;
  @Column('varchar', { length: 80 }) customer: string;
  @Column('varchar', { length: 6 }) productCode: string;
  @Column('int') pieces: number;
  @Column('char', { length: 5 }) readyBy: string;
  @Column('int') version: number;
  /** The standing order whose line it takes the place of on its day. */
  @Column('char', { length: 36, nullable: true }) standingId: string | null;
  /** Taken off for its day: nothing is baked for it. */
  @Column('boolean', { default: false }) skipped: boolean;
}

/** A line that comes back on days of the week. Once in force it is only ended; what changes is a further row. */
@Entity('standing_order')
export class StandingOrderEntity extends OfBakery {
  @PrimaryColumn('char', { length: 36 }) id: string;
  @Column('varchar', { length: 80 }) customer: string;
  @Column('varchar', { length: 6 }) productCode: string;
  @Column('int') pieces: number;
  @Column('char', { length: 5 }) readyBy: string;
  /** 1 for Monday to 7 for Sunday, such as 12345. */
  @Column('varchar', { length: 7 }) weekdays: string;
  @Column('char', { length: 10 }) fromDate: string;
  /** The last day; null without end. */
  @Column('char', { length: 10, nullable: true }) untilDate: string | null;
  @Column('int') version: number;
}

/** One version of a formula; rows are only ever added. */
@Entity('formula_version')
export class FormulaVersionEntity extends OfBakery {
  @PrimaryColumn('varchar', { length: 6 }) code: string;
  @PrimaryColumn('int') version: number;
  @Column('json', { transformer: packed('formula') }) body: Formula;
  @Column('bigint', { transformer: asNumber }) createdAtMs: number;
}

/** Equipment, house rules, clock: one row each, with an optimistic version number. */
@Entity('setting')
export class SettingEntity extends OfBakery {
  @PrimaryColumn('varchar', { length: 40 }) key: string;
  @Column('json') body: unknown;
  @Column('int') version: number;
}

/** What a setting was before it was changed, and who changed what of it. */
@Entity('setup_change')
export class SetupChangeEntity extends OfBakery {
  @PrimaryGeneratedColumn() id: number;
  @Column('varchar', { length: 40 }) key: string;
  /** The version that the change made. */
  @Column('int') version: number;
  @Column('bigint', { transformer: asNumber }) atMs: number;
  @Column('varchar', { length: 80 }) who: string;
  /** As the setting's column held it, with the version of its form. */
  @Column('json') before: unknown;
  @Column('json') what: SetupChangeWhat;
}

@Entity('plan')
export class PlanEntity extends OfBakery {
  @PrimaryColumn('char', { length: 10 }) date: string;
  @Column('int') version: number;
  @Column('json', { transformer: packed('plan') }) body: unknown;
  /** What the plan was made from, as a hash; another one means that it is stale. */
  @Column('char', { length: 64 }) inputHash: string;
}

@Entity('journal_entry')
@Index(['lot'])
@Index(['atMs'])
@Index('IDX_journal_kind', ['kind', 'seq'])
export class JournalEntryEntity extends OfBakery {
  @PrimaryColumn('bigint', { transformer: asNumber }) seq: number;
  @Index({ unique: true })
  @Column('char', { length: 36 })
  id: string;
  @Column('bigint', { transformer: asNumber }) atMs: number;
  @Column('varchar', { length: 80 }) who: string;
  @Column('varchar', { length: 80 }) device: string;
  @Column({ type: 'varchar', length: 80, collation: exactly }) lot: string;
  @Column('varchar', { length: 20 }) kind: EntryKind;
  @Column('json') payload: object;
  @Column('char', { length: 64 }) prevHash: string;
  @Column('char', { length: 64 }) hash: string;
}

/** What is looked up of lots without reading their lives; made anew from the entries by `rebuildLots`. */
@Entity('lot')
@Index('IDX_lot_last', ['lastMs'])
@Index('IDX_lot_inside', ['inside'])
@Index('IDX_lot_inspected', ['inspected', 'lastMs'])
export class LotEntity extends OfBakery {
  @PrimaryColumn({ type: 'varchar', length: 80, collation: exactly }) lot: string;
  /** Null while it is only planned. */
  @Column('bigint', { transformer: asNumber, nullable: true }) firstMs: number | null;
  @Column('bigint', { transformer: asNumber, nullable: true }) lastMs: number | null;
  @Column('boolean') inside: boolean;
  @Column('boolean') worked: boolean;
  @Column('boolean') begun: boolean;
  @Column('boolean') inspected: boolean;
  /** The day that it was planned for when it got its name. */
  @Column('char', { length: 10, nullable: true }) day: string | null;
}

/** The last number that was handed out to a lot of a year; it only ever goes up. */
@Entity('lot_counter')
export class LotCounterEntity extends OfBakery {
  @PrimaryColumn('int') year: number;
  @Column('int') last: number;
}

/** The last link of the chain: locked while an entry is added, so that numbers follow the order of commits. */
@Entity('journal_head')
export class JournalHeadEntity extends OfBakery {
  @PrimaryColumn('int') id: number;
  @Column('bigint', { transformer: asNumber }) seq: number;
  @Column('char', { length: 64 }) hash: string;
  /** Counts every change of rows that are not the journal, so that screens know to look again. */
  @Column('bigint', { transformer: asNumber }) revision: number;
}

export const entities = [
  BakeryEntity,
  OrderLineEntity,
  StandingOrderEntity,
  FormulaVersionEntity,
  SettingEntity,
  SetupChangeEntity,
  PlanEntity,
  JournalEntryEntity,
  JournalHeadEntity,
  LotEntity,
  LotCounterEntity,
];
