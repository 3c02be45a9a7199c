import { readFileSync, writeFileSync } from 'node:fs';
import { answersFile, answersSchema } from './lib/answers.mjs';
import { orSay, say, Trouble } from './lib/say.mjs';

/*
 * npm run answers: makes the schemas of what the server answers from their types, for the description at /api/docs.
 * -- --check says whether they are as the types have them, and writes nothing.
 */
/** Its own error carries the whole program along: only the sentence is of use. */
const made = () => {
  try {
    return answersSchema();
  } catch (error) {
    throw new Trouble(`no schemas can be made of the types: ${error.message}`);
  }
};

await orSay(() => {
  const schema = made();
  if (process.argv.includes('--check')) {
    if (readFileSync(answersFile, 'utf8') !== schema)
      throw new Trouble('the schemas are not what the server answers any more: npm run answers makes them.');
    return;
  }
  writeFileSync(answersFile, schema);
  say(`${Object.keys(JSON.parse(schema).definitions).length} schemas in apps/server/answers.schema.json.`);
});
