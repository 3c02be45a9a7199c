import { transformSync } from '@babel/core';
import swcJest from '@swc/jest';
import { messages, parsed, says } from '../apps/web/words.babel.mjs';

/*
 * Jest evaluates modules in a context of its own, where every look-up of a global goes through an interceptor and
 * costs a thousand times what it does elsewhere: `Math.exp` alone made a bake thirty times slower. Each module
 * therefore gets the globals that the numerics use as constants of its own.
 */
const names = ['Math', 'Number', 'Float64Array', 'Array', 'Object', 'Map', 'Set'];
const head = `const { ${names.join(', ')} } = globalThis;`;

/** What is said becomes messages first: swc knows nothing of these macros. */
const withMessages = (source, path) =>
  path.includes('/web/src/') && says(source)
    ? transformSync(source, {
        babelrc: false,
        configFile: false,
        filename: path,
        parserOpts: parsed(path),
        plugins: [messages],
        sourceMaps: 'inline',
      }).code
    : source;

export default {
  createTransformer(options) {
    const swc = swcJest.createTransformer(options);
    const withHead = (out) => ({ ...out, code: head + out.code });
    return {
      ...swc,
      process: (source, path, ...rest) => withHead(swc.process(withMessages(source, path), path, ...rest)),
      processAsync: async (source, path, ...rest) =>
        withHead(await swc.processAsync(withMessages(source, path), path, ...rest)),
    };
  },
};
