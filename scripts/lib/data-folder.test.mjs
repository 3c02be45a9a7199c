import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { folderToMake } from './data-folder.mjs';
import { Trouble } from './say.mjs';
import { writeWhole } from './write-whole.mjs';

let dir;
beforeEach(() => {
  dir = mkdtempSync(join(tmpdir(), 'jokul-folder-'));
});
afterEach(() => rmSync(dir, { recursive: true, force: true }));

/** Files below a folder, with what is in them. */
const all = (folder) =>
  Object.fromEntries(
    readdirSync(folder, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile())
      .map((entry) => [entry.name, readFileSync(join(entry.parentPath, entry.name), 'utf8')]),
  );
const put = (...path) => {
  mkdirSync(join(dir, ...path.slice(0, -1)), { recursive: true });
  writeFileSync(join(dir, ...path), path.at(-1));
};

describe('the folder of the data', () => {
  it('is to be made where there is none, also below a folder that is not there', () => {
    expect(folderToMake(dir)).toBe(join(dir, `data.making-${process.pid}`));
    expect(folderToMake(join(dir, 'not', 'yet'))).toContain('data.making-');
  });
  it('is left alone when it is whole', () => {
    put('data', 'mysql', 'user.frm');
    put('data', 'ibdata1');
    put('data', 'jokul', 'journal_entry.ibd');
    const before = all(dir);
    expect(folderToMake(dir)).toBeNull();
    expect(all(dir)).toEqual(before);
  });
  it.each([
    ['without its system tables', [['data', 'ibdata1']]],
    ['without its first file', [['data', 'mysql', 'user.frm']]],
  ])('with entries but %s is trouble that is said, and nothing is touched', (_, files) => {
    for (const file of files) put(...file);
    put('data', 'jokul', 'journal_entry.ibd');
    const before = all(dir);
    expect(() => folderToMake(dir)).toThrow(Trouble);
    expect(() => folderToMake(dir)).toThrow('Nothing was changed');
    expect(all(dir)).toEqual(before);
  });
  it('cut short before anything was written is set aside, not removed', () => {
    put('data', 'ibdata1');
    const before = all(dir);
    expect(folderToMake(dir)).toContain('data.making-');
    expect(existsSync(join(dir, 'data'))).toBe(false);
    expect(all(dir)).toEqual(before);
  });
  it('what a first start that was killed left is set aside, once', () => {
    put('data.making-4711', 'ibdata1');
    folderToMake(dir);
    folderToMake(dir);
    const names = readdirSync(dir);
    expect(names).toHaveLength(1);
    expect(names[0]).toMatch(/^data\.making-4711\.set-aside-/);
  });
  it('which is whole stays so beside the leavings of another start', () => {
    put('data', 'mysql', 'user.frm');
    put('data', 'ibdata1');
    put('data.making-4711', 'ibdata1');
    expect(folderToMake(dir)).toBeNull();
    expect(existsSync(join(dir, 'data', 'ibdata1'))).toBe(true);
  });
});

describe('a file that is written whole', () => {
  it('is the new text or the old one, never a part; nothing is left beside it', () => {
    const file = join(dir, 'instance.json');
    writeWhole(file, '{"port":1}', 0o600);
    expect(statSync(file).mode & 0o777).toBe(0o600);
    writeWhole(file, '{"port":2}', 0o600);
    expect(readFileSync(file, 'utf8')).toBe('{"port":2}');
    expect(readdirSync(dir)).toEqual(['instance.json']);
  });
  it('that cannot be written leaves the old one', () => {
    const file = join(dir, 'instance.json');
    writeWhole(file, 'old');
    expect(() => writeWhole(join(dir, 'no-such-folder', 'x'), 'new')).toThrow('ENOENT');
    expect(() => writeWhole(file, 7n)).toThrow();
    expect(readFileSync(file, 'utf8')).toBe('old');
  });
});
