/** Plain sentences for the person at the terminal. */
export const say = (text) => console.log(text);

/** A trouble that the person can act on: printed as a sentence, without a stack. */
export class Trouble extends Error {}

/** What the system says that a person can put right, by its code. */
const told = {
  ENOSPC: () =>
    'the disk is full. Make room, old backups first, then try again. Nothing of the records is lost.',
  EDQUOT: () => 'the disk takes no more from this account. Make room, then try again.',
  EROFS: (path) => `the disk can only be read${path}. Look at the disk, then try again.`,
  EACCES: (path) => `there is no right to write${path}. Give yourself the right to, then try again.`,
  EPERM: (path) => `there is no right to write${path}. Give yourself the right to, then try again.`,
};

/** Why something failed, in a sentence where the person can act on it; null where nothing is known but a stack. */
export const whyOf = (error) => {
  if (error instanceof Trouble) return error.message;
  const { code, path } = error ?? {};
  return Object.hasOwn(told, code ?? '') ? told[code](path ? ` (${path})` : '') : null;
};

export const orSay = async (work) => {
  try {
    await work();
  } catch (error) {
    const why = whyOf(error);
    if (why === null) throw error;
    console.error(`\nJokul cannot go on: ${why}\n`);
    process.exitCode = 1;
  }
};
