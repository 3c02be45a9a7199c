import { Module } from '@nestjs/common';
import { IngredientsModule } from '../ingredients/ingredients.module.js';
import { LotPins } from './lot-pins.js';
import { LotsService } from './lots.service.js';

@Module({
  imports: [IngredientsModule],
  providers: [LotPins, LotsService],
  exports: [LotPins, LotsService],
})
export class LotsModule {}
