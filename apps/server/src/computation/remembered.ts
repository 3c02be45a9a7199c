import { createHash } from 'node:crypto';
import { canonicalJson } from '@jokul/core';
import type { Kept } from './kept-answers.js';

/** Answers by the hash of what was asked, the oldest forgotten first; what failed is asked again. */
export class Remembered<Asked, Answer> {
  private readonly answers = new Map<string, Promise<Answer>>();

  constructor(
    private readonly make: (asked: Asked) => Promise<Answer>,
    private readonly most: number,
    /** Where they outlive this process; nowhere where left out. */
    private readonly kept: Kept<Answer> | null = null,
  ) {}

  of(asked: Asked): Promise<Answer> {
    const key = createHash('sha256').update(canonicalJson(asked)).digest('hex');
    const known = this.answers.get(key);
    if (known) return known;
    const made = this.found(key, asked);
    this.answers.set(key, made);
    made.catch(() => this.answers.delete(key));
    if (this.answers.size > this.most) this.answers.delete(this.answers.keys().next().value ?? '');
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
