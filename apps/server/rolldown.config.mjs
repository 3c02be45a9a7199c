import { join } from 'node:path';

/*
 * The compiled server and all that it takes from its packages in a few files: read one by one, they are half of
 * each start. In a folder of its own in dist, as deep as those of its sources, so that they find what they name beside it.
 */
const compiled = (path) => join(import.meta.dirname, 'dist', path);

/** What stays outside. */
const beside = [
  // These find their own files by where they lie.
  /^(?:piscina|highs|swagger-ui-dist)(?:\/|$)/,
  // Nest asks for these by name while it starts: bundled, they would be there twice.
  /^(?:typeorm|mysql2|express|reflect-metadata)(?:\/|$)/,
  // Parts of Nest that nobody here has.
  /^(?:@nestjs\/(?:microservices|websockets)|@fastify\/static)(?:\/|$)/,
];

export default {
  input: {
    main: compiled('main.js'),
    reset: compiled('demo/reset.js'),
    backup: compiled('backup/cli.js'),
    calc: compiled('calc/cli.js'),
    'calc.worker': compiled('calc/calc.worker.js'),
    'plan.worker': compiled('computation/plan.worker.js'),
  },
  platform: 'node',
  external: beside,
  // A package that is nowhere would be missed only when somebody needs it.
  onLog: (level, { message }) => {
    if (level === 'warn') throw new Error(message);
  },
  output: {
    dir: compiled('bundle'),
    cleanDir: true,
    // Tables and models are called as their classes are.
    keepNames: true,
  },
};
