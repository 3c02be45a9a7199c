import { Injectable } from '@nestjs/common';
import { randomUUID } from 'node:crypto';
import { DataSource, IsNull, LessThanOrEqual, MoreThanOrEqual, type EntityManager } from 'typeorm';
import { JokulError, shiftDate, wallClock, weekdayOf, whyClosed, say } from '@jokul/core';
import type { StandingOrderInput, StandingOrderView } from '@jokul/contracts';
import { ClockService } from '../clock/clock.service.js';
import { FormulaVersionEntity, OrderLineEntity, StandingOrderEntity } from '../database/entities.js';
import { changeRows, SettingsService } from '../settings/settings.service.js';

const daysOf = ({ weekdays }: StandingOrderEntity): readonly number[] => [...weekdays].map(Number);

const view = (row: StandingOrderEntity): StandingOrderView => ({
  id: row.id,
  customer: row.customer,
  productCode: row.productCode,
  pieces: row.pieces,
  readyBy: row.readyBy,
  version: row.version,
  weekdays: daysOf(row),
  from: row.fromDate,
  until: row.untilDate,
});

const fieldsOf = ({ customer, productCode, pieces, readyBy, weekdays }: StandingOrderInput) => ({
  customer,
  productCode,
  pieces,
  readyBy,
  weekdays: [...weekdays].sort((a, b) => a - b).join(''),
});

/** Two that would both bring the same line on some day. */
const overlap = (a: StandingOrderEntity, b: StandingOrderEntity): boolean =>
  a.customer.toLowerCase() === b.customer.toLowerCase() &&
  a.productCode === b.productCode &&
  a.readyBy === b.readyBy &&
  [...a.weekdays].some((day) => b.weekdays.includes(day)) &&
  a.fromDate <= (b.untilDate ?? '9999') &&
  b.fromDate <= (a.untilDate ?? '9999');

/**
 * Orders that stand every week. What was in force on a day stays true of that day: a change ends the old one the day
 * before, and begins a new one.
 */
@Injectable()
export class StandingOrdersService {
  constructor(
    private readonly db: DataSource,
    private readonly settings: SettingsService,
    private readonly clock: ClockService,
  ) {}

  /** All that are in force on a day or later. */
  async list(fromDate: string): Promise<readonly StandingOrderView[]> {
    const rows = await this.db.manager.find(StandingOrderEntity, {
      where: [{ untilDate: IsNull() }, { untilDate: MoreThanOrEqual(fromDate) }],
      order: { customer: 'ASC', readyBy: 'ASC', productCode: 'ASC', fromDate: 'ASC' },
    });
    return rows.map(view);
  }

  /** Those that are for a day; none when the bakery is closed. */
  async on(date: string, manager: EntityManager = this.db.manager): Promise<readonly StandingOrderView[]> {
    const { body: equipment } = await this.settings.read('equipment', manager);
    if (whyClosed(equipment.calendar, date) !== null) return [];
    const day = String(weekdayOf(date));
    const rows = await manager.find(StandingOrderEntity, {
      where: [
        { fromDate: LessThanOrEqual(date), untilDate: IsNull() },
        { fromDate: LessThanOrEqual(date), untilDate: MoreThanOrEqual(date) },
      ],
    });
    return rows.filter(({ weekdays }) => weekdays.includes(day)).map(view);
  }

  /** @throws JokulError `past-day` */
  private async checkAhead(from: string): Promise<void> {
    const { body: rules } = await this.settings.read('rules');
    const today = wallClock((await this.clock.nowMs()) / 1000, rules.timeZone).date;
    if (from < today)
      throw new JokulError(
        'past-day',
        say`It can hold from today, ${today}, on: days that are over stay as they were.`,
        'from',
      );
  }

