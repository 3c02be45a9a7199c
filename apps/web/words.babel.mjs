import { fileURLToPath } from 'node:url';
import linguiMacro from '@lingui/babel-plugin-lingui-macro';
import { getConfig } from '@lingui/conf';
import { compileMessage } from '@lingui/message-utils/compileMessage';

const linguiConfig = getConfig({ configPath: fileURLToPath(new URL('lingui.config.mjs', import.meta.url)) });

/** Turns what is said (`t`, `<Trans>`, `plural`) into messages with an id, the English beside it. */
export const messages = [linguiMacro, { linguiConfig, descriptorFields: 'message' }];

/** The macros mark what they make. */
const isMessage = (node) => node.leadingComments?.some(({ value }) => value.trim().endsWith('i18n'));

/**
 * Puts each message's English in as it is when compiled, in its own file: every page then brings its own words, and the
 * browser needs neither a parser of messages nor, for English, a catalogue.
 */
export const compiledMessages = ({ types }) => ({
  name: 'compiled-messages',
  visitor: {
    Program: {
      exit(program) {
        program.traverse({
          ObjectProperty({ node, parent }) {
            if (!isMessage(parent)) return;
            if (node.key.name !== 'message' || !types.isStringLiteral(node.value)) return;
            const compiled = compileMessage(node.value.value);
            node.value = types.valueToNode(Array.isArray(compiled) ? compiled : [compiled]);
          },
        });
      },
    },
  },
});

/** How a source of the interface is parsed. */
export const parsed = (file) => ({
  plugins: ['typescript', 'decorators-legacy', ...(file.endsWith('x') ? ['jsx'] : [])],
});

/**
 * The messages of a source.
 * @param transform Babel's `transformSync`
 * @returns {{ id: string, message: string, context?: string }[]}
 */
export const messagesIn = (code, file, transform) => {
  const found = [];
  const gather = ({ types }) => ({
    visitor: {
      Program: {
        exit(program) {
          program.traverse({
            ObjectExpression({ node }) {
              if (!isMessage(node)) return;
              const values = node.properties.filter(({ value }) => types.isStringLiteral(value));
              found.push(Object.fromEntries(values.map(({ key, value }) => [key.name, value.value])));
            },
          });
        },
      },
    },
  });
  transform(code, {
    babelrc: false,
    configFile: false,
    filename: file,
    parserOpts: parsed(file),
    plugins: [messages, gather],
  });
  return found;
};

/** Whether a source says anything through a macro: only such a file is parsed once more. */
export const says = (code) => code.includes('/macro');
