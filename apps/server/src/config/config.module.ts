import { Module, type DynamicModule } from '@nestjs/common';
import type { Config } from './config.js';

/** The settings of this process, for whoever asks by this name. */
export const processConfig = Symbol('config');

@Module({})
export class ConfigModule {
  static with(config: Config): DynamicModule {
    return {
      module: ConfigModule,
      global: true,
      providers: [{ provide: processConfig, useValue: config }],
      exports: [processConfig],
    };
  }
}
