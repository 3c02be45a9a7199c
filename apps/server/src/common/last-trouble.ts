import { Injectable } from '@nestjs/common';
import type { Broken } from './broken-database.js';

/** Devices send again within this time; where nobody met the trouble for longer, it may be over, ms. */
const countsMs = 120_000;

/** What kept the last entry or change from being written down, until one is again. */
@Injectable()
export class LastTrouble {
  private met: { readonly broken: Broken; readonly atMs: number } | null = null;

  /** A table that cannot be read is found by reading it; a disk that takes nothing in only by writing. */
  note(broken: Broken): void {
    if (broken.kind !== 'table') this.met = { broken, atMs: performance.now() };
  }

  /** Something was written down. */
  clear(): void {
    this.met = null;
  }

  now(): Broken | null {
    const { met } = this;
    return met && performance.now() - met.atMs < countsMs ? met.broken : null;
  }
}
