import { Injectable } from '@nestjs/common';
import { DataSource, Like } from 'typeorm';
import {
  allAsThereIs,
  isStockBegun,
  productOf,
  stockInTheCold,
  type BatchPlan,
  type Equipment,
  type Formula,
  type HouseRules,
  type StockItem,
} from '@jokul/core';
import { LotEntity } from '../database/entities.js';
import { JournalReader } from '../journal/journal-reader.js';
import { LotsService } from '../lot/lots.service.js';

/** Dough that is there already: what a plan may use before anything is mixed, and which batches are facts. */
@Injectable()
export class StockService {
  constructor(
    private readonly db: DataSource,
    private readonly journal: JournalReader,
    private readonly lots: LotsService,
  ) {}

  /** The batches among those planned that somebody works on. */
  async begun(batches: readonly BatchPlan[]): Promise<ReadonlySet<string>> {
    const stock = batches.filter((batch) => batch.stock);
    const [mixed, floor] = await Promise.all([
      this.lots.begun(batches.filter((batch) => !batch.stock).map(({ batchId }) => batchId)),
      this.journal.floorOf(stock.map(({ batchId }) => batchId)),
    ]);
    return new Set([
      ...mixed,
      ...stock.filter((batch) => isStockBegun(batch, floor)).map(({ batchId }) => batchId),
    ]);
  }

  /** Planned batches with the pieces that there really are: what is missing of one is to be mixed anew. */
  async asThereIs(batches: readonly BatchPlan[]): Promise<readonly BatchPlan[]> {
    return allAsThereIs(batches, await this.journal.floorOf(batches.map(({ batchId }) => batchId)));
  }

  /**
   * What lies in the cold and may be used.
   * @param planned batches of plans that stand: the dough that they reckon with is theirs
   * @param leave lots that are kept for something else
   * @param parts how many days may each take a part of a lot
   */
  async inTheCold(question: {
    readonly formulas: readonly Formula[];
    readonly equipment: Equipment;
    readonly rules: HouseRules;
    readonly planned: readonly BatchPlan[];
    readonly leave: readonly string[];
    readonly parts: number;
    readonly nowMs: number;
  }): Promise<readonly StockItem[]> {
    const { formulas, equipment, rules, planned, leave, parts, nowMs } = question;
    const wanted = new Map(formulas.map((formula) => [formula.code, formula]));
    const inside = (await this.db.manager.find(LotEntity, { where: { inside: true }, select: { lot: true } }))
      .map(({ lot }) => lot)
      // A part may be of another product than its name says: what it is stands in its record.
      .filter((lot) => wanted.has(productOf(lot)) || lot.includes('.'));
    if (inside.length === 0) return [];
    const ofParts = planned.filter(({ stock }) => stock?.from !== undefined).map(({ batchId }) => batchId);
    const [floor, names] = await Promise.all([
      this.journal.floorOf([...new Set([...inside, ...ofParts])]),
      this.db.manager.find(LotEntity, {
        where: [...new Set(inside.map((lot) => lot.replace(/\.\d+$/, '')))].map((whole) => ({
          lot: Like(`${whole}.%`),
        })),
        select: { lot: true },
      }),
    ]);
    return stockInTheCold({
      lots: floor.lots,
      places: equipment.places,
      rules,
      formulas: wanted,
      planned,
      partNames: new Set(names.map(({ lot }) => lot)),
      leave: new Set(leave),
      parts,
      nowMs,
    });
  }
}
