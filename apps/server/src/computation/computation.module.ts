import { Module } from '@nestjs/common';
import { processConfig } from '../config/config.module.js';
import type { Config } from '../config/config.js';
import { IngredientModule } from '../ingredient/ingredient.module.js';
import { bakesFolder, ComputationService } from './computation.service.js';

/** Bakes, plans and fits, in threads. */
@Module({
  imports: [IngredientModule],
  providers: [
    ComputationService,
    { provide: bakesFolder, useFactory: ({ bakes }: Config) => bakes ?? null, inject: [processConfig] },
  ],
  exports: [ComputationService],
})
export class ComputationModule {}
