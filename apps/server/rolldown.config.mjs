import { join } from 'node:path';

/*
 * The compiled server and all that it takes from its packages in a few files: read one by one, they are half of
 * each start. In a folder of its own in dist, as deep as those of its sources, so that they find what they name beside it.
 */
const compiled = (path) => join(import.meta.dirname, 'dist', path);

/** What finds its own files by where it lies, and what its packages can do with but nobody here has. */
const beside = [
  /^(?:piscina|highs|swagger-ui-dist)(?:\/|$)/,
  // Nest asks for these by name while it starts: bundled, they would be there twice.
  /^(?:typeorm|mysql2|express|reflect-metadata)(?:\/|$)/,
  /^@nestjs\/(?:microservices|websockets|platform-fastify|platform-ws)(?:\/|$)/,
  /^(?:@fastify|@google-cloud|@sap|@aws-sdk)\//,
  /^(?:better-sqlite3|sqlite3|sql\.js|pg|pg-native|pg-query-stream|oracledb|mssql|mongodb|mysql|redis|ioredis)$/,
  /^(?:hdb-pool|typeorm-aurora-data-api-driver|react-native-sqlite-storage|expo-sqlite|ts-node)$/,
  /^(?:bufferutil|utf-8-validate|fastify-swagger|cache-manager)$/,
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
  output: {
    dir: compiled('bundle'),
    cleanDir: true,
    // Tables and models are called as their classes are.
    keepNames: true,
  },
};
