import { Body, Controller, Get, Header, HttpCode, Post } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { TabletInput, type WellbeingView } from '@jokul/contracts';
import { MetricsService } from './metrics.service.js';
import { ReadinessService } from './readiness.service.js';
import { TabletsService } from './tablets.service.js';
import { WellbeingService } from './wellbeing.service.js';

@ApiTags('health')
@Controller()
export class HealthController {
  constructor(
    private readonly readiness: ReadinessService,
    private readonly wellbeing: WellbeingService,
    private readonly tablets: TabletsService,
    private readonly figures: MetricsService,
  ) {}

  /** Answers only when work can be done; else what is broken, in words. */
  @Get('health')
  async health(): Promise<{ status: 'ready' }> {
    await this.readiness.require();
    return { status: 'ready' };
  }

  /** The same, by the name that monitors look for. */
  @Get('health/ready')
  ready(): Promise<{ status: 'ready' }> {
    return this.health();
  }

  /** Answers as long as this process does, whatever becomes of the database. */
  @Get('health/live')
  live(): { status: 'alive' } {
    return { status: 'alive' };
  }

  /** Whether all is well: database, disk, backups, screens and devices. */
  @Get('wellbeing')
  look(): Promise<WellbeingView> {
    return this.wellbeing.look();
  }

  /** What a device says of itself now and then. */
  @Post('tablets')
  @HttpCode(204)
  hear(@Body() said: TabletInput): void {
    this.tablets.hear(said);
  }

  /** For a monitor: OpenMetrics. */
  @Get('metrics')
  @Header('Content-Type', 'application/openmetrics-text; version=1.0.0; charset=utf-8')
  metrics(): Promise<string> {
    return this.figures.text();
  }
}
