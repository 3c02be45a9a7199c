import { Module } from '@nestjs/common';
import { ClockModule } from '../clock/clock.module.js';
import { FormulaModule } from '../formula/formula.module.js';
import { IngredientModule } from '../ingredient/ingredient.module.js';
import { SettingsModule } from '../settings/settings.module.js';
import { EquipmentService } from './equipment.service.js';
import { OwnBakery } from './own-bakery.service.js';
import { SetupController } from './setup.controller.js';
import { SetupFileService } from './setup-file.service.js';

@Module({
  imports: [ClockModule, FormulaModule, IngredientModule, SettingsModule],
  controllers: [SetupController],
  providers: [EquipmentService, OwnBakery, SetupFileService],
  exports: [EquipmentService, OwnBakery],
})
export class BakeryModule {}
