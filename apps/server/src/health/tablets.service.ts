import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { serverDevice } from '../lot/lot-pins.js';
import type { TabletInput, TabletView } from '@jokul/contracts';

/** Devices are told that wrote something down among so many last entries. */
const lookedAt = 3000;
const mostTold = 24;
/** So many are remembered; the one that was silent for longest is forgotten first. */
const mostKept = 500;

interface Heard {
  readonly said: TabletInput;
  readonly atMs: number;
}

/** The devices of the bakery: what they wrote of late, and what they said of themselves since this server was started. */
@Injectable()
export class TabletsService {
  private readonly heard = new Map<string, Heard>();

  constructor(private readonly db: DataSource) {}

  hear(said: TabletInput): void {
    // Put at the end: the first is the one that was silent for longest.
    this.heard.delete(said.device);
    this.heard.set(said.device, { said, atMs: performance.now() });
    for (const device of [...this.heard.keys()].slice(0, -mostKept)) this.heard.delete(device);
  }

  private said(device: string): TabletView['heard'] {
    const found = this.heard.get(device);
    if (!found) return null;
    const { kept, setAside, clockAheadS, leaving = false } = found.said;
    const agoS = Math.max(0, Math.round((performance.now() - found.atMs) / 1000));
    return { agoS, kept, setAside, clockAheadS, left: leaving };
  }

  /** Those that were heard, the latest first; then those that wrote something and said nothing of themselves. The server, which pins, is none. */
  async look(): Promise<readonly TabletView[]> {
    const rows = await this.db.query<{ device: string; who: string; atMs: string | number }[]>(
      'SELECT e.`device`, e.`who`, e.`atMs` FROM `journal_entry` e JOIN (SELECT MAX(`seq`) AS `seq` FROM `journal_entry` WHERE `seq` > (SELECT MAX(`seq`) FROM `journal_entry`) - ? AND `device` <> ? GROUP BY `device`) last ON last.`seq` = e.`seq` ORDER BY e.`seq` DESC',
      [lookedAt, serverDevice],
    );
    const wrote = new Map(rows.map(({ device, who, atMs }) => [device, { who, atMs: Number(atMs) }]));
    return [...new Set([...[...this.heard.keys()].toReversed(), ...wrote.keys()])]
      .slice(0, mostTold)
      .map((device) => ({ device, wrote: wrote.get(device) ?? null, heard: this.said(device) }));
  }
}
