import { Module } from '@nestjs/common';
import { ClockModule } from '../clock/clock.module.js';
import { IngredientsModule } from '../ingredients/ingredients.module.js';
import { SettingsModule } from '../settings/settings.module.js';
import { FormulaController } from './formula.controller.js';
import { FormulaService } from './formula.service.js';

@Module({
  imports: [ClockModule, IngredientsModule, SettingsModule],
  controllers: [FormulaController],
  providers: [FormulaService],
  exports: [FormulaService],
})
export class FormulaModule {}
