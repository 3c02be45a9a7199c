import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { JokulError, simulateAir, type PlaceFault, say } from '@jokul/core';
import type { FaultsInput, ProbesView } from '@jokul/contracts';
import { ClockService } from '../clock/clock.service.js';
import { unpack } from '../database/stored.js';
import { SettingEntity } from '../database/entities.js';
import { SettingsService } from '../settings/settings.service.js';

const longestMs = 8 * 86_400_000;
/** Faults further away are a slip. */
const oldestMs = 60 * 86_400_000;

/**
 * The probes of the cold places. They are simulated: what they read follows from the place, the bakery's clock and the
 * faults that somebody plays, so that nothing has to be stored and every server reads the same.
 */
@Injectable()
export class ProbesService {
  constructor(
    private readonly db: DataSource,
    private readonly settings: SettingsService,
    private readonly clock: ClockService,
  ) {}

  private async faults(): Promise<{ faults: readonly PlaceFault[]; version: number }> {
    const row = await this.db.manager.findOneBy(SettingEntity, { key: 'faults' });
    return {
      faults: row ? unpack<readonly PlaceFault[]>('faults', row.body) : [],
      version: row?.version ?? 0,
    };
  }

  /** Readings up to the bakery's now: every minute over up to a day, every ten minutes over more. */
  async view(fromMs: number): Promise<ProbesView> {
    const nowMs = await this.clock.nowMs();
    const { faults, version } = await this.faults();
    const { body: equipment } = await this.settings.read('equipment');
    const from = Math.max(nowMs - longestMs, Math.min(fromMs, nowMs));
    const everyMs = nowMs - from > 26 * 3600e3 ? 600_000 : 60_000;
    return {
      version,
      faults,
      places: equipment.places.map((place) => ({
        placeId: place.id,
        // Where there is no probe nothing is made up.
        readings: place.probe === false ? [] : simulateAir(place, faults, from, nowMs, everyMs),
      })),
    };
  }

  /** @throws JokulError `unknown-place`, `changed-meanwhile` */
  async play({ faults, version }: FaultsInput): Promise<ProbesView> {
    const { body: equipment } = await this.settings.read('equipment');
    for (const { placeId } of faults)
      if (!equipment.places.some(({ id }) => id === placeId))
        throw new JokulError('unknown-place', say`There is no place "${placeId}".`, 'placeId');
    for (const { placeId } of faults)
      if (equipment.places.some(({ id, probe }) => id === placeId && probe === false))
        throw new JokulError('no-probe', say`There is no probe in "${placeId}".`, 'placeId');
    const nowMs = await this.clock.nowMs();
    for (const { fromMs, toMs } of faults)
      if (fromMs < nowMs - oldestMs || fromMs > nowMs + oldestMs || (toMs != null && toMs < fromMs))
        throw new JokulError(
          'out-of-range',
          say`A fault begins at most 60 days back and ends after it began.`,
          'fromMs',
        );
    const rows = faults.map(({ placeId, kind, fromMs, toMs }) => ({
      placeId,
      kind,
      fromMs,
      toMs: toMs ?? null,
    }));
    await this.settings.write('faults', rows, version);
    return this.view(nowMs - 3600e3);
  }
}
