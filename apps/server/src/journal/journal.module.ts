import { Module } from '@nestjs/common';
import { processConfig } from '../config/config.module.js';
import { envOf, type Config } from '../config/config.js';
import { LotModule } from '../lot/lot.module.js';
import { SettingsModule } from '../settings/settings.module.js';
import { JournalCheck } from './journal-check.js';
import { JournalController } from './journal.controller.js';
import { JournalFeed } from './journal-feed.js';
import { JournalReader } from './journal-reader.js';
import { JournalService } from './journal.service.js';

@Module({
  imports: [LotModule, SettingsModule],
  controllers: [JournalController],
  providers: [
    JournalReader,
    JournalService,
    JournalFeed,
    {
      provide: JournalCheck,
      useFactory: (reader: JournalReader, config: Config) => new JournalCheck(reader, envOf(config)),
      inject: [JournalReader, processConfig],
    },
  ],
  exports: [JournalReader, JournalService, JournalFeed],
})
export class JournalModule {}
