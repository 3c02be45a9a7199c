import { Module } from '@nestjs/common';
import { SettingsModule } from '../settings/settings.module.js';
import { ClockController } from './clock.controller.js';
import { ClockService } from './clock.service.js';

@Module({
  imports: [SettingsModule],
  controllers: [ClockController],
  providers: [ClockService],
  exports: [ClockService],
})
export class ClockModule {}
