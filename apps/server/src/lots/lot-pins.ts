import { Injectable } from '@nestjs/common';
import { randomUUID } from 'node:crypto';
import { In, type EntityManager } from 'typeorm';
import {
  amountsFor,
  isWork,
  JokulError,
  lotRecord,
  toppingsFor,
  weighSheet,
  type BatchPlan,
  type DraftEntry,
  type Equipment,
} from '@jokul/core';
import { unpack } from '../database/stored.js';
import { FormulaVersionEntity, LotEntity, PlanEntity, SettingEntity } from '../database/entities.js';
import { OwnIngredientsService } from '../setup/own-ingredients.service.js';

interface Planned {
  readonly batch: BatchPlan;
  readonly day: string;
  readonly version: number;
}

/**
 * Pins what a lot is where the one who works on it did not: an older tablet, another program. The record stands before
 * the work, by what is planned at that moment.
 */
@Injectable()
export class LotPins {
  constructor(private readonly own: OwnIngredientsService) {}

  /** The records that are missing before these entries may stand, in the order of their lots. */
  async missing(manager: EntityManager, entries: readonly DraftEntry[]): Promise<readonly DraftEntry[]> {
    const first = new Map<string, DraftEntry>();
    const sent = new Set(entries.filter(({ kind }) => kind === 'begun').map(({ lot }) => lot));
    for (const entry of entries)
      if (isWork(entry.kind) && !first.has(entry.lot) && !sent.has(entry.lot)) first.set(entry.lot, entry);
    if (first.size === 0) return [];
    const rows = await manager.find(LotEntity, { where: { lot: In([...first.keys()]) } });
    for (const { lot, begun, worked } of rows) if (begun || worked) first.delete(lot);
    const open = rows.filter(({ lot, day }) => first.has(lot) && day !== null);
    if (open.length === 0) return [];
    await this.own.read(manager);
    const planned = await this.planned(manager, [...new Set(open.flatMap(({ day }) => day ?? []))]);
    const row = await manager.findOneBy(SettingEntity, { key: 'equipment' });
    const scales = row ? unpack<Equipment>('equipment', row.body) : undefined;
    const made: DraftEntry[] = [];
    for (const { lot } of open) {
      const found = planned.get(lot);
      const entry = first.get(lot);
      if (!found || !entry || !scales) continue;
      const record = await this.record(manager, found, scales);
      if (record)
        made.push({
          id: randomUUID(),
          atMs: entry.atMs,
          who: entry.who,
          device: 'server',
          lot,
          kind: 'begun',
          payload: record,
        });
    }
    return made;
  }

  private async planned(
    manager: EntityManager,
    days: readonly string[],
  ): Promise<ReadonlyMap<string, Planned>> {
    const plans = await manager.find(PlanEntity, { where: { date: In([...days]) } });
    return new Map(
      plans.flatMap(({ date, body }) => {
        const { plan, batchFormula } = body as {
          plan: { batches: readonly BatchPlan[] };
          batchFormula: Readonly<Record<string, number>>;
        };
        return plan.batches.map((batch) => [
          batch.batchId,
          { batch, day: date, version: batchFormula[batch.batchId] ?? 1 },
        ]);
      }),
    );
  }

  private async record(manager: EntityManager, { batch, day, version }: Planned, { scales }: Equipment) {
    const row = await manager.findOneBy(FormulaVersionEntity, { code: batch.productCode, version });
    if (!row) return null;
    try {
      const amounts = [...amountsFor(row.body, batch.massG), ...toppingsFor(row.body, batch.massG)];
      return lotRecord(row.body, {
        massG: batch.massG,
        pieces: batch.pieces,
        day,
        mixerId: batch.mixerId,
        sheet: weighSheet(amounts, scales).lines.map(({ key, ingredientId, roundedG, scaleId }) => ({
          key,
          ingredientId,
          targetG: roundedG,
          scaleId,
        })),
      });
    } catch (error) {
      // An ingredient that is gone must not keep a press from being stored.
      if (error instanceof JokulError) return null;
      throw error;
    }
  }
}
