import { readFileSync, writeFileSync } from 'node:fs';
import { inRoot } from './lib/paths.mjs';
import { orSay, say } from './lib/say.mjs';
import { gatherWords } from './lib/words.mjs';

/*
 * npm run words: gathers everything that Jokul says into one catalogue, apps/web/src/words/en.po, with the files it
 * stands in. -- --check says whether the catalogue is as the sources have it, and writes nothing.
 */
await orSay(async () => {
  const file = inRoot('apps/web/src/words/en.po');
  const words = await gatherWords();
  if (process.argv.includes('--check')) {
    if (readFileSync(file, 'utf8') !== words)
      throw new Error('The catalogue is not what the interface says any more: npm run words gathers it.');
    return;
  }
  writeFileSync(file, words);
  say(`${words.split('\nmsgid ').length - 2} messages in apps/web/src/words/en.po.`);
});
