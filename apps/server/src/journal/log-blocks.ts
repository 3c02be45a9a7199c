import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { genesisHash } from '@jokul/core';
import type { ChainEnd } from './chain-on.js';

/** Entries are remembered in blocks of so many numbers. */
const blockSize = 1000;

/** The rows of a block as they stand, in one figure: 60 bits of the SHA-256 of each. */
const look = `SELECT \`seq\` DIV ${blockSize} AS \`block\`, COUNT(*) AS \`entries\`, MAX(\`seq\`) AS \`last\`,
  HEX(BIT_XOR(CONV(LEFT(SHA2(CONCAT_WS(CHAR(0), ${[
    'seq',
    'id',
    'atMs',
    'who',
    'device',
    'lot',
    'kind',
    'payload',
    'prevHash',
    'hash',
  ]
    .map((name) => `CAST(\`${name}\` AS BINARY)`)
    .join(', ')}), 256), 15), 16, 10))) AS \`digest\`
  FROM \`journal_entry\` GROUP BY \`block\` ORDER BY \`block\``;

interface RawBlock {
  readonly block: number | string;
  readonly entries: number | string;
  readonly last: number | string;
  /** In hexadecimal: as a number it would lose its last digits. */
  readonly digest: string;
}

/** What stands in a block of the log. */
export interface LogBlock {
  readonly last: number;
  readonly digest: string;
}

/**
 * The part of the log that stands as it was when its links were followed last. The database says what stands there several
 * times as fast as the links are followed, so that a change of an old entry is seen each time all the same.
 */
@Injectable()
export class LogBlocks {
  private followed: readonly LogBlock[] = [];

  constructor(private readonly db: DataSource) {}

  /** What stands there now. */
  async look(): Promise<readonly LogBlock[]> {
    const rows = await this.db.query<RawBlock[]>(look);
    return rows.map(({ block, entries, last, digest }) => ({
      last: Number(last),
      digest: `${block}:${entries}:${digest}`,
    }));
  }

  /** The end of what stands as it was followed: from there on the links are to be followed. */
  async unchanged(now: readonly LogBlock[]): Promise<ChainEnd> {
    const { followed } = this;
    const first = now.findIndex(({ digest }, i) => digest !== followed[i]?.digest);
    const end = now[(first < 0 ? now.length : first) - 1];
    if (!end) return { seq: 0, hash: genesisHash };
    const [row] = await this.db.query<{ hash: string }[]>(
      'SELECT `hash` FROM `journal_entry` WHERE `seq` = ?',
      [end.last],
    );
    return row ? { seq: end.last, hash: row.hash } : { seq: 0, hash: genesisHash };
  }

  /** The links of what stood there then were followed, and hold. */
  remember(followed: readonly LogBlock[]): void {
    this.followed = followed;
  }

  forget(): void {
    this.followed = [];
  }
}
