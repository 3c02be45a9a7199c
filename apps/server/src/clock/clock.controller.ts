import { Body, Controller, Get, Put } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { ClockInput, type ClockView } from '@jokul/contracts';
import { ClockService } from './clock.service.js';

@ApiTags('clock')
@Controller('clock')
export class ClockController {
  constructor(private readonly clock: ClockService) {}

  @Get()
  view(): Promise<ClockView> {
    return this.clock.view();
  }

  @Put()
  set(@Body() input: ClockInput): Promise<ClockView> {
    return this.clock.set(input);
  }
}
