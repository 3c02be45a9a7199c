import { Module, type DynamicModule } from '@nestjs/common';
import { ServeStaticModule } from '@nestjs/serve-static';
import { TypeOrmModule } from '@nestjs/typeorm';
import { BackupModule } from './backup/backup.module.js';
import { CalcModule } from './calc/calc.module.js';
import { LearningModule } from './learning/learning.module.js';
import { ClockModule } from './clock/clock.module.js';
import { ConfigModule } from './config/config.module.js';
import { webRoot, type Config } from './config/config.js';
import { dataSourceOptions } from './schema/data-source.js';
import { DemoModule } from './demo/demo.module.js';
import { RestModule } from './rest/rest.module.js';
import { FormulaModule } from './formula/formula.module.js';
import { HealthModule } from './health/health.module.js';
import { JournalModule } from './journal/journal.module.js';
import { OrdersModule } from './orders/orders.module.js';
import { PlanningModule } from './planning/planning.module.js';
import { BakeryModule } from './bakery/bakery.module.js';

/** One module for each word of the line; dependency-cruiser sees to it that their folders know one another one way only. */
@Module({
  // Routes are looked through in this order: what every press uses comes first.
  imports: [
    JournalModule,
    HealthModule,
    ClockModule,
    BakeryModule,
    OrdersModule,
    FormulaModule,
    PlanningModule,
    LearningModule,
    RestModule,
    BackupModule,
    CalcModule,
    DemoModule,
  ],
})
export class AppModule {
  static with(config: Config): DynamicModule {
    return {
      module: AppModule,
      imports: [
        ConfigModule.with(config),
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
