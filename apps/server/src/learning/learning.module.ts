import { Module } from '@nestjs/common';
import { ClockModule } from '../clock/clock.module.js';
import { ComputationModule } from '../computation/computation.module.js';
import { FormulaModule } from '../formula/formula.module.js';
import { JournalModule } from '../journal/journal.module.js';
import { PlanningModule } from '../planning/planning.module.js';
import { SettingsModule } from '../settings/settings.module.js';
import { LearningController } from './learning.controller.js';
import { LearningService } from './learning.service.js';

@Module({
  imports: [ClockModule, ComputationModule, FormulaModule, JournalModule, PlanningModule, SettingsModule],
  controllers: [LearningController],
  providers: [LearningService],
})
export class LearningModule {}
