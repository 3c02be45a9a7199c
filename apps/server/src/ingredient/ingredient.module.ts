import { Module } from '@nestjs/common';
import { SettingsModule } from '../settings/settings.module.js';
import { OwnIngredientsService } from './own-ingredients.service.js';

@Module({
  imports: [SettingsModule],
  providers: [OwnIngredientsService],
  exports: [OwnIngredientsService],
})
export class IngredientModule {}
