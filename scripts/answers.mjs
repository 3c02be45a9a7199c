import { readFileSync, writeFileSync } from 'node:fs';
import { answersFile, answersSchema } from './lib/answers.mjs';
import { orSay, say } from './lib/say.mjs';

/*
 * npm run answers: makes the schemas of what the server answers from their types, for the description at /api/docs.
 * -- --check says whether they are as the types have them, and writes nothing.
 */
await orSay(() => {
  const schema = answersSchema();
  if (process.argv.includes('--check')) {
    if (readFileSync(answersFile, 'utf8') !== schema)
      throw new Error('The schemas are not what the server answers any more: npm run answers makes them.');
    return;
  }
  writeFileSync(answersFile, schema);
  say(`${Object.keys(JSON.parse(schema).definitions).length} schemas in apps/server/answers.schema.json.`);
});
