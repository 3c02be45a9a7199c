import { Module } from '@nestjs/common';
import { ClockModule } from '../clock/clock.module.js';
import { ComputationModule } from '../computation/computation.module.js';
import { FormulaModule } from '../formula/formula.module.js';
import { JournalModule } from '../journal/journal.module.js';
import { PlanModule } from '../plan/plan.module.js';
import { SettingsModule } from '../settings/settings.module.js';
import { CalibrationController } from './calibration.controller.js';
import { CalibrationService } from './calibration.service.js';

@Module({
  imports: [ClockModule, ComputationModule, FormulaModule, JournalModule, PlanModule, SettingsModule],
  controllers: [CalibrationController],
  providers: [CalibrationService],
})
export class CalibrationModule {}
