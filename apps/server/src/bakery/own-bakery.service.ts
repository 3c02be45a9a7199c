import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import {
  genesisHash,
  JokulError,
  starterEquipment,
  usualHouseRules,
  type HouseRules,
  say,
} from '@jokul/core';
import type { BakeryInput } from '@jokul/contracts';
import { JournalHeadEntity, SettingEntity } from '../database/entities.js';
import { pack, type StoredName } from '../database/stored.js';
import { keepChange } from '../settings/setup-history.js';
import { changeRows, SettingsService } from '../settings/settings.service.js';

/** The zone of the machine, as the first guess for the bakery's. */
const zoneHere = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';

export const isZone = (timeZone: string): boolean => {
  try {
    return Intl.DateTimeFormat('en-GB', { timeZone }).resolvedOptions().timeZone.length > 0;
  } catch {
    return false;
  }
};

/** A bakery of one's own: begun with an example of each thing, named and placed by a person. */
@Injectable()
export class OwnBakery {
  constructor(
    private readonly db: DataSource,
    private readonly settings: SettingsService,
  ) {}

  /** Begins it in an empty database, whole or not at all; leaves any other alone. */
  async beginIfEmpty(): Promise<void> {
    await this.db.transaction(async (manager) => {
      if (await manager.existsBy(SettingEntity, { key: 'bakery' })) return;
      if (!(await manager.existsBy(JournalHeadEntity, { id: 1 })))
        await manager.insert(JournalHeadEntity, { id: 1, seq: 0, hash: genesisHash, revision: 0 });
      const rules: HouseRules = { ...usualHouseRules, timeZone: zoneHere(), trayId: 'tray' };
      const settings: [StoredName, unknown][] = [
        ['equipment', starterEquipment],
        ['rules', rules],
        ['clock', { mode: 'real', offsetMs: 0, frozenAtMs: 0 }],
        ['bakery', { name: 'My bakery', day: null }],
      ];
      for (const [key, body] of settings)
        await manager.save(SettingEntity, { key, body: pack(key, body), version: 1 });
    });
  }

  /**
   * Names the bakery and says where its clock is.
   * @throws JokulError `unknown-zone`, `changed-meanwhile`
   */
  async name({ name, timeZone, rulesVersion }: BakeryInput, who = ''): Promise<void> {
    if (!isZone(timeZone))
      throw new JokulError('bad-zone', say`There is no time zone "${timeZone}".`, 'timeZone');
    await changeRows(this.db, async (manager) => {
      const rules = await this.settings.read('rules', manager);
      const bakery = await this.settings.read('bakery', manager);
      if (rules.version !== rulesVersion)
        throw new JokulError(
          'changed-meanwhile',
          say`Somebody else changed this meanwhile. Look at their change, then save yours again.`,
          'rulesVersion',
        );
      const write = async (key: 'rules' | 'bakery', body: object, version: number) => {
        await keepChange(manager, key, await manager.findOneBy(SettingEntity, { key }), body, who);
        await manager.save(SettingEntity, { key, body: pack(key, body), version: version + 1 });
      };
      await write('rules', { ...rules.body, timeZone }, rules.version);
      await write('bakery', { ...bakery.body, name: name.trim() }, bakery.version);
    });
  }
}
