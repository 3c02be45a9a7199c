import { createHash } from 'node:crypto';
import { LRUCache } from 'lru-cache';
import { canonicalJson } from '@jokul/core';
import type { Kept } from './kept-answers.js';

/** Answers by the hash of what was asked, those asked for longest ago forgotten first; what failed is asked again. */
export class CachedAnswers<Asked, Answer> {
  private readonly answers: LRUCache<string, Promise<Answer>>;

  constructor(
    private readonly make: (asked: Asked) => Promise<Answer>,
    most: number,
    /** Where they outlive this process; nowhere where left out. */
    private readonly kept: Kept<Answer> | null = null,
  ) {
    this.answers = new LRUCache({ max: most });
  }

  of(asked: Asked): Promise<Answer> {
    const key = createHash('sha256').update(canonicalJson(asked)).digest('hex');
    const known = this.answers.get(key);
    if (known) return known;
    const made = this.found(key, asked);
    this.answers.set(key, made);
    made.catch(() => this.answers.delete(key));
    return made;
  }

  private async found(key: string, asked: Asked): Promise<Answer> {
    const before = await this.kept?.read(key);
    if (before) return before.answer;
    const answer = await this.make(asked);
    // Nobody waits for it.
    void this.kept?.write(key, answer);
    return answer;
  }
}
