import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { forTerminal, openServerLog, passOn } from './server-log.mjs';

/* What the server says: all of it in a file, and in plain words at the terminal. */

const line = (level, message, context = 'Seed') =>
  JSON.stringify({ level, pid: 1, timestamp: 1, message, context });
let folder;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'jokul-log-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));
const told = () => readFileSync(join(folder, 'server.log'), 'utf8');

describe('a line at the terminal', () => {
  it.each([
    [line('log', 'Filling the empty database ...'), 'Filling the empty database ...'],
    [line('warn', 'It has lost its name.'), 'It has lost its name.'],
    [
      line('error', { message: 'Error: the disk\n    at here', requestId: 'x' }, 'Problem'),
      'A fault in the server: Error: the disk (more in the log)',
    ],
    [line('error', 'Error: gone\n    at there'), 'A fault in the server: Error: gone (more in the log)'],
    [line('log', { message: 'changed', status: 201 }, 'Request'), null],
    [line('warn', { message: 'refused', status: 503 }, 'Request'), null],
    ['Port 4310 is taken by another program.', 'Port 4310 is taken by another program.'],
    ['{not JSON', '{not JSON'],
    ['42', '42'],
    ['null', 'null'],
  ])('%s', (said, shown) => {
    expect(forTerminal(said)).toBe(shown);
  });
});

describe('the log', () => {
  it('has every line of both ways as it was said, and the terminal those that are for it', async () => {
    const log = await openServerLog(folder);
    const shown = { out: '', err: '' };
    let signs = 0;
    const child = spawn(
      process.execPath,
      [
        '-e',
        `process.stdout.write(${JSON.stringify(`${line('log', 'Begun')}\n${line('log', {}, 'Request')}\nplain`)});
         process.stderr.write(${JSON.stringify(`${line('error', 'Error: x\n  at y')}\n`)})`,
      ],
      { stdio: ['ignore', 'pipe', 'pipe'] },
    );
    passOn(child, log, {
      onSaid: () => (signs += 1),
      out: { write: (text) => (shown.out += text) },
      err: { write: (text) => (shown.err += text) },
    });
    await new Promise((done) => child.once('close', done));
    await pause(20);
    log.end();
    await pause(200);
    expect(shown).toEqual({
      out: 'Begun\nplain\n',
      err: 'A fault in the server: Error: x (more in the log)\n',
    });
    expect(signs).toBe(4);
    expect(told().trim().split('\n')).toHaveLength(4);
    expect(told()).toContain(line('error', 'Error: x\n  at y'));
  });

  it('goes on after the last one, and keeps a few old files of a few MB', async () => {
    writeFileSync(join(folder, 'server.log'), 'before\n');
    const log = await openServerLog(folder);
    log.write('after');
    await pause(200);
    expect(told()).toBe('before\nafter\n');
    const much = 'x'.repeat(500_000);
    for (let i = 0; i < 80; i++) {
      log.write(much);
      if (i % 5 === 0) await pause(30);
    }
    await pause(500);
    log.end();
    await pause(200);
    const files = readdirSync(folder);
    expect(files.length).toBeGreaterThan(2);
    expect(files.length).toBeLessThanOrEqual(6);
  });

  it('that cannot be written stops no work', async () => {
    writeFileSync(join(folder, 'file'), 'no folder');
    const log = await openServerLog(join(folder, 'file', 'log'));
    log.write('lost');
    await pause(200);
    log.write('lost too');
    log.end();
    await pause(100);
    expect(existsSync(join(folder, 'file', 'log'))).toBe(false);
  });
});
