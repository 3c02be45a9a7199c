import { Body, Controller, Get, Param, Post, Put } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { CalibrationChoicesInput, CalibrationStepInput, type CalibrationView } from '@jokul/contracts';
import { BakeDatePipe } from '../common/bake-date.pipe.js';
import { LearningService } from './learning.service.js';

@ApiTags('calibration')
@Controller('days/:date/calibration')
export class LearningController {
  constructor(private readonly calibration: LearningService) {}

  /** What the logged bakes say, and what it would change of the day's loads. */
  @Get()
  view(@Param('date', BakeDatePipe) date: string): Promise<CalibrationView> {
    return this.calibration.view(date);
  }

  @Put()
  async choose(
    @Param('date', BakeDatePipe) date: string,
    @Body() choices: CalibrationChoicesInput,
  ): Promise<CalibrationView> {
    await this.calibration.choose(choices);
    return this.calibration.view(date);
  }

  @Post('use')
  async use(
    @Param('date', BakeDatePipe) date: string,
    @Body() { version }: CalibrationStepInput,
  ): Promise<CalibrationView> {
    await this.calibration.use(version);
    return this.calibration.view(date);
  }

  @Post('undo')
  async undo(
    @Param('date', BakeDatePipe) date: string,
    @Body() { version }: CalibrationStepInput,
  ): Promise<CalibrationView> {
    await this.calibration.undo(version);
    return this.calibration.view(date);
  }
}
