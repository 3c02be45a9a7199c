import { accessSync, constants } from 'node:fs';
import { delimiter, join } from 'node:path';
import { run } from './run.mjs';
import { say, Trouble } from './say.mjs';

/** The path of a program, or null. Looks in /usr/sbin too, where mariadbd lives. */
export const which = (program) => {
  for (const dir of [
    ...(process.env.PATH ?? '').split(delimiter),
    '/usr/sbin',
    '/usr/bin',
    '/usr/local/sbin',
  ]) {
    try {
      accessSync(join(dir, program), constants.X_OK);
      return join(dir, program);
    } catch {
      // not here
    }
  }
  return null;
};

/** Makes sure that `program` is there, from the Debian packages `pkg` (space-separated). */
export const ensureProgram = async (program, pkg, why) => {
  const found = which(program);
  if (found) return found;
  const byHand = `apt-get update && apt-get install -y --no-install-recommends ${pkg}`;
  if (!which('apt-get')) {
    throw new Trouble(
      `${why} needs "${program}", and this system has no apt-get. Install ${pkg} with its own package tool, then start again.`,
    );
  }
  if (process.getuid?.() !== 0) {
    throw new Trouble(
      `${why} needs Debian's package ${pkg}. Run this once, then start again:\n\n  sudo sh -c '${byHand}'`,
    );
  }
  say(`Installing ${pkg} from Debian's packages (${why}) ...`);
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  await run('apt-get', ['update', '-qq'], { quiet: true, env, allowFailure: true });
  await run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...pkg.split(' ')], {
    quiet: true,
    env,
  });
  const now = which(program);
  if (!now) throw new Trouble(`${pkg} was installed, but "${program}" is still not there. Try: ${byHand}`);
  return now;
};

/**
 * A Chromium that draws to nowhere. The one without windows needs two thirds of the other's time; a Debian that does not
 * have it by itself has the other.
 */
export const ensureBrowser = async (why) => {
  try {
    return await ensureProgram('chromium-headless-shell', 'chromium-headless-shell', why);
  } catch {
    return ensureProgram('chromium', 'chromium', why);
  }
};
