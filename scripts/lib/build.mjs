import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { inRoot } from './paths.mjs';
import { run } from './run.mjs';
import { say } from './say.mjs';

const readStamp = (file) => (existsSync(file) ? readFileSync(file, 'utf8') : '');
const writeStamp = (file, text) => {
  mkdirSync(inRoot('.jokul'), { recursive: true });
  writeFileSync(file, text);
};

/** `npm ci`, unless node_modules already matches the lock file. */
export const ensureDependencies = async () => {
  const lock = createHash('sha256')
    .update(readFileSync(inRoot('package-lock.json')))
    .digest('hex');
  const stamp = inRoot('node_modules', '.jokul-lock');
  if (readStamp(stamp) === lock) return;
  say('Installing the packages of the lock file (npm ci) ...');
  await run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { quiet: true });
  writeFileSync(stamp, lock);
};

const skip = new Set(['node_modules', 'dist']);
const fingerprint = (dir, hash) => {
  for (const entry of readdirSync(dir, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1))) {
    if (skip.has(entry.name)) continue;
    const path = join(dir, entry.name);
    if (entry.isDirectory()) fingerprint(path, hash);
    else {
      const { size, mtimeMs } = statSync(path);
      hash.update(`${path}:${size}:${mtimeMs};`);
    }
  }
};

/**
 * Compiles everything and bundles the web application, unless nothing changed since.
 * @param beside what goes on while it is bundled; what is compiled is there by then
 */
export const ensureBuild = async (beside = () => Promise.resolve()) => {
  const hash = createHash('sha256');
  for (const dir of ['packages', 'apps']) fingerprint(inRoot(dir), hash);
  hash.update(readFileSync(inRoot('package-lock.json'))).update(readFileSync(inRoot('tsconfig.base.json')));
  const now = hash.digest('hex');
  const stamp = inRoot('.jokul', 'build.stamp');
  const outputs = [inRoot('apps/server/dist/bundle/main.js'), inRoot('apps/web/dist/index.html')];
  if (readStamp(stamp) === now && outputs.every(existsSync)) return beside();
  await compile();
  await Promise.all([bundle().then(() => writeStamp(stamp, now)), beside()]);
};

const tsc = inRoot('node_modules/typescript/bin/tsc');

const compile = async () => {
  say('Compiling ...');
  await run(process.execPath, [tsc, '-b', 'apps/server/tsconfig.build.json'], { quiet: true });
  await run(
    process.execPath,
    [inRoot('node_modules/rolldown/bin/cli.mjs'), '--config', inRoot('apps/server/rolldown.config.mjs')],
    { quiet: true },
  );
};
const bundle = () => {
  say('Bundling the web application ...');
  return run('npm', ['run', '-s', 'build', '-w', '@jokul/web'], { quiet: true });
};

export const build = async () => {
  await compile();
  await bundle();
};
