import { createHash } from 'node:crypto';
import { canonicalJson } from '@jokul/core';

/** Answers by the hash of what was asked, the oldest forgotten first; what failed is asked again. */
export class Remembered<Asked, Answer> {
  private readonly answers = new Map<string, Promise<Answer>>();

  constructor(
    private readonly make: (asked: Asked) => Promise<Answer>,
    private readonly most: number,
  ) {}

  of(asked: Asked): Promise<Answer> {
    const key = createHash('sha256').update(canonicalJson(asked)).digest('hex');
    const known = this.answers.get(key);
    if (known) return known;
    const made = this.make(asked);
    this.answers.set(key, made);
    made.catch(() => this.answers.delete(key));
    if (this.answers.size > this.most) this.answers.delete(this.answers.keys().next().value ?? '');
    return made;
  }
}
