import { Controller, Get } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { DataSource } from 'typeorm';

@ApiTags('health')
@Controller('health')
export class HealthController {
  constructor(private readonly db: DataSource) {}

  /** Answers only when the database does. */
  @Get()
  async health(): Promise<{ status: 'ready' }> {
    await this.db.query('SELECT 1');
    return { status: 'ready' };
  }
}
