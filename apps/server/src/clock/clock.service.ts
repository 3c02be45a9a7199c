import { Injectable } from '@nestjs/common';
import { atWallClock, JokulError, say } from '@jokul/core';
import type { ClockInput, ClockView } from '@jokul/contracts';
import { SettingsService } from '../settings/settings.service.js';

/** Further away a set clock would run out of the calendar, in one zone or another. */
const firstYear = 2000;
const lastYear = 2099;

/** The bakery's clock: the real one, or one that was set for a demo or a test. */
@Injectable()
export class ClockService {
  constructor(private readonly settings: SettingsService) {}

  async view(): Promise<ClockView> {
    const { body } = await this.settings.read('clock');
    const nowMs =
      body.mode === 'frozen' ? body.frozenAtMs : Date.now() + (body.mode === 'running' ? body.offsetMs : 0);
    return { mode: body.mode, nowMs };
  }

  async nowMs(): Promise<number> {
    return (await this.view()).nowMs;
  }

  /** Sets the clock. A set clock needs date and time. */
  async set(input: ClockInput): Promise<ClockView> {
    const { version } = await this.settings.read('clock');
    if (input.mode === 'real') {
      await this.settings.write('clock', { mode: 'real', offsetMs: 0, frozenAtMs: 0 }, version);
    } else {
      if (!input.date || !input.time)
        throw new JokulError('bad-time', say`Say the date and the time that the clock should show.`, 'time');
      const year = Number(input.date.slice(0, 4));
      if (year < firstYear || year > lastYear)
        throw new JokulError('bad-time', say`The clock shows the years ${firstYear} to ${lastYear}.`, 'date');
      const { body: rules } = await this.settings.read('rules');
      const atMs = atWallClock(input.date, input.time, rules.timeZone) * 1000;
      await this.settings.write(
        'clock',
        { mode: input.mode, offsetMs: atMs - Date.now(), frozenAtMs: atMs },
        version,
      );
    }
    return this.view();
  }
}
