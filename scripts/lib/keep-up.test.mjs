import { EventEmitter, once } from 'node:events';
import { setTimeout as pause } from 'node:timers/promises';
import { describe, expect, it } from '@jest/globals';
import { keepUp, tryAgain } from './keep-up.mjs';

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

describe('what may go well later', () => {
  const failing = (times) => {
    let left = times;
    return async () => {
      if (left-- > 0) throw new Error(`failed, ${left} left`);
      return 'done';
    };
  };
  it('is tried at once, then after each pause', async () => {
    const said = [];
    const pausesMs = [1, 2, 3];
    expect(
      await tryAgain(failing(3), { pausesMs, onFailure: ({ message }, ms) => said.push([message, ms]) }),
    ).toBe('done');
    expect(said).toEqual([
      ['failed, 2 left', 1],
      ['failed, 1 left', 2],
      ['failed, 0 left', 3],
    ]);
  });
  it('is given up with the last error', async () => {
    await expect(tryAgain(failing(9), { pausesMs: [1, 1] })).rejects.toThrow('failed, 6 left');
  });
  it('is left alone once nobody wants it, also during a pause', async () => {
    const over = new AbortController();
    const trying = tryAgain(failing(9), {
      pausesMs: [1, 3_600_000],
      over: over.signal,
      onFailure: (_, ms) => ms > 1 && setTimeout(() => over.abort(), 5),
    });
    expect(await trying).toBeUndefined();
  });
});
