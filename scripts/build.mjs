import { build, ensureDependencies } from './lib/build.mjs';
import { orSay } from './lib/say.mjs';

await orSay(async () => {
  await ensureDependencies();
  await build();
});
