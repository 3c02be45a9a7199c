import { Injectable, Logger } from '@nestjs/common';
import { DataSource, Not } from 'typeorm';
import type { PlanView } from '@jokul/contracts';
import {
  atWallClock,
  chance,
  demoCalendar,
  demoDay,
  demoEquipment,
  demoFormulas,
  demoOrders,
  demoRules,
  demoStanding,
  demoWeek,
  genesisHash,
  reduceLedger,
  shiftDate,
  type Chance,
} from '@jokul/core';
import { ComputationService } from '../computation/computation.service.js';
import type { ProductBakes } from '../computation/predictions.js';
import {
  entities,
  FormulaVersionEntity,
  JournalEntryEntity,
  JournalHeadEntity,
  OrderLineEntity,
  SettingEntity,
  StandingOrderEntity,
} from '../database/entities.js';
import { pack, type StoredName } from '../database/stored.js';
import { JournalService } from '../journal/journal.service.js';
import { LotsService } from '../lot/lots.service.js';
import { PlanService } from '../planning/plan.service.js';
import { frozenBags, writeFrozen } from './past-frozen.js';
import { pastLots, writePast } from './past.js';
import { writeToday } from './today.js';
import { DemoWriter } from './writer.js';

/** The made-up bakery, its bake list, its plan and its past, all computed by the parts that compute for real. */
@Injectable()
export class DemoSeed {
  private readonly logger = new Logger('Demo');

  constructor(
    private readonly db: DataSource,
    private readonly plans: PlanService,
    private readonly journal: JournalService,
    private readonly computation: ComputationService,
    private readonly lots: LotsService,
  ) {}

  /** Fills an empty database, also one whose filling was cut short; leaves any other alone. */
  async fillIfEmpty(): Promise<void> {
    const { manager } = this.db;
    if (await manager.existsBy(SettingEntity, { key: 'bakery' })) return;
    // Without its name, but with entries that the demo did not make, it is somebody's bakery: nothing of it is touched.
    if (await manager.existsBy(JournalEntryEntity, { device: Not('demo') })) {
      this.logger.warn(
        'The bakery has lost its name, but has entries of its own: they are kept as they are.',
      );
      await manager.insert(SettingEntity, {
        key: 'bakery',
        body: pack('bakery', { name: 'Bakery', day: null }),
        version: 1,
      });
      return;
    }
    await this.clear();
    await this.fill();
  }

  /** Empties the database and fills it anew. */
  async reset(): Promise<void> {
    await this.clear();
    await this.fill();
  }

  /** The name goes first and comes back last: a filling that is cut in between is seen as such, and made again. */
  private async clear(): Promise<void> {
    await this.db.manager.delete(SettingEntity, { key: 'bakery' });
    for (const entity of entities) await this.db.manager.clear(entity);
  }

