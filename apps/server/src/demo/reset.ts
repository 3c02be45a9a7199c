import 'reflect-metadata';
import { readConfig } from '../config/config.js';
import { makeApp } from '../make-app.js';
import { DemoSeed } from './seed.js';

/* Run by `npm run demo:reset`. */
const app = await makeApp({ ...readConfig(), seedDemo: false });
await app.get(DemoSeed).reset();
await app.close();
