import { Injectable } from '@nestjs/common';
import { LRUCache } from 'lru-cache';
import { Between, DataSource, type EntityManager } from 'typeorm';
import { JokulError, shiftDate, type BatchPlan, say } from '@jokul/core';
import type { PlanView } from '@jokul/contracts';
import { PlanEntity } from '../database/entities.js';
import { changeRows } from '../settings/settings.service.js';
import type { PlanBody } from '../computation/plan-tasks.js';

export type StoredPlan = PlanBody & {
  readonly madeAtMs: number;
  /** When what is known of the ovens was learned; null for the untouched model. */
  readonly calibratedAtMs?: number | null;
  readonly moves?: PlanView['moves'];
  /** Batches that stay where they are, though nobody began them; none in plans of before this was known. */
  readonly held?: readonly string[];
  /** Lots in the cold that are kept for something else; none in plans of before this was known. */
  readonly leave?: readonly string[];
};

/** A plan that is not written yet, and the one that it stands for. */
export interface ComputedPlan {
  readonly date: string;
  readonly before: PlanEntity | null;
  readonly body: StoredPlan;
  readonly inputHash: string;
  /** What other plans were known to take when dough from the cold was dealt out; none where nothing was. */
  readonly promised?: Promised;
}

/** Batches of plans of other days that are not over, at a moment. */
export interface Promised {
  readonly nowMs: number;
  readonly batches: readonly BatchPlan[];
}

/** What a week shows of a day's plan. */
export interface PlanSummary {
  readonly date: string;
  readonly inputHash: string;
  readonly batches: readonly BatchPlan[];
  /** Ordered pieces that are not ready in time. */
  readonly undone: number;
}

const namesOf = ({ batches }: Promised): string =>
  JSON.stringify(batches.map(({ batchId }) => batchId).toSorted());

/** Dough is mixed and rests up to so many days before it is baked. */
const daysAround = 5;

/** The plans as they are written, and what those of other days hold. */
@Injectable()
export class PlanRows {
  /** Plans as they were last read: one is a quarter of a megabyte, and every screen of the day asks for it. */
  private readonly read = new LRUCache<string, { readonly seal: string; readonly row: PlanEntity }>({
    max: 12,
  });

  constructor(private readonly db: DataSource) {}

  /** The plan of a day as it is written, or null; it must not be changed. */
  async stored(date: string): Promise<PlanEntity | null> {
    // Another server, or a restored backup, may have written it: the checksum sees that as well.
    const [found] = await this.db.manager.query<{ seal: string }[]>(
      "SELECT CONCAT_WS('/', `version`, `inputHash`, CRC32(`body`)) AS seal FROM `plan` WHERE `date` = ?",
      [date],
    );
    if (!found) return null;
    const before = this.read.get(date);
    if (before?.seal === found.seal) return before.row;
    const row = await this.db.manager.findOneBy(PlanEntity, { date });
    if (row) this.read.set(date, { seal: found.seal, row });
    return row;
  }

  /** Plans of days from one to another, without their forecasts and ribbons. */
  async summaries(from: string, until: string): Promise<readonly PlanSummary[]> {
    const rows = await this.db.manager.query<
      { date: string; inputHash: string; batches: unknown; undone: unknown }[]
    >(
      "SELECT `date`, `inputHash`, JSON_EXTRACT(`body`, '$.plan.batches') AS batches, JSON_EXTRACT(`body`, '$.quality.undonePieces') AS undone FROM `plan` WHERE `date` BETWEEN ? AND ? ORDER BY `date`",
      [from, until],
    );
    return rows.map(({ date, inputHash, batches, undone }) => ({
      date,
      inputHash,
      batches: (typeof batches === 'string' ? JSON.parse(batches) : batches) as BatchPlan[],
      undone: Number(undone ?? 0),
    }));
  }

  /** The version of a day's plan, 0 when none was made yet. */
  async version(date: string): Promise<number> {
    const row = await this.db.manager.findOne(PlanEntity, {
      where: { date },
      select: { date: true, version: true },
    });
    return row?.version ?? 0;
  }

  /**
   * What the plans of other days hold from now on: the same oven, mixer and pair of hands is promised once.
   * @param dates the days that are planned, the first and the last among them
   */
  async takenByOthers(dates: readonly string[], nowMs: number): Promise<readonly BatchPlan[]> {
    const [first = '', last = first] = [dates[0], dates.at(-1)];
    const rows = await this.db.manager.findBy(PlanEntity, {
      date: Between(shiftDate(first, -daysAround), shiftDate(last, daysAround)),
    });
    return rows
      .filter((row) => !dates.includes(row.date))
      .flatMap((row) => (row.body as StoredPlan).plan.batches)
      .filter(({ tasks }) => tasks.some(({ endS }) => endS * 1000 > nowMs));
  }

  /** Batches of all plans of other days that are not over: their dough is theirs, however far ahead they are. */
  async promised(
    dates: readonly string[],
    nowMs: number,
    manager: EntityManager = this.db.manager,
  ): Promise<Promised> {
    const yesterday = new Date(nowMs - 2 * 86_400_000).toISOString().slice(0, 10);
    const rows = await manager.query<{ date: string; batches: unknown }[]>(
      "SELECT `date`, JSON_EXTRACT(`body`, '$.plan.batches') AS batches FROM `plan` WHERE `date` >= ?",
      [yesterday],
    );
    const batches = rows
      .filter(({ date }) => !dates.includes(date))
      .flatMap(({ batches }) => (typeof batches === 'string' ? JSON.parse(batches) : batches) as BatchPlan[])
      .filter(({ tasks }) => tasks.some(({ endS }) => endS * 1000 > nowMs));
    return { nowMs, batches };
  }

  /**
   * Writes plans together, if nobody else wrote one of them meanwhile, or promised dough that they reckon with.
   * @throws JokulError `changed-meanwhile`
   */
  async save(plans: readonly ComputedPlan[]): Promise<readonly PlanEntity[]> {
    return changeRows(this.db, async (manager) => {
      const rows: PlanEntity[] = [];
      const known = plans.find(({ promised }) => promised)?.promised;
      const dates = plans.map(({ date }) => date);
      const usesDough = plans.some(({ body }) => body.plan.batches.some(({ stock }) => stock));
      if (known && usesDough && namesOf(known) !== namesOf(await this.promised(dates, known.nowMs, manager)))
        throw new JokulError(
          'changed-meanwhile',
          say`Another day was planned meanwhile, perhaps with the same dough from the cold. Plan again.`,
          'version',
        );
      for (const { date, before, body, inputHash } of plans) {
        const now = await manager.findOne(PlanEntity, { where: { date } });
        if ((now?.version ?? 0) !== (before?.version ?? 0)) {
          throw new JokulError(
            'changed-meanwhile',
            say`Somebody else planned this day meanwhile. Look at their plan, then plan again.`,
            'version',
          );
        }
        const version = (before?.version ?? 0) + 1;
        rows.push(await manager.save(PlanEntity, { date, version, body, inputHash }));
      }
      return rows;
    });
  }
}
