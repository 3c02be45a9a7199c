import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild, ensureDependencies } from './lib/build.mjs';
import { makeDemoTemplate } from './lib/demo-template.mjs';
import { startMariadb } from './lib/mariadb.mjs';
import { orSay, say } from './lib/say.mjs';
import { ordealOfTheCrowd } from './ordeal/crowd.mjs';
import { ordealOfSpoiltRequests } from './ordeal/fuzz.mjs';
import { ordealOfKills } from './ordeal/kills.mjs';

/*
 * npm run ordeal: kills, a crowd and spoilt requests, one after the other, in a folder of its own, and one table. It
 * ends by itself, with a fault when a figure that must be 0 is not; Ctrl-C ends the kills early. -- --short takes a minute; -- --server 100
 * --database 20 --seconds 30 --spoilt 5000 sets each by itself, 0 spoilt leaves them out.
 */
const given = (name, usual) => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? usual : Number(process.argv[at + 1]);
};
const short = process.argv.includes('--short');
const kills = { server: given('server', short ? 4 : 1000), database: given('database', short ? 1 : 200) };
const crowd = {
  seconds: given('seconds', short ? 6 : 600),
  screens: given('screens', short ? 20 : 200),
  askers: given('askers', short ? 4 : 30),
};
const spoilt = given('spoilt', short ? 300 : 100_000);

await orSay(async () => {
  await ensureDependencies();
  await ensureBuild();
  const home = mkdtempSync(join(tmpdir(), 'jokul-ordeal-'));
  chmodSync(home, 0o711);
  const startedMs = Date.now();
  let db;
  let stopped = false;
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.on(signal, () => {
      stopped = true;
      say('Ending early ...');
    });
  try {
    db = await startMariadb(join(home, 'crowd'), { databases: 'jokul%' });
    const template = await makeDemoTemplate(db);
    const rows = [];
    if (spoilt > 0) {
      say('Spoilt requests ...');
      rows.push(...(await ordealOfSpoiltRequests(home, db, template, spoilt)));
    }
    say('A crowd ...');
    rows.push(...(await ordealOfTheCrowd(db, template, crowd)));
    await db.stop();
    db = undefined;
    say('Kills ...');
    rows.push(...(await ordealOfKills(home, kills, () => stopped)));
    rows.push(['minutes', ((Date.now() - startedMs) / 60_000).toFixed(1)]);
    say('');
    for (const [what, value, mustBeZero] of rows)
      say(`${what.padEnd(44)} ${String(value).padStart(9)}${mustBeZero ? '   must be 0' : ''}`);
    if (rows.some(([, value, mustBeZero]) => mustBeZero && value !== 0)) process.exitCode = 1;
  } finally {
    await db?.stop();
    rmSync(home, { recursive: true, force: true });
  }
});
