import { Module } from '@nestjs/common';
import { ClockModule } from '../clock/clock.module.js';
import { SettingsModule } from '../settings/settings.module.js';
import { OrdersController } from './orders.controller.js';
import { OrdersService } from './orders.service.js';
import { StandingOrdersService } from './standing-orders.service.js';

@Module({
  imports: [ClockModule, SettingsModule],
  controllers: [OrdersController],
  providers: [OrdersService, StandingOrdersService],
  exports: [OrdersService],
})
export class OrdersModule {}
