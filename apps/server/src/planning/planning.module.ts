import { Module } from '@nestjs/common';
import { ClockModule } from '../clock/clock.module.js';
import { ComputationModule } from '../computation/computation.module.js';
import { FormulaModule } from '../formula/formula.module.js';
import { IngredientModule } from '../ingredient/ingredient.module.js';
import { JournalModule } from '../journal/journal.module.js';
import { LotModule } from '../lot/lot.module.js';
import { OrdersModule } from '../orders/orders.module.js';
import { SettingsModule } from '../settings/settings.module.js';
import { BakeryModule } from '../bakery/bakery.module.js';
import { CurrentDayService } from './current-day.service.js';
import { DaysController } from './days.controller.js';
import { DaysPlanService } from './days-plan.service.js';
import { PlanController } from './plan.controller.js';
import { OffersOfDays } from './offer.js';
import { PlanBodyService } from './plan-body.service.js';
import { PlanInputsService } from './plan-inputs.service.js';
import { PlanRows } from './plan-rows.js';
import { PlanService } from './plan.service.js';
import { ReplanService } from './replan.service.js';
import { SpreadsService } from './spreads.service.js';
import { StockService } from './stock.service.js';
import { TakeOfferService } from './take-offer.service.js';
import { WeekService } from './week.service.js';
import { WhatIfService } from './what-if.service.js';

@Module({
  imports: [
    ClockModule,
    ComputationModule,
    FormulaModule,
    IngredientModule,
    JournalModule,
    LotModule,
    OrdersModule,
    SettingsModule,
    BakeryModule,
  ],
  controllers: [DaysController, PlanController],
  providers: [
    CurrentDayService,
    DaysPlanService,
    OffersOfDays,
    PlanBodyService,
    PlanInputsService,
    PlanRows,
    PlanService,
    ReplanService,
    SpreadsService,
    StockService,
    TakeOfferService,
    WeekService,
    WhatIfService,
  ],
  exports: [PlanInputsService, PlanRows, PlanService],
})
export class PlanningModule {}
