import { Injectable } from '@nestjs/common';
import { randomUUID } from 'node:crypto';
import { DataSource, In, type EntityManager } from 'typeorm';
import type {
  DayView,
  KeyedOrderLineInput,
  OrderLineInput,
  OrderLinesView,
  OrderView,
} from '@jokul/contracts';
import { clockChangeAt, JokulError, whyClosed, say } from '@jokul/core';
import { FormulaVersionEntity, OrderLineEntity } from '../database/entities.js';
import { changeRows, SettingsService } from '../settings/settings.service.js';
import { byTime, ofStanding, ordinary, sameLine, standingLine, view } from './order-lines.js';
import { StandingOrdersService } from './standing-orders.service.js';

@Injectable()
export class OrdersService {
  constructor(
    private readonly db: DataSource,
    private readonly settings: SettingsService,
    private readonly standing: StandingOrdersService,
  ) {}

  /** @throws JokulError `clock-change` for a ready-by that the night of a clock change has not, or has twice */
  private async checkTime(date: string, readyBy: string, manager?: EntityManager): Promise<void> {
    const { body: rules } = await this.settings.read('rules', manager);
    const change = clockChangeAt(date, readyBy, rules.timeZone);
    if (change === 'skipped')
      throw new JokulError(
        'clock-change',
        say`The clock is put forward that night: there is no ${readyBy} on ${date}. Give a time before or after it.`,
        'readyBy',
      );
    if (change === 'twice')
      throw new JokulError(
        'clock-change',
        say`The clock is put back that night: ${readyBy} comes twice on ${date}. Give a time before or after that hour.`,
        'readyBy',
      );
  }

  /** @throws JokulError `closed-day` */
  private async checkOpen(date: string): Promise<void> {
    const { body: equipment } = await this.settings.read('equipment');
    const why = whyClosed(equipment.calendar, date);
    if (why !== null)
      throw new JokulError(
        'closed-day',
        say`The bakery is closed on ${date} (${why}): take another day, or open that one in Setup.`,
        'date',
      );
  }

  /** The bake list of a day, by ready-by, and what of standing orders was taken off for it. */
  async day(
    date: string,
    manager: EntityManager = this.db.manager,
  ): Promise<Pick<DayView, 'orders' | 'leftOut'>> {
    const [rows, standing] = await Promise.all([
      manager.findBy(OrderLineEntity, { date }),
      this.standing.on(date, manager),
    ]);
    const decided = new Set(rows.map(({ standingId }) => standingId));
    const brought = standing.filter(({ id }) => !decided.has(id)).map((order) => standingLine(order, date));
    const own = (skipped: boolean) =>
      rows.filter((row) => row.skipped === skipped).map((row) => view(row, standing));
    return {
      orders: [...own(false), ...brought].sort(byTime),
      // Of one that ended meanwhile there is nothing to take back.
      leftOut: own(true)
        .filter((line) => line.standing)
        .sort(byTime),
    };
  }

  async list(date: string): Promise<readonly OrderView[]> {
    return (await this.day(date)).orders;
  }

  /** @throws JokulError `unknown-formula`, `same-line` when the customer already has that product at that time */
  async add(
    date: string,
    { customer, productCode, pieces, readyBy }: OrderLineInput,
    id: string = randomUUID(),
  ): Promise<OrderView> {
    await this.checkTime(date, readyBy);
    await this.checkOpen(date);
    return changeRows(this.db, async (manager) => {
      if (!(await manager.existsBy(FormulaVersionEntity, { code: productCode }))) {
        throw new JokulError('unknown-formula', say`There is no formula "${productCode}".`, 'productCode');
      }
      const there = (await this.day(date, manager)).orders.map(sameLine);
      if (there.includes(sameLine({ customer, productCode, readyBy }))) {
        throw new JokulError(
          'same-line',
          say`${customer} already has ${productCode} at ${readyBy} on the list; change that line instead.`,
          'productCode',
        );
      }
      const row = await manager.save(OrderLineEntity, {
        id,
        date,
        customer,
        productCode,
        pieces,
        readyBy,
        version: 1,
        ...ordinary,
      });
      return view(row);
    });
  }

