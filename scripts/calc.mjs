import { existsSync } from 'node:fs';
import { inRoot } from './lib/paths.mjs';

/* npm run -s calc -- NAME < in.json : the core's computations without a server or a database. */
const main = inRoot('apps/server/dist/bundle/calc.js');
if (!existsSync(main)) {
  console.error(
    '{"code":"not-built","message":"Run `npm start` or `npm run build` once before `npm run calc`.","path":""}',
  );
  process.exit(1);
}
await import(main);
