import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { mendMissingFiles } from './mend-missing-files';

/* An old page mends itself, and a page whose server is away stays. Node has events, and all else is put in. */

const listeners: (() => void)[] = [];
const stored = new Map<string, string>();
let page: string | null = '';
beforeEach(() => {
  listeners.length = 0;
  stored.clear();
  Object.assign(globalThis, {
    window: { addEventListener: (_: string, heard: () => void) => listeners.push(heard) },
    document: { querySelector: () => ({ getAttribute: () => '/assets/index-now.js' }) },
    sessionStorage: {
      getItem: (key: string) => stored.get(key) ?? null,
      setItem: (key: string, value: string) => stored.set(key, value),
    },
    fetch: async () => {
      if (page === null) throw new TypeError('Failed to fetch');
      return { ok: true, text: async () => page };
    },
  });
});
afterEach(() => {
  for (const name of ['window', 'document', 'sessionStorage']) Reflect.deleteProperty(globalThis, name);
});

/** How often the page is loaded anew when so many files were missed. */
const reloads = async (missed: number): Promise<number> => {
  let count = 0;
  mendMissingFiles(() => (count += 1));
  for (let i = 0; i < missed; i++) {
    for (const heard of listeners) heard();
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
  return count;
};

describe('a page that misses a file', () => {
  it('is loaded anew where the server has another version, once', async () => {
    page = '<script type="module" src="/assets/index-next.js"></script>';
    expect(await reloads(3)).toBe(1);
  });

  it('stays while the server is away: there would be nothing to load', async () => {
    page = null;
    expect(await reloads(3)).toBe(0);
  });

  it('stays where the server has the same version', async () => {
    page = '<script type="module" src="/assets/index-now.js"></script>';
    expect(await reloads(1)).toBe(0);
  });
});
