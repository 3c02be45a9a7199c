import { closeSync, fsyncSync, openSync, renameSync, writeSync } from 'node:fs';

/** Writes a small file so that whoever reads it, also after a loss of power, finds the old text or the new one. */
export const writeWhole = (file, text, mode = 0o644) => {
  const next = `${file}.${process.pid}.new`;
  const handle = openSync(next, 'w', mode);
  try {
    writeSync(handle, text);
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
  renameSync(next, file);
};
