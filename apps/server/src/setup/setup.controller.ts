import { Body, Controller, Get, Put } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { wallClock } from '@jokul/core';
import { OwnIngredientsInput, RulesInput, type BakeryView } from '@jokul/contracts';
import { ClockService } from '../clock/clock.service.js';
import { FormulaService } from '../formula/formula.service.js';
import { OwnIngredientsService } from './own-ingredients.service.js';
import { SettingsService } from './settings.service.js';

@ApiTags('setup')
@Controller()
export class SetupController {
  constructor(
    private readonly settings: SettingsService,
    private readonly formulas: FormulaService,
    private readonly clock: ClockService,
    private readonly own: OwnIngredientsService,
  ) {}

  @Get('bakery')
  async bakery(): Promise<BakeryView> {
    const [equipment, rules, bakery, formulas, clock, own, { inForce }] = await Promise.all([
      this.settings.read('equipment'),
      this.settings.read('rules'),
      this.settings.read('bakery'),
      this.formulas.latest(),
      this.clock.view(),
      this.own.read(),
      this.settings.calibration(),
    ]);
    return {
      name: bakery.body.name,
      equipment: equipment.body,
      rules: rules.body,
      rulesVersion: rules.version,
      formulas,
      ownIngredients: own.ingredients,
      ownIngredientsVersion: own.version,
      learned: inForce && { atMs: inForce.atMs, bakes: inForce.bakes, values: inForce.values },
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

  @Put('ingredients')
  async saveIngredients(@Body() input: OwnIngredientsInput): Promise<BakeryView> {
    await this.own.write(input);
    return this.bakery();
  }
}
