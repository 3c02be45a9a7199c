import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { formatter, messagesIn, says } from '../../apps/web/words.babel.mjs';
import { saidIn } from '../../apps/web/words.said.mjs';
import { inRoot } from './paths.mjs';

const tests = /\.(?:test|testkit)\.|\.d\.ts$/;

/** The sources of a part of Jokul in the order of their names, tests left out. */
const sources = (part) => {
  const dir = inRoot(part);
  return readdirSync(dir, { recursive: true })
    .filter((file) => /\.tsx?$/.test(file) && !tests.test(file))
    .sort()
    .map((file) => join(dir, file));
};

/** What the interface says, by its macros. */
const ofInterface = () =>
  sources('apps/web/src').flatMap((file) => {
    const code = readFileSync(file, 'utf8');
    const origin = relative(inRoot('apps/web/src'), file).replaceAll('\\', '/');
    return says(code) ? messagesIn(code, file).map((message) => ({ ...message, origin })) : [];
  });

/** What all else says, tagged `say`. */
const ofAllElse = () =>
  ['packages/core/src', 'packages/contracts/src', 'apps/server/src'].flatMap((part) =>
    sources(part).flatMap((file) => {
      const origin = relative(inRoot('.'), file).replaceAll('\\', '/');
      return saidIn(readFileSync(file, 'utf8'), file).map((message) => ({ ...message, origin }));
    }),
  );

/**
 * Everything that Jokul says, as a catalogue.
 * @returns {Promise<string>} a PO file: each message in ICU format once, with its id and the files it stands in
 */
export const gatherWords = async () => {
  const catalogue = {};
  for (const { id, message, context, origin } of [...ofInterface(), ...ofAllElse()]) {
    const known = catalogue[id];
    if (known && known.message !== message)
      throw new Error(`“${known.message}” and “${message}” have the same id, ${id}.`);
    if (!known) catalogue[id] = { message, context, translation: message, origin: [[origin]], extra: {} };
    else if (known.origin.at(-1)[0] !== origin) known.origin.push([origin]);
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
