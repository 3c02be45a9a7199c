import { Module } from '@nestjs/common';
import { BackupModule } from '../backup/backup.module.js';
import { ComputationModule } from '../computation/computation.module.js';
import { JournalModule } from '../journal/journal.module.js';
import { HealthController } from './health.controller.js';
import { MetricsService } from './metrics.service.js';
import { ReadinessService } from './readiness.service.js';
import { TabletsService } from './tablets.service.js';
import { WellbeingService } from './wellbeing.service.js';

@Module({
  imports: [BackupModule, ComputationModule, JournalModule],
  controllers: [HealthController],
  providers: [MetricsService, ReadinessService, TabletsService, WellbeingService],
})
export class HealthModule {}
