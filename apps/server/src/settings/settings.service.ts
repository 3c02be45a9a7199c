import { Injectable } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';
import {
  JokulError,
  noPrices,
  type Equipment,
  type HouseRules,
  type Ingredient,
  type PlaceFault,
  type Prices,
  say,
} from '@jokul/core';
import { calibrationSetting, type CalibrationSetting } from './calibration-setting.js';
import { pack, unpack } from '../database/stored.js';
import { JournalHeadEntity, SettingEntity } from '../database/entities.js';
import { keepChange } from './setup-history.js';

interface Settings {
  equipment: Equipment;
  rules: HouseRules;
  clock: { mode: 'real' | 'running' | 'frozen'; offsetMs: number; frozenAtMs: number };
  bakery: { name: string; day: string };
  ingredients: readonly Ingredient[];
  prices: Prices;
  calibration: CalibrationSetting;
  faults: readonly PlaceFault[];
}

@Injectable()
export class SettingsService {
  constructor(private readonly db: DataSource) {}

  /** The body of a setting and its version. @throws JokulError `unknown-setting` */
  async read<K extends keyof Settings>(
    key: K,
    manager: EntityManager = this.db.manager,
  ): Promise<{ body: Settings[K]; version: number }> {
    const row = await manager.findOneBy(SettingEntity, { key });
    if (!row)
      throw new JokulError(
        'unknown-setting',
        say`The setting "${key}" is missing; run "npm run demo:reset".`,
        key,
      );
    return { body: unpack<Settings[K]>(key, row.body), version: row.version };
  }

  /** What ingredients cost; nothing where nobody said. */
  async prices(manager: EntityManager = this.db.manager): Promise<{ body: Prices; version: number }> {
    const row = await manager.findOneBy(SettingEntity, { key: 'prices' });
    return row
      ? { body: unpack<Prices>('prices', row.body), version: row.version }
      : { body: noPrices, version: 0 };
  }

  /** What people decided about learning; nothing where it was never written. */
  async calibration(): Promise<CalibrationSetting> {
    return (await calibrationSetting(this.db.manager)).body;
  }

  /** Writes a setting, if nobody else did since `version` was read; what it was is kept. @throws JokulError `changed-meanwhile` */
  async write<K extends keyof Settings>(key: K, body: Settings[K], version: number, who = ''): Promise<void> {
    await changeRows(this.db, async (manager) => {
      const found = await manager.findOneBy(SettingEntity, { key });
      if ((found?.version ?? 0) !== version) {
        throw new JokulError(
          'changed-meanwhile',
          say`Somebody else changed this meanwhile. Look at their change, then save yours again.`,
          key,
        );
      }
      await keepChange(manager, key, found, body, who);
      await manager.save(SettingEntity, { key, body: pack(key, body), version: version + 1 });
    });
  }
}

/**
 * Changes rows in one transaction, and tells all screens that they changed. The head is held from the start: of two
 * changes at the same time the second sees what the first one wrote, also where the row was not there before, so that
 * it can say so; and no two ever wait for each other.
 */
export const changeRows = <T>(db: DataSource, work: (manager: EntityManager) => Promise<T>): Promise<T> =>
  db.transaction(async (manager) => {
    await manager.increment(JournalHeadEntity, { id: 1 }, 'revision', 1);
    return work(manager);
  });
