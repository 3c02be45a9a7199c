import { Module } from '@nestjs/common';
import { LastTrouble } from '../common/last-trouble.js';
import { processConfig } from '../config/config.module.js';
import { envOf, type Config } from '../config/config.js';
import { LotModule } from '../lot/lot.module.js';
import { SettingsModule } from '../settings/settings.module.js';
import { JournalCheck } from './journal-check.js';
import { JournalController } from './journal.controller.js';
import { JournalFeed } from './journal-feed.js';
import { JournalReader } from './journal-reader.js';
import { JournalService } from './journal.service.js';
import { LogBlocks } from './log-blocks.js';

@Module({
  imports: [LotModule, SettingsModule],
  controllers: [JournalController],
  providers: [
    JournalReader,
    JournalService,
    JournalFeed,
    LogBlocks,
    LastTrouble,
    {
      provide: JournalCheck,
      useFactory: (reader: JournalReader, blocks: LogBlocks, config: Config) =>
        new JournalCheck(reader, blocks, envOf(config)),
      inject: [JournalReader, LogBlocks, processConfig],
    },
  ],
  exports: [JournalReader, JournalService, JournalFeed, JournalCheck, LastTrouble],
})
export class JournalModule {}
