import { spawn } from 'node:child_process';
import { root } from './paths.mjs';
import { Trouble } from './say.mjs';

/**
 * Runs a command to its end. `quiet` keeps its output back unless it fails.
 * Resolves to its output, or throws a Trouble that names what failed.
 */
export const run = (command, args, { quiet = false, env = {}, allowFailure = false } = {}) =>
  new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd: root,
      env: { ...process.env, ...env },
      stdio: ['ignore', quiet ? 'pipe' : 'inherit', quiet ? 'pipe' : 'inherit'],
    });
    let output = '';
    child.stdout?.on('data', (chunk) => (output += chunk));
    child.stderr?.on('data', (chunk) => (output += chunk));
    child.on('error', (error) => reject(new Trouble(`${command} could not be started (${error.code}).`)));
    child.on('exit', (code, signal) => {
      if (code === 0 || allowFailure) return resolve({ code: code ?? 1, output });
      reject(
        new Trouble(`"${command} ${args.join(' ')}" failed (${signal ?? `exit code ${code}`}).\n${output}`),
      );
    });
  });
