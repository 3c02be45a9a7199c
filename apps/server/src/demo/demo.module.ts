import { Module } from '@nestjs/common';
import { ComputationModule } from '../computation/computation.module.js';
import { JournalModule } from '../journal/journal.module.js';
import { LotsModule } from '../lots/lots.module.js';
import { PlanModule } from '../plan/plan.module.js';
import { DemoSeed } from './seed.js';

@Module({
  imports: [ComputationModule, JournalModule, LotsModule, PlanModule],
  providers: [DemoSeed],
})
export class DemoModule {}
