import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { formatter, messagesIn, says } from '../../apps/web/words.babel.mjs';
import { inRoot } from './paths.mjs';

const tests = /\.(?:test|testkit)\.|\.d\.ts$/;

/** The sources of the interface in the order of their names, tests left out. */
const sources = () => {
  const dir = inRoot('apps/web/src');
  return readdirSync(dir, { recursive: true })
    .filter((file) => /\.tsx?$/.test(file) && !tests.test(file))
    .sort()
    .map((file) => join(dir, file));
};

/**
 * Everything that the interface says, as a catalogue.
 * @returns {Promise<string>} a PO file: each message in ICU format once, with its id and the files it stands in
 */
export const gatherWords = async () => {
  const catalogue = {};
  for (const file of sources()) {
    const code = readFileSync(file, 'utf8');
    if (!says(code)) continue;
    const origin = [relative(inRoot('apps/web/src'), file).replaceAll('\\', '/')];
    for (const { id, message, context } of messagesIn(code, file)) {
      const known = catalogue[id];
      if (known && known.message !== message)
        throw new Error(`“${known.message}” and “${message}” have the same id, ${id}.`);
      if (!known) catalogue[id] = { message, context, translation: message, origin: [origin], extra: {} };
      else if (known.origin.at(-1)[0] !== origin[0]) known.origin.push(origin);
    }
  }
  const sorted = Object.fromEntries(
    Object.entries(catalogue).sort(([, a], [, b]) =>
      a.message === b.message ? 0 : a.message < b.message ? -1 : 1,
    ),
  );
  const text = await formatter({ lineNumbers: false }).serialize(sorted, {
    locale: 'en',
    sourceLocale: 'en',
    existing: undefined,
  });
  // When it was gathered is no part of what is said.
  return text.replace(/"POT-Creation-Date:[^\n]*\n/, '');
};
