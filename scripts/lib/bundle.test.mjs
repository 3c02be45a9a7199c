import { expect, it } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { run } from './run.mjs';
import { inRoot } from './paths.mjs';

/* The server's bundle: what it holds, and what it finds beside it. */

/** The packages whose modules go into the bundle; found in a process of its own, for the bundler brings native code. */
const bundled = async () => {
  const { output } = await run(
    process.execPath,
    [
      '--input-type=module',
      '--eval',
      `import { rolldown } from 'rolldown';
      import config from './apps/server/rolldown.config.mjs';
      const { output, ...input } = config;
      const { output: chunks } = await (await rolldown(input)).generate(output);
      console.log(JSON.stringify(chunks.flatMap(({ moduleIds = [] }) => moduleIds)));`,
    ],
    { quiet: true },
  );
  return new Set(
    JSON.parse(output).flatMap((id) => /.*node_modules[/]((?:@[^/]+[/])?[^/]+)[/]/.exec(id)?.[1] ?? []),
  );
};

/** What packages bring along, by the lock file. */
const broughtBy = (names) => {
  const { packages } = JSON.parse(readFileSync(inRoot('package-lock.json'), 'utf8'));
  const found = new Set();
  const look = (name) => {
    if (found.has(name)) return;
    found.add(name);
    Object.keys(packages[`node_modules/${name}`]?.dependencies ?? {}).forEach(look);
  };
  names.forEach(look);
  return found;
};

/** Helpers without classes or state that anybody compares: twice is no harm. */
const harmless = [
  'bytes',
  'debug',
  'media-typer',
  'mime-db',
  'mime-types',
  'ms',
  'negotiator',
  'path-to-regexp',
  'tslib',
  'type-is',
  'vary',
];

it('the bundle and what lies beside it have no package in common that must be there once', async () => {
  const inside = await bundled();
  expect([...inside]).toEqual(
    expect.arrayContaining(['@nestjs/core', '@nestjs/typeorm', 'class-validator', 'rxjs']),
  );
  const beside = broughtBy(['typeorm', 'mysql2', 'express', 'reflect-metadata', 'piscina', 'highs']);
  expect([...beside].filter((name) => inside.has(name) && !harmless.includes(name))).toEqual([]);
});
