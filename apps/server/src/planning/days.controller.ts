import { Controller, Get, Param } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { DayView, WeekView } from '@jokul/contracts';
import { BakeDatePipe } from '../common/bake-date.pipe.js';
import { OrdersService } from '../orders/orders.service.js';
import { PlanService } from './plan.service.js';
import { WeekService } from './week.service.js';

/** Days as they are looked at: what is ordered beside what is planned. */
@ApiTags('plan')
@Controller()
export class DaysController {
  constructor(
    private readonly orders: OrdersService,
    private readonly plans: PlanService,
    private readonly weeks: WeekService,
  ) {}

  @Get('days/:date')
  async day(@Param('date', BakeDatePipe) date: string): Promise<DayView> {
    const [lines, plan] = await Promise.all([this.orders.day(date), this.plans.view(date)]);
    return { date, ...lines, plan };
  }

  /** Seven days from a date on. */
  @Get('weeks/:date')
  week(@Param('date', BakeDatePipe) date: string): Promise<WeekView> {
    return this.weeks.view(date);
  }
}
