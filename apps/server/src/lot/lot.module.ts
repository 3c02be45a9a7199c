import { Module } from '@nestjs/common';
import { IngredientModule } from '../ingredient/ingredient.module.js';
import { LotPins } from './lot-pins.js';
import { LotsService } from './lots.service.js';

@Module({
  imports: [IngredientModule],
  providers: [LotPins, LotsService],
  exports: [LotPins, LotsService],
})
export class LotModule {}
