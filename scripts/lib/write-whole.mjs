import { closeSync, fsyncSync, openSync, renameSync, rmSync, writeSync } from 'node:fs';

/** Writes a small file so that whoever reads it, also after a loss of power, finds the old text or the new one. */
export const writeWhole = (file, text, mode = 0o644) => {
  const next = `${file}.${process.pid}.new`;
  try {
    const handle = openSync(next, 'w', mode);
    try {
      writeSync(handle, text);
      fsyncSync(handle);
    } finally {
      closeSync(handle);
    }
    renameSync(next, file);
  } catch (error) {
    // Half of a file on a full disk helps nobody.
    rmSync(next, { force: true });
    throw error;
  }
};
