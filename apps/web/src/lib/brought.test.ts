import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { toast } from 'sonner';
import { brought } from './brought';

// What is dismissed goes with the next picture of a browser.
Object.assign(globalThis, { requestAnimationFrame: (next: () => void) => next() });
const soon = async () => undefined;
const failing = (times: number) => {
  let left = times;
  return jest.fn(async () => {
    if (left-- > 0) throw new TypeError('Failed to fetch dynamically imported module');
    return { Part: 'part' };
  });
};
const notices = () => toast.getToasts().filter((own) => own.id === 'part-on-its-way');

describe('a part that is fetched when it is needed', () => {
  afterEach(() => void toast.dismiss());

  it('is there at once', async () => {
    const load = failing(0);
    await expect(brought(load, async () => true, soon)).resolves.toEqual({ Part: 'part' });
    expect(load).toHaveBeenCalledTimes(1);
  });

  it('is waited for while the server is away, however long, and that is said', async () => {
    const load = failing(50);
    let said = 0;
    const wait = async () => {
      said = Math.max(said, notices().length);
    };
    await expect(brought(load, async () => false, wait)).resolves.toEqual({ Part: 'part' });
    expect(said).toBe(1);
    expect(notices()).toEqual([]);
  });

  it('fails where the server answers and it is not there, or broken', async () => {
    const load = failing(50);
    await expect(brought(load, async () => true, soon)).rejects.toThrow('Failed to fetch');
    expect(load).toHaveBeenCalledTimes(3);
    expect(notices()).toEqual([]);
  });

  it('asks with growing pauses, never in a loop without any', async () => {
    const pauses: number[] = [];
    await brought(
      failing(8),
      async () => false,
      async (ms) => void pauses.push(ms),
    );
    expect(pauses[0]).toBe(300);
    expect(pauses.at(-1)).toBe(5000);
    expect(pauses.every((ms, i) => i === 0 || ms >= (pauses[i - 1] ?? 0))).toBe(true);
  });
});
