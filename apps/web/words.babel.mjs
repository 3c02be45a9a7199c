import { fileURLToPath } from 'node:url';
import { transformSync } from '@babel/core';
import linguiMacro from '@lingui/babel-plugin-lingui-macro';
import { getConfig } from '@lingui/conf';
import { compileMessage } from '@lingui/message-utils/compileMessage';

export { formatter } from '@lingui/format-po';

const linguiConfig = getConfig({ configPath: fileURLToPath(new URL('lingui.config.mjs', import.meta.url)) });

/** Turns what is said (`t`, `<Trans>`, `plural`) into messages with an id, the English beside it. */
const messages = [linguiMacro, { linguiConfig, stripMessageField: false }];

/** The macros mark what they make. */
const isMessage = (node) => node.leadingComments?.some(({ value }) => value.trim().endsWith('i18n'));

/**
 * Puts each message's English in as it is when compiled, in its own file: every page then brings its own words, and the
 * browser needs neither a parser of messages nor, for English, a catalogue.
 */
const compiledMessages = ({ types }) => ({
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

const transformed = (code, file, plugins) =>
  transformSync(code, {
    babelrc: false,
    configFile: false,
    filename: file,
    parserOpts: { plugins: ['typescript', 'decorators-legacy', ...(file.endsWith('x') ? ['jsx'] : [])] },
    plugins: [messages, ...plugins],
    sourceMaps: true,
  });

/** Whether a source says anything through a macro: only such a file is parsed once more. */
export const says = (code) => code.includes('/macro');

/**
 * A source of the interface with messages for what it says.
 * @param {boolean} compiled whether they are compiled too
 */
export const withMessages = (code, file, compiled) => {
  const out = transformed(code, file, compiled ? [compiledMessages] : []);
  return { code: out.code, map: out.map };
};

/**
 * The messages of a source.
 * @returns {{ id: string, message: string, context?: string }[]}
 */
export const messagesIn = (code, file) => {
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
  transformed(code, file, [gather]);
  return found;
};
