import { Module, type DynamicModule } from '@nestjs/common';
import { ServeStaticModule } from '@nestjs/serve-static';
import { TypeOrmModule } from '@nestjs/typeorm';
import { join } from 'node:path';
import { BackupPlace } from './backup/backup-place.js';
import { BackupsController } from './backup/backups.controller.js';
import { BackupsService } from './backup/backups.service.js';
import { CalcController } from './calc/calc.controller.js';
import { CalcService } from './calc/calc.service.js';
import { CalibrationController } from './calibration/calibration.controller.js';
import { CalibrationService } from './calibration/calibration.service.js';
import { ClockController } from './clock/clock.controller.js';
import { ClockService } from './clock/clock.service.js';
import { envOf, type Config } from './config.js';
import { dataSourceOptions } from './database/data-source.js';
import { ProbesController } from './devices/probes.controller.js';
import { ProbesService } from './devices/probes.service.js';
import { DemoSeed } from './demo/seed.js';
import { FormulaController } from './formula/formula.controller.js';
import { FormulaService } from './formula/formula.service.js';
import { HealthController } from './health/health.controller.js';
import { MetricsService } from './health/metrics.service.js';
import { WellbeingService } from './health/wellbeing.service.js';
import { JournalController } from './journal/journal.controller.js';
import { JournalFeed } from './journal/journal-feed.js';
import { LotPins } from './lots/lot-pins.js';
import { LotsService } from './lots/lots.service.js';
import { JournalService } from './journal/journal.service.js';
import { OrdersController } from './orders/orders.controller.js';
import { OrdersService } from './orders/orders.service.js';
import { StandingOrdersService } from './orders/standing-orders.service.js';
import { bakesFolder, ComputationService } from './plan/computation.service.js';
import { PlanController } from './plan/plan.controller.js';
import { DaysPlanService } from './plan/days-plan.service.js';
import { PlanRows } from './plan/plan-rows.js';
import { PlanService } from './plan/plan.service.js';
import { StockService } from './plan/stock.service.js';
import { ReplanService } from './plan/replan.service.js';
import { SpreadsService } from './plan/spreads.service.js';
import { WhatIfService } from './plan/what-if.service.js';
import { WeekService } from './plan/week.service.js';
import { EquipmentService } from './setup/equipment.service.js';
import { OwnBakery } from './setup/own-bakery.service.js';
import { OwnIngredientsService } from './setup/own-ingredients.service.js';
import { SetupFileService } from './setup/setup-file.service.js';
import { SettingsService } from './setup/settings.service.js';
import { SetupController } from './setup/setup.controller.js';
import { WhichBakery } from './setup/which-bakery.js';

/** The bundled pages. */
export const webRoot = join(import.meta.dirname, '../../web/dist');

@Module({
  // Routes are looked through in this order: what every press uses comes first.
  controllers: [
    JournalController,
    HealthController,
    ClockController,
    SetupController,
    OrdersController,
    FormulaController,
    PlanController,
    CalibrationController,
    ProbesController,
    BackupsController,
    CalcController,
  ],
  providers: [
    CalcService,
    SettingsService,
    OwnIngredientsService,
    EquipmentService,
    OwnBakery,
    SetupFileService,
    ClockService,
    OrdersService,
    StandingOrdersService,
    FormulaService,
    ComputationService,
    StockService,
    PlanRows,
    PlanService,
    DaysPlanService,
    ReplanService,
    WeekService,
    WhatIfService,
    SpreadsService,
    CalibrationService,
    ProbesService,
    LotsService,
    LotPins,
    JournalService,
    JournalFeed,
    WellbeingService,
    MetricsService,
    DemoSeed,
  ],
})
export class AppModule {
  static with(config: Config): DynamicModule {
    return {
      module: AppModule,
      providers: [
        { provide: bakesFolder, useValue: config.bakes ?? null },
        { provide: BackupPlace, useValue: new BackupPlace(config.backups ?? null) },
        {
          provide: BackupsService,
          useFactory: (place: BackupPlace) => new BackupsService(place, envOf(config)),
          inject: [BackupPlace],
        },
        {
          provide: WhichBakery,
          useValue: new WhichBakery(config.seedOwn ? 'own' : 'demo', config.otherCode !== undefined),
        },
      ],
      imports: [
        TypeOrmModule.forRoot({
          ...dataSourceOptions(config),
          migrationsRun: true,
          retryAttempts: 3,
          retryDelay: 700,
        }),
        ServeStaticModule.forRoot({
          rootPath: webRoot,
          exclude: ['/api/{*rest}'],
          serveStaticOptions: {
            setHeaders: (response, path) => {
              // Bundles carry a hash in their name; the page that names them must be fresh.
              const forever = /assets[\\/]/.test(path);
              response.setHeader(
                'Cache-Control',
                forever ? 'public, max-age=31536000, immutable' : 'no-cache',
              );
            },
          },
        }),
      ],
    };
  }
}
