import { Body, Controller, Get, Put } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { wallClock } from '@jokul/core';
import { RulesInput, type BakeryView } from '@jokul/contracts';
import { ClockService } from '../clock/clock.service.js';
import { FormulaService } from '../formula/formula.service.js';
import { SettingsService } from './settings.service.js';

@ApiTags('setup')
@Controller()
export class SetupController {
  constructor(
    private readonly settings: SettingsService,
    private readonly formulas: FormulaService,
    private readonly clock: ClockService,
  ) {}

  @Get('bakery')
  async bakery(): Promise<BakeryView> {
    const [equipment, rules, bakery, formulas, clock] = await Promise.all([
      this.settings.read('equipment'),
      this.settings.read('rules'),
      this.settings.read('bakery'),
      this.formulas.latest(),
      this.clock.view(),
    ]);
    return {
      name: bakery.body.name,
      equipment: equipment.body,
      rules: rules.body,
      rulesVersion: rules.version,
      formulas,
      clock,
      today: wallClock(clock.nowMs / 1000, rules.body.timeZone).date,
    };
  }

  @Put('rules')
  async saveRules(@Body() { version, ...changes }: RulesInput): Promise<BakeryView> {
    const { body } = await this.settings.read('rules');
    await this.settings.write('rules', { ...body, ...changes }, version);
    return this.bakery();
  }
}
