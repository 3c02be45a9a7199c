import { existsSync, mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { inRoot } from './paths.mjs';
import { Trouble } from './say.mjs';
import { writeWhole } from './write-whole.mjs';

/*
 * The bakeries of this machine: the demo, and as many of one's own as were begun. Each has its records in a folder of its
 * own, which its id names; what it is called is remembered here, since only its own records say.
 */

const isOwn = (id) => /^own(?:-[2-9]|-[1-9]\d)?$/.test(id);
const namesFile = () => inRoot('.jokul', 'bakeries.json');

/** Where the records of a bakery are. */
export const bakeryFolder = (id) => inRoot('.jokul', id === 'demo' ? 'db' : id);

/** What one start holds, so that no other opens the same records. */
export const bakeryLock = (id) => inRoot('.jokul', id === 'demo' ? 'start.lock' : `start-${id}.lock`);

/** What a nightly backup of it is called. */
export const nightlyKind = (id) => (id === 'demo' ? 'nightly' : `${id}-nightly`);

const knownNames = (file) => {
  try {
    const names = JSON.parse(readFileSync(file, 'utf8'));
    return typeof names === 'object' && names !== null && !Array.isArray(names) ? names : {};
  } catch {
    // Never written yet, or torn: the names come back when the bakeries are opened.
    return {};
  }
};

/** One's own bakeries on this machine: [{ id, name }], the first one first. */
export const ownBakeries = (home = inRoot('.jokul'), file = namesFile()) => {
  const names = knownNames(file);
  return (existsSync(home) ? readdirSync(home) : [])
    .filter(isOwn)
    .sort((a, b) => a.localeCompare(b, 'en', { numeric: true }))
    .map((id) => ({ id, name: typeof names[id] === 'string' && names[id] ? names[id] : 'My bakery' }));
};

/** Remembers what a bakery is called. */
export const rememberName = (id, name, file = namesFile()) => {
  if (knownNames(file)[id] === name) return;
  mkdirSync(dirname(file), { recursive: true });
  writeWhole(file, `${JSON.stringify({ ...knownNames(file), [id]: name })}\n`);
};

/**
 * The bakery that a command names: `--bakery own-2` or `--bakery "Quay Lane"`, `--empty` for the first of one's own, and
 * the demo where it names none. @throws Trouble that says which there are
 */
export const bakeryAsked = (args, own = ownBakeries()) => {
  const at = args.indexOf('--bakery');
  if (at < 0) return args.includes('--empty') ? 'own' : 'demo';
  const asked = args[at + 1] ?? '';
  if (asked === 'demo' || asked === 'own') return asked;
  const called = own.filter(({ id, name }) => id === asked || name.toLowerCase() === asked.toLowerCase());
  if (called.length === 1) return called[0].id;
  const known = ['demo', ...own.map(({ id, name }) => `${id} (${name})`)].join(', ');
  throw new Trouble(
    called.length > 1
      ? `several bakeries are called "${asked}": say which one by its id. There are ${known}.`
      : `there is no bakery "${asked}" on this machine. There are ${known}.`,
  );
};

/** What is left of a command's words when those that name a bakery are taken out. */
export const otherWords = (args) =>
  args.filter((arg, i) => !arg.startsWith('--') && args[i - 1] !== '--bakery');
