import { Injectable } from '@nestjs/common';
import { atWallClock, shiftDate, whyClosed } from '@jokul/core';
import type { WeekDay, WeekView } from '@jokul/contracts';
import { SettingsService } from '../settings/settings.service.js';
import { busyWork } from './busy-work.js';
import { PlanRows } from './plan-rows.js';
import { PlanInputsService } from './plan-inputs.service.js';

const daysOfWeek = 7;
/** Dough is mixed so many days before it is baked, at most: plans of days behind the week have work in it. */
const mixedBefore = 5;

/** Seven days at a glance: what is ordered, how each is planned, and when mixers, bench and ovens are busy. */
@Injectable()
export class WeekService {
  constructor(
    private readonly inputs: PlanInputsService,
    private readonly rows: PlanRows,
    private readonly settings: SettingsService,
  ) {}

  async view(from: string): Promise<WeekView> {
    const dates = Array.from({ length: daysOfWeek }, (_, i) => shiftDate(from, i));
    const last = dates.at(-1) ?? from;
    const [{ body: equipment }, { body: rules }, plans] = await Promise.all([
      this.settings.read('equipment'),
      this.settings.read('rules'),
      this.rows.summaries(shiftDate(from, -1), shiftDate(last, mixedBefore)),
    ]);
    const days = await Promise.all(
      dates.map(async (date): Promise<WeekDay> => {
        const { orders, hash } = await this.inputs.of(date);
        const plan = plans.find((own) => own.date === date);
        const loads = plan?.batches.flatMap((batch) => batch.loads) ?? [];
        return {
          date,
          closed: whyClosed(equipment.calendar, date),
          lines: orders.length,
          pieces: orders.reduce((sum, order) => sum + order.pieces, 0),
          plan: plan
            ? {
                stale: plan.inputHash !== hash,
                undone: plan.undone,
                loads: loads.length,
                firstLoadS: loads.length > 0 ? Math.min(...loads.map(({ startS }) => startS)) : null,
                readyS: loads.length > 0 ? Math.max(...loads.map(({ readyS }) => readyS)) : null,
              }
            : null,
        };
      }),
    );
    const fromS = atWallClock(from, '00:00', rules.timeZone);
    const toS = atWallClock(shiftDate(last, 1), '00:00', rules.timeZone);
    return { from, days, work: plans.flatMap((plan) => busyWork(plan, fromS, toS)) };
  }
}
