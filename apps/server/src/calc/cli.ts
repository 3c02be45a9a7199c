import { text } from 'node:stream/consumers';
import { JokulError, say } from '@jokul/core';
import { calculate, readyFor } from './calculate.js';

/* npm run -s calc -- NAME < in.json */
const parse = (input: string): unknown => {
  try {
    return JSON.parse(input);
  } catch {
    throw new JokulError('bad-json', say`The input is no valid JSON.`);
  }
};

try {
  const name = process.argv[2] ?? '';
  await readyFor(name);
  const result = calculate(name, parse(await text(process.stdin)));
  process.stdout.write(`${JSON.stringify(result)}\n`);
} catch (error) {
  if (!(error instanceof JokulError)) throw error;
  const { code, message, path } = error;
  process.stderr.write(`${JSON.stringify({ code, message, path })}\n`);
  process.exitCode = 1;
}
