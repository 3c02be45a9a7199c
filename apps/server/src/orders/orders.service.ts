import { Injectable } from '@nestjs/common';
import { randomUUID } from 'node:crypto';
import { DataSource, In } from 'typeorm';
import { clockChangeAt, JokulError } from '@jokul/core';
import type { KeyedOrderLineInput, OrderLineInput, OrderLinesView, OrderView } from '@jokul/contracts';
import { FormulaVersionEntity, OrderLineEntity } from '../database/entities.js';
import { changeRows, SettingsService } from '../setup/settings.service.js';

const view = ({ id, customer, productCode, pieces, readyBy, version }: OrderLineEntity): OrderView => ({
  id,
  customer,
  productCode,
  pieces,
  readyBy,
  version,
});

@Injectable()
export class OrdersService {
  constructor(
    private readonly db: DataSource,
    private readonly settings: SettingsService,
  ) {}

  /** @throws JokulError `clock-change` for a ready-by that the night of a clock change has not, or has twice */
  private async checkTime(date: string, readyBy: string): Promise<void> {
    const { body: rules } = await this.settings.read('rules');
    const change = clockChangeAt(date, readyBy, rules.timeZone);
    if (change === 'skipped')
      throw new JokulError(
        'clock-change',
        `The clock is put forward that night: there is no ${readyBy} on ${date}. Give a time before or after it.`,
        'readyBy',
      );
    if (change === 'twice')
      throw new JokulError(
        'clock-change',
        `The clock is put back that night: ${readyBy} comes twice on ${date}. Give a time before or after that hour.`,
        'readyBy',
      );
  }

  /** The bake list of a day, by ready-by. */
  async list(date: string): Promise<readonly OrderView[]> {
    const rows = await this.db.manager.find(OrderLineEntity, {
      where: { date },
      order: { readyBy: 'ASC', customer: 'ASC', productCode: 'ASC' },
    });
    return rows.map(view);
  }

  /** @throws JokulError `unknown-formula`, `same-line` when the customer already has that product at that time */
  async add(
    date: string,
    { customer, productCode, pieces, readyBy }: OrderLineInput,
    id: string = randomUUID(),
  ): Promise<OrderView> {
    await this.checkTime(date, readyBy);
    return changeRows(this.db, async (manager) => {
      if (!(await manager.existsBy(FormulaVersionEntity, { code: productCode }))) {
        throw new JokulError('unknown-formula', `There is no formula "${productCode}".`, 'productCode');
      }
      if (await manager.existsBy(OrderLineEntity, { date, customer, productCode, readyBy })) {
        throw new JokulError(
          'same-line',
          `${customer} already has ${productCode} at ${readyBy} on the list; change that line instead.`,
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
      });
      return view(row);
    });
  }

  /**
   * Several lines together, all of them or none. Lines that are there already, by their key or because the customer has
   * that product at that time, stay as they are.
   * @throws JokulError `clock-change`, `unknown-formula` with the path of the line
   */
  async addMany(date: string, lines: readonly KeyedOrderLineInput[]): Promise<OrderLinesView> {
    for (const [i, { readyBy }] of lines.entries())
      await this.checkTime(date, readyBy).catch((error: unknown) => {
        if (!(error instanceof JokulError)) throw error;
        throw new JokulError(error.code, error.message, `lines.${i}.readyBy`);
      });
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
          `There is no formula "${lines[strange]?.productCode}".`,
          `lines.${strange}.productCode`,
        );
      const there = await manager.findBy(OrderLineEntity, { date });
      // A key may be of a line of another day: that one is not moved here.
      const sent = await manager.findBy(OrderLineEntity, { id: In(lines.map(({ id }) => id)) });
      const ids = new Set(sent.map(({ id }) => id));
      const same = (l: Pick<OrderView, 'customer' | 'productCode' | 'readyBy'>) =>
        JSON.stringify([l.customer.toLowerCase(), l.productCode, l.readyBy]);
      const keys = new Set(there.map(same));
      const added: OrderView[] = [];
      for (const { id, customer, productCode, pieces, readyBy } of lines) {
        const key = same({ customer, productCode, readyBy });
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
            }),
          ),
        );
      }
      return { added, already: lines.length - added.length };
    });
  }

  /** @throws JokulError `unknown-line`, `changed-meanwhile` */
  async change(id: string, { version, ...fields }: OrderLineInput): Promise<OrderView> {
    return changeRows(this.db, async (manager) => {
      const row = await manager.findOne(OrderLineEntity, {
        where: { id },
      });
      if (!row)
        throw new JokulError(
          'unknown-line',
          'Somebody else took this line off the list meanwhile. Add it again if it is still wanted.',
          'id',
        );
      if (!(await manager.existsBy(FormulaVersionEntity, { code: fields.productCode })))
        throw new JokulError(
          'unknown-formula',
          `There is no formula "${fields.productCode}".`,
          'productCode',
        );
      await this.checkTime(row.date, fields.readyBy);
      if (row.version !== version) {
        throw new JokulError(
          'changed-meanwhile',
          `Somebody else changed this line meanwhile: it now says ${row.pieces} pieces by ${row.readyBy}. Look, then save yours again.`,
          'version',
        );
      }
      const saved = await manager.save(OrderLineEntity, { ...row, ...fields, version: row.version + 1 });
      return view(saved);
    });
  }

  /**
   * Takes a line off the list; one that is gone already stays gone.
   * @param version that was read; what somebody changed since is not removed unseen
   * @throws JokulError `changed-meanwhile`
   */
  async remove(id: string, version?: number): Promise<void> {
    await changeRows(this.db, async (manager) => {
      const row = await manager.findOneBy(OrderLineEntity, { id });
      if (row && version !== undefined && row.version !== version)
        throw new JokulError(
          'changed-meanwhile',
          `Somebody else changed this line meanwhile: it now says ${row.pieces} pieces by ${row.readyBy}. Look, then remove it again.`,
          'version',
        );
      await manager.delete(OrderLineEntity, { id });
    });
  }
}
