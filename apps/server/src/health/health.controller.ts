import { Controller, Get, Header } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { DataSource } from 'typeorm';
import type { WellbeingView } from '@jokul/contracts';
import { MetricsService } from './metrics.service.js';
import { WellbeingService } from './wellbeing.service.js';

@ApiTags('health')
@Controller()
export class HealthController {
  constructor(
    private readonly db: DataSource,
    private readonly wellbeing: WellbeingService,
    private readonly figures: MetricsService,
  ) {}

  /** Answers only when the database does. */
  @Get('health')
  async health(): Promise<{ status: 'ready' }> {
    await this.db.query('SELECT 1');
    return { status: 'ready' };
  }

  /** Whether all is well: database, disk, backups, screens and devices. */
  @Get('wellbeing')
  look(): Promise<WellbeingView> {
    return this.wellbeing.look();
  }

  /** For a monitor: OpenMetrics. */
  @Get('metrics')
  @Header('Content-Type', 'application/openmetrics-text; version=1.0.0; charset=utf-8')
  metrics(): Promise<string> {
    return this.figures.text();
  }
}
