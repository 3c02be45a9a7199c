import { LessThanOrEqual, type EntityManager } from 'typeorm';
import type { Equipment, HouseRules, Ingredient, Prices } from '@jokul/core';
import type { SetupChangeWhat } from '@jokul/contracts';
import { SettingEntity, SetupChangeEntity } from '../database/entities.js';
import { unpack } from '../database/stored.js';
import {
  ingredientsChanged,
  listsChanged,
  pricesChanged,
  rulesChanged,
  same,
  thingsChanged,
} from './setup-diff.js';

/** What a person sets up; the clock, faults and what was learned have histories of their own, or need none. */
const kept = ['equipment', 'rules', 'ingredients', 'prices', 'bakery'] as const;
export type KeptKey = (typeof kept)[number];
export const isKept = (key: string): key is KeptKey => (kept as readonly string[]).includes(key);

/** Older changes are let go: each holds a whole setting. */
const mostKept = 300;

const nothing: SetupChangeWhat = { things: [], lists: [], rules: [], ingredients: [] };

const whatOf = (key: KeptKey, before: unknown, after: unknown): SetupChangeWhat => {
  switch (key) {
    case 'equipment': {
      const [a, b] = [before as Equipment, after as Equipment];
      return { ...nothing, things: thingsChanged(a, b), lists: listsChanged(a, b) };
    }
    case 'rules': {
      const [a, b] = [before as HouseRules, after as HouseRules];
      const zones = a.timeZone === b.timeZone ? [] : [{ key: 'timeZone', from: a.timeZone, to: b.timeZone }];
      return { ...nothing, rules: [...rulesChanged(a, b), ...zones] };
    }
    case 'ingredients':
      return {
        ...nothing,
        ingredients: ingredientsChanged(before as readonly Ingredient[], after as readonly Ingredient[]),
      };
    case 'prices':
      return { ...nothing, rules: pricesChanged(before as Prices, after as Prices) };
    case 'bakery': {
      const [a, b] = [before as { name: string }, after as { name: string }];
      return { ...nothing, rules: a.name === b.name ? [] : [{ key: 'name', from: a.name, to: b.name }] };
    }
  }
};

const clockAt = (clock: unknown, realMs: number): number => {
  const { mode, offsetMs, frozenAtMs } = clock as { mode: string; offsetMs: number; frozenAtMs: number };
  return Math.round(mode === 'frozen' ? frozenAtMs : realMs + (mode === 'running' ? offsetMs : 0));
};

/**
 * Keeps what a setting was before it is written anew, who changed it, and what of it; in the transaction that writes it.
 * Nothing is kept where nothing changed, and where it was not there before.
 */
export const keepChange = async (
  manager: EntityManager,
  key: string,
  row: SettingEntity | null,
  after: unknown,
  who: string,
): Promise<void> => {
  if (!row || !isKept(key)) return;
  const before = unpack<unknown>(key, row.body);
  if (same(before, JSON.parse(JSON.stringify(after)))) return;
  const clock = await manager.findOneBy(SettingEntity, { key: 'clock' });
  const { id } = await manager.save(SetupChangeEntity, {
    key,
    version: row.version + 1,
    atMs: clock ? clockAt(unpack('clock', clock.body), Date.now()) : Date.now(),
    who,
    before: row.body,
    what: whatOf(key, before, after),
  });
  await manager.delete(SetupChangeEntity, { id: LessThanOrEqual(id - mostKept) });
};
