import { spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';

interface Refused {
  readonly refused: { readonly code: string; readonly message: string };
}

/** Its answer is the last line; whatever else it said, or that it broke off, ends nothing here. */
const lastAnswer = (said: string): object | null => {
  try {
    const answer: unknown = JSON.parse(said.trim().split('\n').at(-1) || 'null');
    return typeof answer === 'object' ? answer : null;
  } catch {
    return null;
  }
};

/**
 * Asks the program that reads all records, in a process of its own: reading everything must not hold up the floor.
 * @param env the database and the backups, as such a process is told of them
 * @returns its answer, or why not; null where it broke off
 */
export const inRecordsProcess = <Answer extends object>(
  env: NodeJS.ProcessEnv,
  args: readonly string[],
): Promise<Answer | Refused | null> =>
  new Promise((done, fail) => {
    const program = fileURLToPath(new URL('../../dist/bundle/backup.js', import.meta.url));
    const child = spawn(process.execPath, [program, ...args], { env, stdio: ['ignore', 'pipe', 'inherit'] });
    let said = '';
    child.stdout.on('data', (chunk: Buffer) => (said += chunk.toString()));
    child.on('error', fail);
    child.on('close', () => done(lastAnswer(said) as Answer | Refused | null));
  });

export const isRefused = (answer: object | null): answer is Refused | null =>
  answer === null || 'refused' in answer;
