import { Module } from '@nestjs/common';
import { processConfig } from '../config/config.module.js';
import type { Config } from '../config/config.js';
import { SettingsService } from './settings.service.js';
import { WhichBakery } from './which-bakery.js';

/** What is set, with who changed it when; and which of the bakeries is open. */
@Module({
  providers: [
    SettingsService,
    {
      provide: WhichBakery,
      useFactory: ({ seedOwn, bakery, ownBakeries, otherCode }: Config) =>
        new WhichBakery(bakery ?? (seedOwn ? 'own' : 'demo'), otherCode !== undefined, ownBakeries, (news) =>
          process.send?.(news),
        ),
      inject: [processConfig],
    },
  ],
  exports: [SettingsService, WhichBakery],
})
export class SettingsModule {}
