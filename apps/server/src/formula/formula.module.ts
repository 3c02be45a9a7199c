import { Module } from '@nestjs/common';
import { ClockModule } from '../clock/clock.module.js';
import { IngredientModule } from '../ingredient/ingredient.module.js';
import { SettingsModule } from '../settings/settings.module.js';
import { FormulaController } from './formula.controller.js';
import { FormulaService } from './formula.service.js';

@Module({
  imports: [ClockModule, IngredientModule, SettingsModule],
  controllers: [FormulaController],
  providers: [FormulaService],
  exports: [FormulaService],
})
export class FormulaModule {}
