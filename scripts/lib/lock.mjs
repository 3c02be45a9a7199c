import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { Trouble } from './say.mjs';

/** Holds `file` for this process, so that one project is started once. Returns the release. */
export const holdLock = (file, address) => {
  try {
    const { pid, address: at } = JSON.parse(readFileSync(file, 'utf8'));
    const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8');
    if (pid !== process.pid && command.includes('start.mjs')) {
      throw new Trouble(
        `Jokul already runs here (process ${pid}): open ${at}, or stop it with Ctrl-C first.`,
      );
    }
  } catch (error) {
    if (error instanceof Trouble) throw error;
    // no lock, or one left by a process that is gone
  }
  try {
    mkdirSync(dirname(file), { recursive: true });
    writeFileSync(file, JSON.stringify({ pid: process.pid, address }));
  } catch (error) {
    throw new Trouble(
      `${file} cannot be written (${error.code}). Give yourself the right to write into the project's folder.`,
    );
  }
  return () => rmSync(file, { force: true });
};