  private async fill(): Promise<void> {
    this.logger.log('Filling the empty database with the demo bakery ...');
    const { timeZone } = demoRules;
    const nowS = atWallClock(demoDay.date, demoDay.time, timeZone);
    const random = chance(20_26_11_27);
    const { manager } = this.db;
    await manager.save(JournalHeadEntity, { id: 1, seq: 0, hash: genesisHash, revision: 0 });
    await this.fillLists(random, nowS);

    const past = pastLots(demoFormulas);
    const [bagNames, pastNames] = [
      await this.lots.name(
        frozenBags.map(({ code }) => code),
        demoDay.date,
      ),
      await this.lots.name(
        past.map(({ code }) => code),
        demoDay.date,
      ),
    ];

    const writer = new DemoWriter(random);
    writeFrozen(writer, demoFormulas, bagNames);
    // What lies in the freezer is there when the week is planned.
    await this.journal.append(writer.entries);
    const frozen = writer.entries.length;

    // The week's plan was made on the Tuesday noon before, when nothing had begun.
    const plannedAtS = atWallClock(shiftDate(demoDay.date, -3), '12:00', timeZone);
    this.logger.log('Baking every product in every oven, and planning the day ...');
    const plan = await this.planOfDemoDay(plannedAtS);

    const bakes = new Map<string, ProductBakes>(
      await Promise.all(
        demoFormulas.map(
          async (f) => [f.code, await this.computation.bakesOf(f, demoEquipment, demoRules)] as const,
        ),
      ),
    );
    this.logger.log('Writing down the weeks before ...');
    writePast(
      writer,
      random,
      demoFormulas,
      bakes,
      past.map((own, i) => ({ ...own, id: pastNames[i] ?? '' })),
    );
    writeToday(
      writer,
      random,
      plan.plan.batches,
      plan.preparations ?? [],
      new Map(demoFormulas.map((f) => [f.code, f])),
      demoEquipment,
      reduceLedger(writer.entries.slice(0, frozen)),
      nowS,
    );
    const entries = writer.entries
      .slice(frozen)
      .filter((entry) => entry.atMs <= nowS * 1000)
      .sort((a, b) => a.atMs - b.atMs);
    for (let i = 0; i < entries.length; i += 200) await this.journal.append(entries.slice(i, i + 200));

    // Last, so that an interrupted seeding is seen as such and made again.
    await manager.save(SettingEntity, {
      key: 'bakery',
      body: pack('bakery', { name: 'Hollin Quay Bakehouse', day: demoDay.date }),
      version: 1,
    });
    const clock = { mode: 'running', offsetMs: nowS * 1000 - Date.now(), frozenAtMs: nowS * 1000 };
    await manager.save(SettingEntity, { key: 'clock', body: pack('clock', clock), version: 1 });
    this.logger.log(
      `The demo bakery is there: ${demoFormulas.length} formulas, ${frozen + entries.length} journal entries.`,
    );
  }

  /** Formulas, orders and settings. */
  private async fillLists(random: Chance, nowS: number): Promise<void> {
    const { manager } = this.db;
    await manager.insert(
      FormulaVersionEntity,
      demoFormulas.map((body) => ({
        code: body.code,
        version: 1,
        body,
        createdAtMs: (nowS - 60 * 86_400) * 1000,
      })),
    );
    await manager.insert(
      OrderLineEntity,
      demoOrders.flatMap((order) =>
        Object.entries(order.pieces).map(([productCode, pieces]) => ({
          id: random.uuid(),
          date: demoDay.date,
          customer: order.customer,
          productCode,
          pieces,
          readyBy: order.readyBy,
          version: 1,
        })),
      ),
    );
    // Of random of their own, so that the past stays what it is when they change.
    const standingLuck = chance(20_26_11_28);
    await manager.insert(
      StandingOrderEntity,
      demoStanding.flatMap(({ customer, readyBy, weekdays, pieces: ordered }) =>
        Object.entries(ordered).map(([productCode, pieces]) => ({
          id: standingLuck.uuid(),
          customer,
          productCode,
          pieces,
          readyBy,
          weekdays: weekdays.join(''),
          fromDate: demoWeek.from,
          untilDate: demoWeek.until,
          version: 1,
        })),
      ),
    );
    const settings: [StoredName, unknown][] = [
      ['equipment', { ...demoEquipment, calendar: demoCalendar }],
      ['rules', demoRules],
      ['clock', { mode: 'running', offsetMs: nowS * 1000 - Date.now(), frozenAtMs: nowS * 1000 }],
    ];
    for (const [key, body] of settings)
      await manager.save(SettingEntity, { key, body: pack(key, body), version: 1 });
  }

  /**
   * The demo's plan is the one that is laid out first, before anything is improved: as late as can be, so that the day is
   * all ahead as the demo opens, and a press on Plan again has something to show.
   */
  private planOfDemoDay(plannedAtS: number): Promise<PlanView> {
    return this.plans.make(demoDay.date, { nowMs: plannedAtS * 1000, tries: 0 });
  }
}
