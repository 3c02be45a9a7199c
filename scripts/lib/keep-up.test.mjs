import { EventEmitter, once } from 'node:events';
import { setTimeout as pause } from 'node:timers/promises';
import { describe, expect, it } from '@jest/globals';
import { keepUp } from './keep-up.mjs';

const fast = { firstPauseMs: 2, longestPauseMs: 20 };

describe('a process that is kept up', () => {
  it('is started again when it ends by itself', async () => {
    const children = [];
    const kept = keepUp(() => children[children.push(new EventEmitter()) - 1], fast);
    children[0].emit('exit', 1, null);
    await pause(30);
    expect(children).toHaveLength(2);
    expect(kept.child()).toBe(children[1]);
    kept.stop();
  });
  it('waits longer each time, and is given up in the end', async () => {
    const pauses = [];
    let starts = 0;
    const gaveUp = new EventEmitter();
    keepUp(
      () => {
        starts += 1;
        const child = new EventEmitter();
        setImmediate(() => child.emit('exit', 3, null));
        return child;
      },
      {
        ...fast,
        tries: 4,
        onEnd: (_code, _signal, ms) => pauses.push(ms),
        onGiveUp: (code) => gaveUp.emit('end', code),
      },
    );
    const [code] = await once(gaveUp, 'end');
    expect(code).toBe(3);
    expect(starts).toBe(5);
    expect(pauses).toEqual([2, 4, 8, 16]);
  });
  it('that stayed up for a while is calm again', async () => {
    let clock = 0;
    const pauses = [];
    const children = [];
    const kept = keepUp(() => children[children.push(new EventEmitter()) - 1], {
      ...fast,
      calmMs: 1000,
      now: () => clock,
      onEnd: (_code, _signal, ms) => pauses.push(ms),
    });
    for (let i = 0; i < 3; i++) {
      clock += 5000;
      children.at(-1).emit('exit', null, 'SIGKILL');
      await pause(30);
    }
    expect(pauses).toEqual([2, 2, 2]);
    kept.stop();
  });
  it('whose end was asked for is launched again at once, and as often as it is asked for', async () => {
    const children = [];
    const ends = [];
    const kept = keepUp(() => children[children.push(new EventEmitter()) - 1], {
      ...fast,
      tries: 1,
      onCode: async (code) => code === 75,
      onEnd: (code) => ends.push(code),
    });
    for (let i = 0; i < 4; i++) {
      children.at(-1).emit('exit', 75, null);
      await pause(5);
    }
    expect(children).toHaveLength(5);
    expect(ends).toEqual([]);
    children.at(-1).emit('exit', 1, null);
    await pause(30);
    expect(ends).toEqual([1]);
    kept.stop();
  });
  it('is left alone once it was stopped', async () => {
    const children = [];
    const kept = keepUp(() => children[children.push(new EventEmitter()) - 1], fast);
    kept.stop();
    children[0].emit('exit', 0, null);
    await pause(30);
    expect(children).toHaveLength(1);
  });
});
