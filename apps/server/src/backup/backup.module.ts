import { Module } from '@nestjs/common';
import { processConfig } from '../config/config.module.js';
import { envOf, type Config } from '../config/config.js';
import { BackupPlace } from './backup-place.js';
import { BackupsController } from './backups.controller.js';
import { BackupsService } from './backups.service.js';

@Module({
  controllers: [BackupsController],
  providers: [
    {
      provide: BackupPlace,
      useFactory: ({ backups }: Config) => new BackupPlace(backups ?? null),
      inject: [processConfig],
    },
    {
      provide: BackupsService,
      useFactory: (place: BackupPlace, config: Config) => new BackupsService(place, envOf(config)),
      inject: [BackupPlace, processConfig],
    },
  ],
  exports: [BackupPlace, BackupsService],
})
export class BackupModule {}
