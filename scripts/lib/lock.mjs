import { linkSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { Trouble } from './say.mjs';

/** The start that holds a lock, if it is still running. */
const holderOf = (file) => {
  try {
    const { pid, address } = JSON.parse(readFileSync(file, 'utf8'));
    const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8');
    return command.includes('start.mjs') ? { pid, address } : null;
  } catch {
    // No lock, a torn one, or one of a process that is gone.
    return null;
  }
};

/** Holds `file` for this process, so that one project is started once. Returns the release. */
export const holdLock = (file, address) => {
  const own = `${file}.${process.pid}`;
  try {
    mkdirSync(dirname(file), { recursive: true });
    writeFileSync(own, JSON.stringify({ pid: process.pid, address }));
  } catch (error) {
    throw new Trouble(
      `${file} cannot be written (${error.code}). Give yourself the right to write into the project's folder.`,
    );
  }
  try {
    // Linked, not written: of two starts at once only one can.
    for (let tries = 0; ; tries++) {
      try {
        linkSync(own, file);
        return () => rmSync(file, { force: true });
      } catch (error) {
        if (error.code !== 'EEXIST' || tries > 3) throw error;
      }
      const holder = holderOf(file);
      if (holder)
        throw new Trouble(
          `Jokul already runs here (process ${holder.pid}): open ${holder.address}, or stop it with Ctrl-C first.`,
        );
      // Left by a process that is gone: moved away under our own name, which only one of two can do.
      const left = `${own}.left`;
      try {
        renameSync(file, left);
      } catch (error) {
        if (error.code !== 'ENOENT') throw error;
      }
      rmSync(left, { force: true });
    }
  } finally {
    rmSync(own, { force: true });
  }
};