  /**
   * Several lines together, all of them or none. Lines that are there already, by their key or because the customer has
   * that product at that time, stay as they are.
   * @throws JokulError `clock-change`, `unknown-formula` with the path of the line, `closed-day`
   */
  async addMany(date: string, lines: readonly KeyedOrderLineInput[]): Promise<OrderLinesView> {
    for (const [i, { readyBy }] of lines.entries())
      await this.checkTime(date, readyBy).catch((error: unknown) => {
        if (!(error instanceof JokulError)) throw error;
        throw new JokulError(error.code, error.message, `lines.${i}.readyBy`);
      });
    await this.checkOpen(date);
    return changeRows(this.db, async (manager) => {
      const codes = await manager
        .createQueryBuilder(FormulaVersionEntity, 'f')
        .select('DISTINCT f.code', 'code')
        .getRawMany<{ code: string }>();
      const known = new Set(codes.map(({ code }) => code));
      const strange = lines.findIndex(({ productCode }) => !known.has(productCode));
      if (strange >= 0)
        throw new JokulError(
          'unknown-formula',
          say`There is no formula "${lines[strange]?.productCode ?? ''}".`,
          `lines.${strange}.productCode`,
        );
      const there = (await this.day(date, manager)).orders;
      // A key may be of a line of another day: that one is not moved here.
      const sent = await manager.findBy(OrderLineEntity, { id: In(lines.map(({ id }) => id)) });
      const ids = new Set(sent.map(({ id }) => id));
      const keys = new Set(there.map(sameLine));
      const added: OrderView[] = [];
      for (const { id, customer, productCode, pieces, readyBy } of lines) {
        const key = sameLine({ customer, productCode, readyBy });
        if (ids.has(id) || keys.has(key)) continue;
        ids.add(id);
        keys.add(key);
        added.push(
          view(
            await manager.save(OrderLineEntity, {
              id,
              date,
              customer,
              productCode,
              pieces,
              readyBy,
              version: 1,
              ...ordinary,
            }),
          ),
        );
      }
      return { added, already: lines.length - added.length };
    });
  }

  /**
   * The row behind a line; of one that a standing order brings, the row that takes its place from now on.
   * @returns null when it is gone
   */
  private async rowOf(manager: EntityManager, id: string): Promise<OrderLineEntity | null> {
    const brought = ofStanding(id);
    if (!brought) return manager.findOneBy(OrderLineEntity, { id });
    const decided = await manager.findOneBy(OrderLineEntity, brought);
    if (decided) return decided;
    const order = (await this.standing.on(brought.date, manager)).find(
      (own) => own.id === brought.standingId,
    );
    if (!order) return null;
    const { customer, productCode, pieces, readyBy } = order;
    return {
      id: randomUUID(),
      ...brought,
      customer,
      productCode,
      pieces,
      readyBy,
      version: 0,
      skipped: false,
    };
  }

  /** @throws JokulError `unknown-line`, `changed-meanwhile`, `unknown-formula`, `clock-change` */
  async change(
    id: string,
    { version, customer, productCode, pieces, readyBy }: OrderLineInput,
  ): Promise<OrderView> {
    return changeRows(this.db, async (manager) => {
      const row = await this.rowOf(manager, id);
      if (!row || row.skipped)
        throw new JokulError(
          'unknown-line',
          say`Somebody else took this line off the list meanwhile. Add it again if it is still wanted.`,
          'id',
        );
      if (!(await manager.existsBy(FormulaVersionEntity, { code: productCode })))
        throw new JokulError('unknown-formula', say`There is no formula "${productCode}".`, 'productCode');
      await this.checkTime(row.date, readyBy, manager);
      if (row.version !== version) {
        throw new JokulError(
          'changed-meanwhile',
          say`Somebody else changed this line meanwhile: it now says ${row.pieces} pieces by ${row.readyBy}. Look, then save yours again.`,
          'version',
        );
      }
      const next = { ...row, customer, productCode, pieces, readyBy, version: row.version + 1 };
      await manager.save(OrderLineEntity, next);
      return view(next, await this.standing.on(row.date, manager));
    });
  }

  /**
   * Takes a line off the list; one that is gone already stays gone. A line of a standing order is left out for its day.
   * @param version that was read; what somebody changed since is not removed unseen
   * @throws JokulError `changed-meanwhile`
   */
  async remove(id: string, version?: number): Promise<void> {
    await changeRows(this.db, async (manager) => {
      const row = await this.rowOf(manager, id);
      if (!row || row.skipped) return;
      if (version !== undefined && row.version !== version)
        throw new JokulError(
          'changed-meanwhile',
          say`Somebody else changed this line meanwhile: it now says ${row.pieces} pieces by ${row.readyBy}. Look, then remove it again.`,
          'version',
        );
      if (row.standingId === null) await manager.delete(OrderLineEntity, { id });
      else await manager.save(OrderLineEntity, { ...row, skipped: true, version: row.version + 1 });
    });
  }

  /** A day has the line of a standing order again, as it stands; harmless where nobody changed it. */
  async takeBack(date: string, standingId: string): Promise<void> {
    await changeRows(this.db, async (manager) => {
      await manager.delete(OrderLineEntity, { date, standingId });
    });
  }
}
