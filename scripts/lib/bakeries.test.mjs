import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import {
  bakeryAsked,
  bakeryFolder,
  bakeryLock,
  nightlyKind,
  otherWords,
  ownBakeries,
  rememberName,
} from './bakeries.mjs';

let home;
let file;
beforeEach(() => {
  home = mkdtempSync(join(tmpdir(), 'jokul-bakeries-'));
  file = join(home, 'bakeries.json');
});
afterEach(() => rmSync(home, { recursive: true, force: true }));

describe('the bakeries of a machine', () => {
  it('are those whose records are there, by number, with what they are called', () => {
    for (const id of ['db', 'own', 'own-10', 'own-2', 'own-0', 'own-x', 'bakes']) mkdirSync(join(home, id));
    rememberName('own-2', 'Quay Lane', file);
    rememberName('own', 'Kestrel Lane', file);
    rememberName('own', 'Kestrel Lane North', file);
    expect(ownBakeries(home, file)).toEqual([
      { id: 'own', name: 'Kestrel Lane North' },
      { id: 'own-2', name: 'Quay Lane' },
      { id: 'own-10', name: 'My bakery' },
    ]);
  });

  it('are none on a new machine, and lose no more than a name with a torn file', () => {
    expect(ownBakeries(join(home, 'nowhere'), file)).toEqual([]);
    mkdirSync(join(home, 'own'));
    for (const torn of ['', '{"own":"Kes', '[]', 'null', '{"own":7}']) {
      writeFileSync(file, torn);
      expect(ownBakeries(home, file)).toEqual([{ id: 'own', name: 'My bakery' }]);
    }
    rememberName('own', 'Kestrel Lane', file);
    expect(JSON.parse(readFileSync(file, 'utf8'))).toEqual({ own: 'Kestrel Lane' });
  });

  it('have a folder, a lock and backups each', () => {
    const ids = ['demo', 'own', 'own-2'];
    for (const of of [bakeryFolder, bakeryLock, nightlyKind]) expect(new Set(ids.map(of)).size).toBe(3);
    // As they were before there could be several: nobody's records move.
    expect(ids.map((id) => bakeryFolder(id).split('/').at(-1))).toEqual(['db', 'own', 'own-2']);
  });
});

describe('the bakery that a command names', () => {
  const own = [
    { id: 'own', name: 'Kestrel Lane' },
    { id: 'own-2', name: 'Quay Lane' },
    { id: 'own-3', name: 'quay lane' },
  ];
  it.each([
    [[], 'demo'],
    [['--empty'], 'own'],
    [['--bakery', 'demo'], 'demo'],
    [['--bakery', 'own'], 'own'],
    [['file.gz', '--bakery', 'own-2'], 'own-2'],
    [['--bakery', 'KESTREL LANE'], 'own'],
  ])('%j is %s', (args, id) => expect(bakeryAsked(args, own)).toBe(id));

  it('is said where there is none, or several', () => {
    expect(() => bakeryAsked(['--bakery', 'own-9'], own)).toThrow(
      'there is no bakery "own-9" on this machine. There are demo, own (Kestrel Lane), own-2 (Quay Lane)',
    );
    expect(() => bakeryAsked(['--bakery'], own)).toThrow('there is no bakery ""');
    expect(() => bakeryAsked(['--bakery', 'Quay Lane'], own)).toThrow('say which one by its id');
  });

  it('is no file', () => expect(otherWords(['--bakery', 'own-2', 'a.gz', '--empty'])).toEqual(['a.gz']));
});