  private async check(manager: EntityManager, next: StandingOrderEntity, except: string | null) {
    if (!(await manager.existsBy(FormulaVersionEntity, { code: next.productCode })))
      throw new JokulError('unknown-formula', say`There is no formula "${next.productCode}".`, 'productCode');
    if (next.untilDate !== null && next.untilDate < next.fromDate)
      throw new JokulError('bad-until', say`It ends before it begins.`, 'until');
    const others = await manager.findBy(StandingOrderEntity, {
      customer: next.customer,
      productCode: next.productCode,
      readyBy: next.readyBy,
    });
    const same = others.find((other) => other.id !== except && overlap(other, next));
    if (same)
      throw new JokulError(
        'same-line',
        say`${next.customer} already has a standing order of ${next.productCode} at ${next.readyBy} on one of these days; change that one instead.`,
        'productCode',
      );
  }

  /** @throws JokulError `unknown-formula`, `same-line`, `bad-until`, `past-day` */
  async add(input: StandingOrderInput): Promise<StandingOrderView> {
    const row: StandingOrderEntity = {
      id: input.id ?? randomUUID(),
      ...fieldsOf(input),
      fromDate: input.from,
      untilDate: input.until ?? null,
      version: 1,
    };
    await this.checkAhead(input.from);
    return changeRows(this.db, async (manager) => {
      const sent = await manager.findOneBy(StandingOrderEntity, { id: row.id });
      if (sent) return view(sent);
      await this.check(manager, row, null);
      await manager.insert(StandingOrderEntity, row);
      return view(row);
    });
  }

  private async read(manager: EntityManager, id: string, version: number | undefined) {
    const row = await manager.findOneBy(StandingOrderEntity, { id });
    if (!row)
      throw new JokulError('unknown-line', say`Somebody else ended this standing order meanwhile.`, 'id');
    if (row.version !== version)
      throw new JokulError(
        'changed-meanwhile',
        say`Somebody else changed this standing order meanwhile: it now says ${row.pieces} pieces by ${row.readyBy}. Look, then save yours again.`,
        'version',
      );
    return row;
  }

  /**
   * Changes what stands from a day on; before it stays what it was.
   * @throws JokulError `unknown-line`, `changed-meanwhile`, `unknown-formula`, `same-line`, `bad-until`, `past-day`
   */
  async change(id: string, input: StandingOrderInput): Promise<StandingOrderView> {
    await this.checkAhead(input.from);
    return changeRows(this.db, async (manager) => {
      const row = await this.read(manager, id, input.version);
      const untilDate = input.until ?? null;
      if (input.from <= row.fromDate) {
        // Not in force yet, or from its first day on.
        const next = {
          ...row,
          ...fieldsOf(input),
          fromDate: input.from,
          untilDate,
          version: row.version + 1,
        };
        await this.check(manager, next, id);
        await manager.save(StandingOrderEntity, next);
        return view(next);
      }
      const next: StandingOrderEntity = {
        id: randomUUID(),
        ...fieldsOf(input),
        fromDate: input.from,
        untilDate,
        version: 1,
      };
      const before = { ...row, untilDate: shiftDate(input.from, -1), version: row.version + 1 };
      await manager.save(StandingOrderEntity, before);
      await this.check(manager, next, id);
      await manager.insert(StandingOrderEntity, next);
      // What was decided for single days to come is of the new one.
      await manager.update(
        OrderLineEntity,
        { standingId: id, date: MoreThanOrEqual(input.from) },
        { standingId: next.id },
      );
      return view(next);
    });
  }

  /**
   * Ends it: from a day on it brings no line. Lines that were changed for a single day after that stay, as ordinary ones.
   * @throws JokulError `unknown-line`, `changed-meanwhile`, `past-day`
   */
  async end(id: string, fromDate: string, version: number | undefined): Promise<void> {
    await this.checkAhead(fromDate);
    await changeRows(this.db, async (manager) => {
      const row = await this.read(manager, id, version);
      await manager.delete(OrderLineEntity, {
        standingId: id,
        skipped: true,
        date: MoreThanOrEqual(fromDate),
      });
      await manager.update(
        OrderLineEntity,
        { standingId: id, date: MoreThanOrEqual(fromDate) },
        { standingId: null },
      );
      if (fromDate <= row.fromDate) await manager.delete(StandingOrderEntity, { id });
      else
        await manager.save(StandingOrderEntity, {
          ...row,
          untilDate: shiftDate(fromDate, -1),
          version: row.version + 1,
        });
    });
  }
}
