import { Injectable } from '@nestjs/common';
import { DataSource, In, type EntityManager } from 'typeorm';
import { asPinned, lotId, readLotId, type LotRecord } from '@jokul/core';
import { JournalEntryEntity, LotEntity } from '../database/entities.js';

/** Names of lots, and what each one pinned. */
@Injectable()
export class LotsService {
  constructor(private readonly db: DataSource) {}

  /**
   * Names for lots that are planned anew. The number comes from a counter that only goes up, so that no plan, no second
   * server and no planning anew hands one out twice.
   * @param codes product of each lot
   * @param day that they are baked for, such as 2026-11-27
   */
  async name(codes: readonly string[], day: string): Promise<readonly string[]> {
    if (codes.length === 0) return [];
    const year = Number(day.slice(0, 4));
    return this.db.transaction(async (manager) => {
      // One statement: it waits for others on the same counter, and cannot lock them out.
      const { insertId: last } = await manager.query<{ insertId: number }>(
        'INSERT INTO `lot_counter` (`year`, `last`) VALUES (?, LAST_INSERT_ID(?)) ON DUPLICATE KEY UPDATE `last` = LAST_INSERT_ID(`last` + ?)',
        [year, codes.length, codes.length],
      );
      const ids = codes.map((code, i) => lotId(code, year, last - codes.length + 1 + i));
      await manager.insert(
        LotEntity,
        ids.map((lot) => ({
          lot,
          firstMs: null,
          lastMs: null,
          inside: false,
          worked: false,
          begun: false,
          inspected: false,
          day,
        })),
      );
      return ids;
    });
  }

  /**
   * The names of a day's planned lots by product, first those of lots that nobody has begun, so that a plan that is
   * made anew keeps them.
   * @param needed how many lots of each product
   * @param planned lots of the plan before that were not begun
   */
  async namesFor(
    day: string,
    needed: ReadonlyMap<string, number>,
    planned: readonly { readonly batchId: string; readonly productCode: string }[],
  ): Promise<Record<string, readonly string[]>> {
    const names = new Map<string, string[]>();
    const missing: string[] = [];
    for (const [code, count] of needed) {
      // Names of an older form are not given to new dough.
      const kept = planned
        .filter((batch) => batch.productCode === code && readLotId(batch.batchId) !== null)
        .map(({ batchId }) => batchId)
        .slice(0, count);
      names.set(code, kept);
      for (let i = kept.length; i < count; i++) missing.push(code);
    }
    (await this.name(missing, day)).forEach((id, i) => names.get(missing[i] ?? '')?.push(id));
    return Object.fromEntries(names);
  }

  /** Lots among those given that somebody worked on; what was struck does not count. */
  async begun(lots: readonly string[]): Promise<ReadonlySet<string>> {
    if (lots.length === 0) return new Set();
    const rows = await this.db.manager.find(LotEntity, {
      where: { lot: In([...lots]), worked: true },
      select: { lot: true },
    });
    return new Set(rows.map(({ lot }) => lot));
  }

  /** What lots pinned when they were begun; lots that pinned nothing are not in it. */
  async records(
    lots: readonly string[],
    manager: EntityManager = this.db.manager,
  ): Promise<ReadonlyMap<string, LotRecord>> {
    if (lots.length === 0) return new Map();
    const rows = await manager.find(JournalEntryEntity, {
      where: { lot: In([...lots]), kind: 'begun' },
      order: { seq: 'DESC' },
    });
    return new Map(rows.map((row) => [row.lot, asPinned(row.payload as LotRecord)]));
  }
}
