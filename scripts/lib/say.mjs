/** Plain sentences for the person at the terminal. */
export const say = (text) => console.log(text);

/** A trouble that the person can act on: printed as a sentence, without a stack. */
export class Trouble extends Error {}

export const orSay = async (work) => {
  try {
    await work();
  } catch (error) {
    if (!(error instanceof Trouble)) throw error;
    console.error(`\nJokul cannot go on: ${error.message}\n`);
    process.exitCode = 1;
  }
};
