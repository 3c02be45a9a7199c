import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { inRoot } from '../lib/paths.mjs';
import { run } from '../lib/run.mjs';
import { say } from '../lib/say.mjs';

/**
 * The long form of the fuzz test of the server: none answered with a fault, none stalls, the records whole after it.
 * @param template the database with the demo that the test copies
 * @returns rows of the table
 */
export const ordealOfSpoiltRequests = async (home, db, template, count) => {
  const dir = mkdtempSync(join(home, 'fuzz-'));
  const file = join(dir, 'fuzz.json');
  const { output } = await run(
    process.execPath,
    [
      inRoot('node_modules/jest/bin/jest.js'),
      '--selectProjects',
      'server',
      '--json',
      `--outputFile=${file}`,
      'fuzz.test',
    ],
    {
      quiet: true,
      allowFailure: true,
      env: {
        JOKUL_FUZZ: String(count),
        JOKUL_FUZZ_SEED: String(Date.now() % 2 ** 31),
        JOKUL_DB_PORT: String(db.port),
        JOKUL_DB_USER: db.user,
        JOKUL_DB_PASSWORD: db.password,
        JOKUL_DEMO_TEMPLATE: template,
        JOKUL_TEST_HOME: dir,
        NODE_OPTIONS: '--experimental-vm-modules --disable-warning=ExperimentalWarning',
      },
    },
  );
  const { numFailedTests, numPassedTests } = JSON.parse(readFileSync(file, 'utf8'));
  rmSync(dir, { recursive: true });
  const bad = numFailedTests + (numPassedTests === 0 ? 1 : 0);
  if (bad > 0) say(output.split('\n{"num')[0]);
  return [
    ['spoilt requests', count],
    ['spoilt requests that did harm (see above)', bad, true],
  ];
};
