import { existsSync, readdirSync, renameSync } from 'node:fs';
import { join } from 'node:path';
import { say, Trouble } from './say.mjs';

/*
 * The folder of the data. A start makes it under another name and renames it when it is whole, so that a folder named
 * `data` is one that was finished. Nothing here removes anything: what cannot be used is set aside and said.
 */

/** Whether the system tables are there: without them the set-up was cut short and nothing was ever written. */
const isWhole = (data) => existsSync(join(data, 'mysql')) && existsSync(join(data, 'ibdata1'));

/** Whether somebody's entries lie in there. */
const holdsEntries = (data) =>
  readdirSync(data, { withFileTypes: true }).some(
    (entry) => entry.isDirectory() && existsSync(join(data, entry.name, 'journal_entry.ibd')),
  );

const moment = () => new Date().toISOString().slice(0, 19).replaceAll(':', '-');

const setAside = (path) => {
  const aside = `${path}.set-aside-${moment()}`;
  renameSync(path, aside);
  return aside;
};

/**
 * Where the data are to be made, or null when they are there.
 * @param dir the folder of the instance
 * @throws Trouble where entries are there that cannot be opened
 */
export const folderToMake = (dir) => {
  const data = join(dir, 'data');
  for (const name of existsSync(dir) ? readdirSync(dir) : []) {
    if (!name.startsWith('data.making-') || name.includes('.set-aside-')) continue;
    say(`A first start was cut short. What it left is kept as ${setAside(join(dir, name))}.`);
  }
  if (existsSync(data)) {
    if (isWhole(data)) return null;
    if (holdsEntries(data)) {
      throw new Trouble(
        `${data} holds your entries, but parts of the database around them are missing. Nothing was changed. Put the missing files back from a copy of that folder; to begin without these entries, rename the folder and start again.`,
      );
    }
    say(`The data folder is not whole, so it cannot be used. It is kept as ${setAside(data)}.`);
  }
  return join(dir, `data.making-${process.pid}`);
};
