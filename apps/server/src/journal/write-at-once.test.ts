import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import fc from 'fast-check';
import { DataSource } from 'typeorm';
import type { DraftEntry } from '@jokul/core';
import { testDatabase } from '../database/test-database.testkit.js';
import { rebuildLots } from '../lot/lot-rows.js';
import { makeApp } from '../make-app.js';
import { JournalReader } from './journal-reader.js';
import { JournalService } from './journal.service.js';
import { canBeAtOnce } from './write-at-once.js';

/* The quick way to write and the careful one: two servers on one database, so that either finds the head moved. */
let apps: readonly Awaited<ReturnType<typeof makeApp>>[];
let drop: () => Promise<void>;
beforeAll(async () => {
  const database = await testDatabase();
  drop = database.drop;
  const config = { ...database.config, seedDemo: false, seedOwn: true };
  apps = [await makeApp(config, false), await makeApp(config, false)];
}, 60_000);
afterAll(async () => {
  for (const app of apps) await app.close();
  await drop();
});

const journal = (server: number): JournalService => (apps[server] as (typeof apps)[0]).get(JournalService);
const reader = (server: number): JournalReader => (apps[server] as (typeof apps)[0]).get(JournalReader);
const db = (): DataSource => (apps[0] as (typeof apps)[0]).get(DataSource);

const entryOf = (kind: 'note' | 'turned' | 'rest-in', lot: string, atMs: number, id: string = randomUUID()) =>
  ({
    id,
    atMs,
    who: 'Oven hand',
    device: 'test',
    lot,
    kind,
    payload:
      kind === 'note'
        ? { text: 'n' }
        : kind === 'turned'
          ? { loadId: 'L1' }
          : { placeId: 'walk-in', stage: 'dough' },
  }) as unknown as DraftEntry;

const rows = () => db().query('SELECT * FROM `lot` ORDER BY `lot`');

describe('written at once', () => {
  it('only what needs nothing of before', () => {
    expect(canBeAtOnce([entryOf('note', 'A', 1)])).toBe(true);
    expect(canBeAtOnce([entryOf('note', 'A', 1), entryOf('rest-in', 'A', 1)])).toBe(false);
    const strike = { ...entryOf('note', 'A', 1), kind: 'struck', payload: { entryId: randomUUID() } };
    expect(canBeAtOnce([strike as unknown as DraftEntry])).toBe(false);
  });

  it('or with care, on either server, sent once or again: one chain, each entry once, and the same rows of lots', async () => {
    const sent: DraftEntry[] = [];
    await fc.assert(
      fc.asyncProperty(
        fc.array(
          fc.record({
            server: fc.nat(1),
            kinds: fc.array(fc.constantFrom('note', 'turned', 'rest-in'), { minLength: 1, maxLength: 4 }),
            lot: fc.nat(4),
            atMs: fc.integer({ min: 1_795_752_600_000, max: 1_795_839_000_000 }),
            again: fc.boolean(),
          }),
          { minLength: 1, maxLength: 12 },
        ),
        fc.boolean(),
        async (presses, together) => {
          const send = async (press: (typeof presses)[0]) => {
            const own = press.kinds.map((kind, i) => entryOf(kind, `TEST-${press.lot}`, press.atMs + i));
            const old = press.again ? sent.slice(-1) : [];
            sent.push(...own);
            await journal(press.server).append([...own, ...old]);
            // The answer was lost: the device sends the same to the other one.
            if (press.again) await journal(1 - press.server).append(own);
          };
          if (together) await Promise.all(presses.map(send));
          else for (const press of presses) await send(press);
        },
      ),
      { numRuns: 25 },
    );
    const stored = await db().query<{ id: string; seq: string }[]>(
      'SELECT `id`, `seq` FROM `journal_entry` ORDER BY `seq`',
    );
    expect(stored.map(({ seq }) => Number(seq))).toEqual(stored.map((_, i) => i + 1));
    expect(new Set(stored.map(({ id }) => id))).toEqual(new Set(sent.map(({ id }) => id)));
    expect(await reader(0).verify()).toEqual({ entries: sent.length, firstBrokenSeq: null });
    const kept = await rows();
    await rebuildLots(db().manager);
    expect(await rows()).toEqual(kept);
  }, 60_000);

  it('a fault in the middle leaves nothing, and the next one goes on where it was', async () => {
    await journal(0).append([entryOf('note', 'TEST-0', 1)]);
    const { lastSeq } = await reader(0).around(9e12);
    const wrong = { ...entryOf('note', 'TEST-0', 1), who: 'x'.repeat(200) };
    await expect(journal(0).append([entryOf('note', 'TEST-1', 1), wrong])).rejects.toThrow();
    const { stored } = await journal(0).append([entryOf('note', 'TEST-0', 2)]);
    expect(stored[0]?.seq).toBe(lastSeq + 1);
    expect(await reader(0).verify()).toMatchObject({ firstBrokenSeq: null });
  });
});
