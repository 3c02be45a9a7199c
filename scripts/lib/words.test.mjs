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
