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
import { DaysController } from './days.controller.js';
import { DaysPlanService } from './days-plan.service.js';
import { PlanController } from './plan.controller.js';
import { PlanRows } from './plan-rows.js';
import { PlanService } from './plan.service.js';
import { ReplanService } from './replan.service.js';
import { SpreadsService } from './spreads.service.js';
import { StockService } from './stock.service.js';
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
    DaysPlanService,
    PlanRows,
    PlanService,
    ReplanService,
    SpreadsService,
    StockService,
    WeekService,
    WhatIfService,
  ],
  exports: [PlanRows, PlanService],
})
export class PlanningModule {}
