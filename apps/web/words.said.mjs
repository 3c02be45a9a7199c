import { parseSync, traverse } from '@babel/core';
import { generateMessageId } from '@lingui/message-utils/generateMessageId';

const isCounted = ({ type, callee }) => type === 'CallExpression' && callee.name === 'counted';

/** What stands in a message's place: a value, or a word in the number of what it counts. */
const place = (put, i, file) => {
  if (!isCounted(put)) return `{${i}}`;
  const [one, other] = put.arguments.slice(1).map((word) => word.value);
  if (!one || !other) throw new Error(`${file}: counted(…) needs its two words as they are said.`);
  return `{${i}, plural, one {${one}} other {${other}}}`;
};

/**
 * What a source of the core, its contracts or the server says: its templates tagged `say`.
 * @returns {{ id: string, message: string }[]} in ICU format, places numbered
 */
export const saidIn = (code, file) => {
  if (!code.includes('say`')) return [];
  const found = [];
  const parsed = parseSync(code, {
    babelrc: false,
    configFile: false,
    filename: file,
    parserOpts: { plugins: ['typescript', 'decorators-legacy'] },
  });
  traverse(parsed, {
    TaggedTemplateExpression({ node: { tag, quasi } }) {
      if (tag.name !== 'say') return;
      const parts = quasi.quasis.map(({ value }) => value.cooked);
      if (parts.some((part) => /[{}]/.test(part)))
        throw new Error(`${file}: a brace in “${parts.join('…')}”.`);
      const message = parts.reduce(
        (text, part, i) => text + place(quasi.expressions[i - 1], i - 1, file) + part,
      );
      found.push({ id: generateMessageId(message), message });
    },
  });
  return found;
};
