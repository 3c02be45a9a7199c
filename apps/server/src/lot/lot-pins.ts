import { Injectable } from '@nestjs/common';
import { randomUUID } from 'node:crypto';
import { In, type EntityManager } from 'typeorm';
import {
  ageOfPart,
  amountsFor,
  isWork,
  JokulError,
  kindOfPlace,
  lotAllergens,
  lotWhich,
  lotRecord,
  readLotId,
  reduceLedger,
  toppingsFor,
  weighSheet,
  withFoods,
  withoutFoods,
  type BatchPlan,
  type DraftEntry,
  type Equipment,
  type Library,
  type LotRecord,
} from '@jokul/core';
import { unpack } from '../database/stored.js';
import {
  FormulaVersionEntity,
  JournalEntryEntity,
  LotEntity,
  PlanEntity,
  SettingEntity,
} from '../database/entities.js';
import { OwnIngredientsService } from '../ingredient/own-ingredients.service.js';

/** What the log calls this server, where it writes something itself. */
export const serverDevice = 'server';

interface Planned {
  readonly batch: BatchPlan;
  readonly day: string;
  readonly version: number;
}

/**
 * Pins what a lot is where the one who works on it did not: an older tablet, another program. The record stands before
 * the work, by what is planned at that moment.
 */
const begunBy = ({ atMs, who, lot }: DraftEntry, payload: LotRecord): DraftEntry => ({
  id: randomUUID(),
  atMs,
  who,
  device: serverDevice,
  lot,
  kind: 'begun',
  payload,
});

/** So many pinned lots are kept in mind. */
const mostKept = 2000;

@Injectable()
export class LotPins {
  private readonly pinned = new Set<string>();

  constructor(private readonly own: OwnIngredientsService) {}

  /** Whether each lot of these that is worked on is known to have its record. */
  hasAll(entries: readonly DraftEntry[]): boolean {
    return entries.every(({ kind, lot }) => !isWork(kind) || this.pinned.has(lot));
  }

  /** Reads anew which lots have their record. */
  forget(): void {
    this.pinned.clear();
  }

  private keep(lot: string): void {
    if (this.pinned.size >= mostKept) this.pinned.clear();
    this.pinned.add(lot);
  }

  /** The records that are missing before these entries may stand, in the order of their lots. */
  async missing(manager: EntityManager, entries: readonly DraftEntry[]): Promise<readonly DraftEntry[]> {
    const first = new Map<string, DraftEntry>();
    const sent = new Set(entries.filter(({ kind }) => kind === 'begun').map(({ lot }) => lot));
    for (const entry of entries)
      if (isWork(entry.kind) && !first.has(entry.lot) && !sent.has(entry.lot)) first.set(entry.lot, entry);
    if (first.size === 0) return [];
    const rows = await manager.find(LotEntity, { where: { lot: In([...first.keys()]) } });
    for (const { lot, begun, worked } of rows) {
      if (begun) this.keep(lot);
      if (begun || worked) first.delete(lot);
    }
    const open = rows.filter(({ lot, day }) => first.has(lot) && day !== null);
    const parts = [...first.values()].filter(({ lot }) => readLotId(lot)?.part);
    if (open.length === 0 && parts.length === 0) return [];
    const library = await this.own.library(manager);
    const planned = await this.planned(manager, [...new Set(open.flatMap(({ day }) => day ?? []))]);
    const row = await manager.findOneBy(SettingEntity, { key: 'equipment' });
    const equipment = row ? unpack<Equipment>('equipment', row.body) : undefined;
    if (!equipment) return [];
    const made: DraftEntry[] = [];
    for (const entry of parts) {
      const record = await this.partRecord(manager, entry, equipment);
      if (record) made.push(begunBy(entry, record));
      first.delete(entry.lot);
    }
    for (const { lot } of open) {
      const found = planned.get(lot);
      const entry = first.get(lot);
      if (!found || !entry) continue;
      const record = await this.record(manager, found, equipment, library);
      if (record) made.push(begunBy(entry, record));
    }
    return made;
  }

  /** A part is what the lot is that it was split from, and as old as that was by then. */
  private async partRecord(
    manager: EntityManager,
    entry: DraftEntry,
    { places }: Equipment,
  ): Promise<LotRecord | null> {
    const whole = entry.lot.replace(/\.\d+$/, '');
    const rows = await manager.find(JournalEntryEntity, { where: { lot: whole }, order: { seq: 'ASC' } });
    const lot = reduceLedger(rows as unknown as DraftEntry[]).lots.get(whole);
    if (!lot?.begun) return null;
    const { atMs: _a, who: _w, entryId: _e, ...pinned } = lot.begun;
    const { massG, pieces } = entry.kind === 'rest-in' ? entry.payload : pinned;
    const age = ageOfPart(lot, kindOfPlace(places), entry.atMs);
    return {
      ...pinned,
      formula: withoutFoods(pinned.formula),
      allergens: lotAllergens(lot, pinned.formula),
      which: lotWhich(lot, pinned.formula),
      massG,
      pieces,
      parents: [{ lot: whole, massG }],
      age,
    };
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

  private async record(
    manager: EntityManager,
    { batch, day, version }: Planned,
    { scales }: Equipment,
    library: Library,
  ) {
    const row = await manager.findOneBy(FormulaVersionEntity, { code: batch.productCode, version });
    if (!row) return null;
    try {
      const formula = withFoods(row.body, library);
      const amounts = [...amountsFor(formula, batch.massG), ...toppingsFor(formula, batch.massG)];
      return lotRecord(formula, {
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
