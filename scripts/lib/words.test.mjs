import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { inRoot } from './paths.mjs';
import { gatherWords } from './words.mjs';

describe('the catalogue', () => {
  it('holds plurals, the page each message stands on, and no message twice', async () => {
    const words = await gatherWords();
    expect(words).toContain('{0, plural, one {# tray} other {# trays}}');
    expect(words).toMatch(/#: orders\/add-line\.tsx\nmsgid "Add a line"/);
    const messages = [...words.matchAll(/^(msgctxt .*\n)?msgid (.+)$/gm)].map(([whole]) => whole);
    expect(new Set(messages).size).toBe(messages.length);
    // An apostrophe before a brace would quote it.
    expect(words).not.toMatch(/'\{/);
  });

  it('holds what the core, its contracts and the server say, under the message that they say', async () => {
    const words = await gatherWords();
    for (const origin of [
      'packages/core/src/rest/alarm.ts',
      'packages/contracts/src/orders.ts',
      'apps/server/src/orders/orders.service.ts',
    ])
      expect(words).toContain(`#: ${origin}`);
    const core = await import(inRoot('packages/core/dist/index.js'));
    const said = new Set();
    core.speakWith((parts, put) => {
      const place = (value, i) =>
        typeof value === 'object' ? `{${i}, plural, one {${value.one}} other {${value.other}}}` : `{${i}}`;
      said.add(parts.reduce((text, part, i) => text + (i > 0 ? place(put[i - 1], i - 1) : '') + part, ''));
      return 'x';
    });
    try {
      for (const formula of core.demoFormulas) {
        core.swapsFor(formula).forEach(({ make }) => make?.());
        core.checkSoundness({ ...formula, lines: formula.lines?.slice(0, 2) ?? [] });
        core.bake(core.bakeInputOf(formula, { start: 6, tray: 'bright-aluminium', liner: 'mat', setC: 175 }));
      }
      core.readRecipe('2 cups unicorn dust\n1 can of milk\n3 eggs', {});
    } finally {
      core.speakWith(undefined);
    }
    expect(said.size).toBeGreaterThan(40);
    const outside = [...said].filter(
      (message) => !words.includes(`msgid "${message.replaceAll('"', '\\"')}"`),
    );
    expect(outside).toEqual([]);
  });

  it('is never what a choice is told by: in another language it would be another choice', () => {
    const pages = readdirSync(inRoot('apps/web/src'), { recursive: true }).filter((file) =>
      file.endsWith('.tsx'),
    );
    expect(pages.length).toBeGreaterThan(200);
    const told = pages.filter((file) =>
      /<option>\s*\{t`/.test(readFileSync(join(inRoot('apps/web/src'), file), 'utf8')),
    );
    expect(told).toEqual([]);
  });
});
