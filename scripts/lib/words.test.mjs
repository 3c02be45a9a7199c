import { describe, expect, it } from '@jest/globals';
import { gatherWords } from './words.mjs';

describe('the catalogue', () => {
  it('holds plurals, the page each message stands on, and no message twice', async () => {
    const words = await gatherWords();
    expect(words).toContain('{0, plural, one {# tray} other {# trays}}');
    expect(words).toMatch(/#: stations\/orders\/add-line\.tsx\nmsgid "Add a line"/);
    const messages = [...words.matchAll(/^(msgctxt .*\n)?msgid (.+)$/gm)].map(([whole]) => whole);
    expect(new Set(messages).size).toBe(messages.length);
    // An apostrophe before a brace would quote it.
    expect(words).not.toMatch(/'\{/);
  });
});
