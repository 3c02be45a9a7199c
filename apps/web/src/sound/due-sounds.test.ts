import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { Action } from '@jokul/core';
import { dueSounds } from './due-sounds';

const action = (id: string, kind: Action['kind'], dueMs: number): Action => ({
  id,
  kind,
  batchId: 'GNG-26-1-A',
  productCode: 'GNG',
  trayIds: [],
  dueMs,
});
const none = new Set<string>();

describe('what is heard', () => {
  it('nothing of what was due when the page came up', () => {
    const late = [action('a', 'load', 0), action('b', 'pull', 0)];
    const first = dueSounds(late, null, 90_000, null);
    expect(first.play).toBeNull();
    expect(dueSounds(late, null, 91_000, first.keys).play).toBeNull();
  });
  it('a step that falls due, once', () => {
    const load = [action('a', 'load', 60_000)];
    expect(dueSounds(load, null, 59_999, none).play).toBeNull();
    const due = dueSounds(load, null, 60_000, none);
    expect(due.play).toBe('due');
    expect(dueSounds(load, null, 200_000, due.keys).play).toBeNull();
  });
  it('a tray that stays in, every minute for ten minutes', () => {
    const pull = [action('p', 'pull', 0)];
    let heard: ReadonlySet<string> = none;
    let calls = 0;
    for (let s = 0; s <= 3600; s += 1) {
      const { keys, play } = dueSounds(pull, null, s * 1000, heard);
      if (play === 'pull') calls += 1;
      heard = keys;
    }
    expect(calls).toBe(11);
  });
  it('of several the most urgent, and the cold again every five minutes', () => {
    const all = [action('a', 'load', 0), action('p', 'pull', 0)];
    expect(dueSounds(all, 0, 0, none).play).toBe('pull');
    const cold = dueSounds([], 0, 0, none);
    expect(cold.play).toBe('cold');
    expect(dueSounds([], 0, 299_000, cold.keys).play).toBeNull();
    expect(dueSounds([], 0, 300_000, cold.keys).play).toBe('cold');
  });
  it('what is taken back and falls due anew is heard anew', () => {
    const pull = [action('p', 'load', 0)];
    const first = dueSounds(pull, null, 0, none);
    const pressed = dueSounds([], null, 1000, first.keys);
    expect(dueSounds(pull, null, 2000, pressed.keys).play).toBe('due');
  });
  it('never more often than something changed or a minute went by', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            kind: fc.constantFrom<Action['kind']>('load', 'pull', 'rack', 'mix'),
            dueS: fc.integer({ min: 0, max: 1800 }),
          }),
          { maxLength: 8 },
        ),
        (made) => {
          const actions = made.map(({ kind, dueS }, i) => action(String(i), kind, dueS * 1000));
          let heard: ReadonlySet<string> = none;
          let played = 0;
          for (let s = 0; s <= 3600; s += 1) {
            const now = dueSounds(actions, null, s * 1000, heard);
            if (now.play) played += 1;
            heard = now.keys;
          }
          const pulls = actions.filter(({ kind }) => kind === 'pull').length;
          expect(played).toBeLessThanOrEqual(actions.length - pulls + 11 * pulls);
          expect(played > 0).toBe(actions.length > 0);
        },
      ),
      { numRuns: 20 },
    );
  });
});
