import { Module } from '@nestjs/common';
import { ComputationModule } from '../computation/computation.module.js';
import { JournalModule } from '../journal/journal.module.js';
import { LotModule } from '../lot/lot.module.js';
import { PlanningModule } from '../planning/planning.module.js';
import { DemoSeed } from './seed.js';

@Module({
  imports: [ComputationModule, JournalModule, LotModule, PlanningModule],
  providers: [DemoSeed],
})
export class DemoModule {}
