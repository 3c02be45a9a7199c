import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { spawn } from 'node:child_process';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { holdLock } from './lock.mjs';

let dir;
let file;
beforeEach(() => {
  dir = mkdtempSync(join(tmpdir(), 'jokul-lock-'));
  file = join(dir, 'deep', 'start.lock');
});
afterEach(() => rmSync(dir, { recursive: true, force: true }));

/** Another start, that holds the lock for as long as it lives. */
const another = (hold) =>
  new Promise((resolve) => {
    const script = join(dir, 'start.mjs');
    const lock = new URL('./lock.mjs', import.meta.url).href;
    writeFileSync(
      script,
      `import { holdLock } from ${JSON.stringify(lock)};
try { holdLock(${JSON.stringify(file)}, 'http://x'); console.log('held'); ${hold ? 'setTimeout(() => {}, 20000)' : ''} }
catch (error) { console.log('refused ' + error.message); }`,
    );
    const child = spawn(process.execPath, [script], { stdio: ['ignore', 'pipe', 'inherit'] });
    child.stdout.once('data', (said) => resolve({ said: String(said).trim(), child }));
  });

describe('the lock of a start', () => {
  it('is taken, and let go', () => {
    const release = holdLock(file, 'http://127.0.0.1:1');
    expect(JSON.parse(readFileSync(file, 'utf8')).pid).toBe(process.pid);
    release();
    expect(existsSync(file)).toBe(false);
  });
  it('left by a process that is gone, or torn, is taken over', () => {
    holdLock(file, 'a')();
    for (const left of ['{"pid":999999999,"address":"x"}', '{"pi', '']) {
      writeFileSync(file, left);
      holdLock(file, 'b')();
    }
    expect(existsSync(file)).toBe(false);
  });
  it('of six starts at once exactly one holds it', async () => {
    holdLock(file, 'a')();
    writeFileSync(file, '{"pid":999999999,"address":"x"}');
    const starts = await Promise.all(Array.from({ length: 6 }, () => another(true)));
    expect(starts.filter(({ said }) => said === 'held')).toHaveLength(1);
    for (const { said } of starts) expect(said).toMatch(/^(held|refused Jokul already runs here)/);
    for (const { child } of starts) child.kill();
  }, 30_000);
});
