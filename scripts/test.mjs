import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild, ensureDependencies } from './lib/build.mjs';
import { ensureBrowser } from './lib/debian.mjs';
import { startMariadb } from './lib/mariadb.mjs';
import { inRoot } from './lib/paths.mjs';
import { run } from './lib/run.mjs';
import { orSay, say } from './lib/say.mjs';

/*
 * npm test: sets up what it needs, checks everything, leaves nothing behind. Its database is its own, in a temporary
 * folder, on its own port, so that it runs beside a running Jokul. `npm test -- core` runs only the parts named:
 * check, core, contracts, web, web-ui, scripts, server, e2e, ordeal.
 */
const parts = process.argv.slice(2);

// The zone of the process never matters, only the bakery's own: so all is tested in one that is a day ahead of most.
process.env.TZ = 'Pacific/Kiritimati';
const wanted = (part) => parts.length === 0 || parts.includes(part);
const node = process.execPath;
const bin = (name) => inRoot('node_modules', '.bin', name);

let passed = 0;
let failed = 0;
const count = (name, ok, bad, begunMs) => {
  passed += ok;
  failed += bad;
  const took = Math.round((Date.now() - begunMs) / 1000);
  say(`${bad === 0 ? 'ok    ' : 'FAILED'}  ${name}: ${ok} passed, ${bad} failed (${took} s)`);
};

/** A check that passes or fails as a whole. */
const check = async (name, command, args) => {
  const begunMs = Date.now();
  const { code, output } = await run(command, args, { quiet: true, allowFailure: true });
  if (code !== 0) say(output);
  count(name, code === 0 ? 1 : 0, code === 0 ? 0 : 1, begunMs);
};

/** One or several projects in one run: each start of Jest costs seconds. */
const jest = async (projects, home, env = {}) => {
  const project = projects.join(', ');
  const begunMs = Date.now();
  const file = join(home, `${projects[0]}.json`);
  const result = await run(
    node,
    [
      inRoot('node_modules/jest/bin/jest.js'),
      '--selectProjects',
      ...projects,
      // Left to itself, Jest keeps one core back; of two that is half.
      `--maxWorkers=${Math.max(2, availableParallelism() - 1)}`,
      '--json',
      `--outputFile=${file}`,
      // The server's tests compute real plans and bakes; on a slow machine that takes a while, and so does much typing.
      `--testTimeout=${project === 'server' ? 120_000 : 60_000}`,
    ],
    {
      quiet: true,
      allowFailure: true,
      env: {
        ...env,
        JOKUL_TEST_HOME: home,
        NODE_OPTIONS: '--experimental-vm-modules --disable-warning=ExperimentalWarning',
      },
    },
  );
  const report = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null;
  const broken = report ? report.numRuntimeErrorTestSuites : 1;
  const bad = (report?.numFailedTests ?? 0) + broken;
  if (bad > 0) say(result.output.split('\n{"num')[0]);
  count(project, report?.numPassedTests ?? 0, bad, begunMs);
};

const playwright = async (home, env) => {
  const begunMs = Date.now();
  const file = join(home, 'e2e.json');
  const result = await run(
    bin('playwright'),
    [
      'test',
      '--config',
      'e2e/playwright.config.ts',
      ...(process.env.JOKUL_E2E_ONLY ? process.env.JOKUL_E2E_ONLY.split(' ') : []),
    ],
    {
      quiet: true,
      allowFailure: true,
      env: { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: file, JOKUL_E2E_RESULTS: join(home, 'e2e-results') },
    },
  );
  const stats = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')).stats : null;
  const bad = stats ? stats.unexpected : 1;
  if (bad > 0 || result.code !== 0) say(result.output);
  count('e2e', stats?.expected ?? 0, Math.max(bad, result.code === 0 ? 0 : 1), begunMs);
};

await orSay(async () => {
  await ensureDependencies();
  const chromium = wanted('e2e') ? await ensureBrowser('the tests of the interface') : '';
  // One core bundles while the other checks; none of that waits for another.
  await ensureBuild(async () => {
    if (!wanted('check')) return;
    await Promise.all([
      // It checks the types too, in a fraction of the compiler's time.
      check('lint and types', bin('oxlint'), ['--type-aware', '--type-check']),
      check('arrows between packages', bin('depcruise'), [
        '--config',
        '.dependency-cruiser.cjs',
        'packages',
        'apps',
        'e2e',
      ]),
      check('arrows between folders', bin('depcruise'), [
        '--config',
        '.dependency-cruiser.folders.cjs',
        'apps',
      ]),
      check('words', node, [inRoot('scripts/words.mjs'), '--check']),
      check('answers', node, [inRoot('scripts/answers.mjs'), '--check']),
      check('format', bin('prettier'), ['--check', '.']),
    ]);
  });
  const home = mkdtempSync(join(tmpdir(), 'jokul-test-'));
  // The user that the database runs as must reach its folder.
  chmodSync(home, 0o711);
  let db;
  const clean = async () => {
    const open = db;
    db = undefined;
    await open?.stop();
    rmSync(home, { recursive: true, force: true });
  };
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.on(signal, () => void clean().then(() => process.exit(130)));
  try {
    for (const group of [['core'], ['contracts', 'web', 'web-ui', 'scripts']]) {
      const projects = group.filter(wanted);
      if (projects.length > 0) await jest(projects, home);
    }
    // Servers of one run bake a dough once among them.
    process.env.JOKUL_BAKES = join(home, 'bakes');
    // How well is planned is tested in the core; here a few tries do.
    process.env.JOKUL_PLAN_TRIES = '60';
    if (wanted('server') || wanted('e2e')) {
      db = await startMariadb(join(home, 'db'), { durable: false, databases: 'jokul%' });
      const { makeDemoTemplate } = await import('./lib/demo-template.mjs');
      const env = {
        JOKUL_DB_PORT: String(db.port),
        JOKUL_DB_USER: db.user,
        JOKUL_DB_PASSWORD: db.password,
        JOKUL_DEMO_TEMPLATE: await makeDemoTemplate(db),
      };
      if (wanted('server')) await jest(['server'], home, env);
      if (wanted('e2e'))
        await playwright(home, {
          ...env,
          JOKUL_CHROMIUM: chromium,
          JOKUL_SERVER: inRoot('apps/server/dist/bundle/main.js'),
        });
    }
    // Its spoilt requests are among the server's tests already.
    if (wanted('ordeal'))
      await check('ordeal', node, [inRoot('scripts/ordeal.mjs'), '--short', '--spoilt', '0']);
  } finally {
    await clean();
  }
  if (failed > 0) process.exitCode = 1;
  say(`\n${passed} passed, ${failed} failed`);
});
