import { Body, Controller, Get, Put, Query } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { FaultsInput, type ProbesView } from '@jokul/contracts';
import { ProbesService } from './probes.service.js';

@ApiTags('devices')
@Controller('probes')
export class ProbesController {
  constructor(private readonly probes: ProbesService) {}

  @Get()
  view(@Query('from') from?: string): Promise<ProbesView> {
    const fromMs = Number(from);
    return this.probes.view(Number.isFinite(fromMs) ? fromMs : 0);
  }

  /** Plays faults with the simulated probes. */
  @Put('faults')
  play(@Body() input: FaultsInput): Promise<ProbesView> {
    return this.probes.play(input);
  }
}
