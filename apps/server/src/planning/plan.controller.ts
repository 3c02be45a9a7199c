import { Body, Controller, Param, ParseUUIDPipe, Post, Req } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import {
  DaysPlanInput,
  HoldInput,
  MoveInput,
  PlanInput,
  RetimeInput,
  TakeInput,
  WhatIfInput,
  type DaysPlanView,
  type MoveView,
  type PlanView,
  type ReadPlanView,
  type ReplanView,
  type TakenView,
  type WhatIfView,
} from '@jokul/contracts';
import type { Request } from 'express';
import { BakeDatePipe } from '../common/bake-date.pipe.js';
import { untilLeft } from '../common/until-left.js';
import { Who } from '../common/who.js';
import { DaysPlanService } from './days-plan.service.js';
import { PlanService } from './plan.service.js';
import { ReplanService } from './replan.service.js';
import { TakeOfferService } from './take-offer.service.js';
import { WhatIfService } from './what-if.service.js';

@ApiTags('plan')
@Controller('days/:date/plan')
export class PlanController {
  constructor(
    private readonly plans: PlanService,
    private readonly replans: ReplanService,
    private readonly offers: TakeOfferService,
    private readonly days: DaysPlanService,
    private readonly whatIf: WhatIfService,
  ) {}

  /** Plans the day; leaving the page gives the computation up. */
  @Post()
  make(
    @Param('date', BakeDatePipe) date: string,
    @Body() { chance, leave }: PlanInput,
    @Req() request: Request,
  ): Promise<PlanView> {
    return untilLeft(request, (signal) => this.replans.planAgain(date, { signal, chance, leave }));
  }

  /** Plans this day and those after it together. */
  @Post('days')
  makeDays(
    @Param('date', BakeDatePipe) date: string,
    @Body() { until, chance }: DaysPlanInput,
    @Req() request: Request,
  ): Promise<DaysPlanView> {
    return untilLeft(request, (signal) => this.days.make(date, until, { signal, chance }));
  }

  /** Puts pulls and starts right without planning anew. */
  @Post('retime')
  retime(@Param('date', BakeDatePipe) date: string, @Body() { notBefore }: RetimeInput): Promise<PlanView> {
    return this.plans.retime(
      date,
      Object.fromEntries((notBefore ?? []).map(({ batchId, atS }) => [batchId, atS])),
    );
  }

  /** A way out of a day that slipped, to be looked at; changes nothing. */
  @Post('replan')
  replan(@Param('date', BakeDatePipe) date: string, @Req() request: Request): Promise<ReplanView> {
    return untilLeft(request, (signal) => this.replans.offer(date, signal));
  }

  /** Takes the way out that was looked at. */
  @Post('replan/:id')
  takeReplan(
    @Param('date', BakeDatePipe) date: string,
    @Param('id', ParseUUIDPipe) id: string,
    @Body() { reason }: TakeInput,
    @Who() who: string,
  ): Promise<TakenView> {
    return this.offers.take(date, id, reason, who);
  }

  /** What follows when a load goes into another oven, or at another time; changes nothing. */
  @Post('move')
  move(@Param('date', BakeDatePipe) date: string, @Body() input: MoveInput): Promise<MoveView> {
    return this.replans.move(date, input);
  }

  /** What follows from a plan that comes as a file (docs/day-plan.schema.json); changes nothing. */
  @Post('file')
  read(@Param('date', BakeDatePipe) date: string, @Body() file: unknown): Promise<ReadPlanView> {
    return this.replans.read(date, file);
  }

  /** Whether a batch stays where it is when the day is planned again. */
  @Post('held')
  hold(@Param('date', BakeDatePipe) date: string, @Body() input: HoldInput): Promise<PlanView> {
    return this.replans.hold(date, input);
  }

  /** How the day would go if something were otherwise; changes nothing. */
  @Post('what-if')
  suppose(
    @Param('date', BakeDatePipe) date: string,
    @Body() input: WhatIfInput,
    @Req() request: Request,
  ): Promise<WhatIfView> {
    return untilLeft(request, (signal) => this.whatIf.ask(date, input, signal));
  }

  /** Makes it so: the list, Setup and the plan. */
  @Post('what-if/:id')
  takeSupposed(
    @Param('date', BakeDatePipe) date: string,
    @Param('id', ParseUUIDPipe) id: string,
    @Who() who: string,
  ): Promise<TakenView> {
    return this.whatIf.take(date, id, who);
  }

  /** Takes it back. */
  @Post('what-if/:id/undo')
  undoSupposed(
    @Param('date', BakeDatePipe) date: string,
    @Param('id', ParseUUIDPipe) id: string,
    @Who() who: string,
  ): Promise<PlanView | null> {
    return this.whatIf.undo(date, id, who);
  }
}
