import { EventEmitter } from 'node:events';
import { expect, it, jest } from '@jest/globals';

/* What the program says, piece by piece; the process itself is the test's. */
let pieces: readonly string[] = [];
jest.unstable_mockModule('node:child_process', () => ({
  spawn: () => {
    const child = Object.assign(new EventEmitter(), { stdout: new EventEmitter() });
    setImmediate(() => {
      for (const piece of pieces) child.stdout.emit('data', Buffer.from(piece));
      child.emit('close');
    });
    return child;
  },
}));
const { inRecordsProcess, isRefused } = await import('./records-process.js');

it.each([
  [['{"entries"', ':7}\n'], { entries: 7 }],
  [['a warning\n', '{"entries":7}\n'], { entries: 7 }],
  [['{"refused":{"code":"x","message":"y"}}'], { refused: { code: 'x', message: 'y' } }],
  // It was killed in the middle of its answer, or never gave one: nothing ends with it.
  [['{"entr'], null],
  [['Killed\n'], null],
  [[], null],
  [['7'], null],
])('the answer to %j is the last line, or nothing', async (said, answer) => {
  pieces = said;
  const given = await inRecordsProcess({}, ['check-log']);
  expect(given).toEqual(answer);
  expect(isRefused(given)).toBe(answer === null || 'refused' in answer);
});
