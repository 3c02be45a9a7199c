import { Body, Controller, Get, Post, Put } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import {
  BackupChoiceInput,
  type BackupMadeView,
  type BackupsView,
  type TablesMadeView,
} from '@jokul/contracts';
import { BackupsService } from './backups.service.js';

@ApiTags('backups')
@Controller('backups')
export class BackupsController {
  constructor(private readonly backups: BackupsService) {}

  /** Where backups of this machine go and the newest of them; nothing where the server was not told. */
  @Get()
  async look(): Promise<{ readonly backups: BackupsView | null }> {
    return { backups: await this.backups.look() };
  }

  @Put()
  async choose(
    @Body() { folder, keep }: BackupChoiceInput,
  ): Promise<{ readonly backups: BackupsView | null }> {
    const text = folder?.trim() ?? '';
    return { backups: await this.backups.choose({ folder: text === '' ? null : text, keep }) };
  }

  /** One now, read back. */
  @Post()
  make(): Promise<BackupMadeView> {
    return this.backups.make();
  }

  /** All records as tables (CSV) into a folder of their own beside the backups. */
  @Post('tables')
  tables(): Promise<TablesMadeView> {
    return this.backups.tables();
  }
}
