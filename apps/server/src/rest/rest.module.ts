import { Module } from '@nestjs/common';
import { ClockModule } from '../clock/clock.module.js';
import { SettingsModule } from '../settings/settings.module.js';
import { ProbesController } from './probes.controller.js';
import { ProbesService } from './probes.service.js';

@Module({
  imports: [ClockModule, SettingsModule],
  controllers: [ProbesController],
  providers: [ProbesService],
})
export class RestModule {}
