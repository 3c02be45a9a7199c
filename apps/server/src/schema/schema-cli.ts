import { makeDataSource } from './data-source.js';

/* For the TypeORM command line: `npx typeorm schema:log -d apps/server/dist/database/schema-cli.js`. */
export default makeDataSource();
