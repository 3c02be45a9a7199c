import swcJest from '@swc/jest';
import { says, withMessages } from '../apps/web/words.babel.mjs';

/*
 * Jest evaluates modules in a context of its own, where every look-up of a global goes through an interceptor and
 * costs a thousand times what it does elsewhere: `Math.exp` alone made a bake thirty times slower. Each module
 * therefore gets the globals that the numerics use as constants of its own.
 */
const names = ['Math', 'Number', 'Float64Array', 'Array', 'Object', 'Map', 'Set'];
const head = `const { ${names.join(', ')} } = globalThis;`;

/** What is said becomes messages first: swc knows nothing of these macros. */
const spoken = (source, path) =>
  path.includes('/web/src/') && says(source) ? withMessages(source, path, false).code : source;

export default {
  createTransformer(options) {
    const swc = swcJest.createTransformer(options);
    const withHead = (out) => ({ ...out, code: head + out.code });
    return {
      ...swc,
      process: (source, path, ...rest) => withHead(swc.process(spoken(source, path), path, ...rest)),
      processAsync: async (source, path, ...rest) =>
        withHead(await swc.processAsync(spoken(source, path), path, ...rest)),
    };
  },
};
