import type { EntityManager } from 'typeorm';
import type { Calibration } from '@jokul/core';
import { SettingEntity } from '../database/entities.js';
import { unpack } from '../database/stored.js';

/** What people decided about learning: kept as a setting of its own. */
export interface CalibrationSetting {
  readonly inForce: Calibration | null;
  /** What was in force before, the latest last. */
  readonly before: readonly (Calibration | null)[];
  /** Logged bakes that are not learned from, by entry. */
  readonly leftOut: readonly string[];
  /** Learned figures that stay as the untouched model has them. */
  readonly held: readonly string[];
}

const nothing: CalibrationSetting = { inForce: null, before: [], leftOut: [], held: [] };

/** The setting; nothing learned where it was never written. */
export const calibrationSetting = async (
  manager: EntityManager,
): Promise<{ body: CalibrationSetting; version: number }> => {
  const row = await manager.findOneBy(SettingEntity, { key: 'calibration' });
  return {
    body: row ? unpack<CalibrationSetting>('calibration', row.body) : nothing,
    version: row?.version ?? 0,
  };
};
