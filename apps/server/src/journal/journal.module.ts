import { Module } from '@nestjs/common';
import { LotsModule } from '../lots/lots.module.js';
import { SettingsModule } from '../settings/settings.module.js';
import { JournalController } from './journal.controller.js';
import { JournalFeed } from './journal-feed.js';
import { JournalService } from './journal.service.js';

@Module({
  imports: [LotsModule, SettingsModule],
  controllers: [JournalController],
  providers: [JournalService, JournalFeed],
  exports: [JournalService, JournalFeed],
})
export class JournalModule {}
