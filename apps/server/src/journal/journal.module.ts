import { Module } from '@nestjs/common';
import { LotModule } from '../lot/lot.module.js';
import { SettingsModule } from '../settings/settings.module.js';
import { JournalController } from './journal.controller.js';
import { JournalFeed } from './journal-feed.js';
import { JournalReader } from './journal-reader.js';
import { JournalService } from './journal.service.js';

@Module({
  imports: [LotModule, SettingsModule],
  controllers: [JournalController],
  providers: [JournalReader, JournalService, JournalFeed],
  exports: [JournalReader, JournalService, JournalFeed],
})
export class JournalModule {}
