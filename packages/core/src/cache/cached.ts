import { LRUCache } from 'lru-cache';

/**
 * A function that gives the same answer for the same question, with its last answers kept: what is asked again and again,
 * such as a curve that a plan and the plan after it both need, is computed once.
 * @param of must hang on nothing but what it is asked, and its answers must not be changed; what it throws is not kept
 * @param keyOf names a question in full; null for one whose answer is not to be kept
 * @param most so many answers are kept, those that were asked for longest ago forgotten first
 */
export const cached = <Asked extends readonly unknown[], Answer extends object | number>(
  of: (...asked: Asked) => Answer,
  keyOf: (...asked: Asked) => string | null,
  most: number,
): ((...asked: Asked) => Answer) => {
  const answers = new LRUCache<string, Answer>({ max: most });
  return (...asked) => {
    const key = keyOf(...asked);
    if (key === null) return of(...asked);
    const known = answers.get(key);
    if (known !== undefined) return known;
    const answer = of(...asked);
    answers.set(key, answer);
    return answer;
  };
};
