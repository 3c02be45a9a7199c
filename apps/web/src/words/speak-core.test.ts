import { afterEach, describe, expect, it } from '@jest/globals';
import { counted, say, speakWith } from '@jokul/core';
import { isSpoken, speakCore } from './speak-core';

afterEach(() => speakWith(undefined));

const trays = (count: number, who: string) =>
  say`${who}: put ${count} ${counted(count, 'tray', 'trays')} into the centre.`;

describe('what the core is spoken in', () => {
  it('is the pseudo-language: accents on all but what is put in, brackets around it, two fifths longer', () => {
    speakCore('pseudo');
    expect(trays(2, 'Tray Café')).toMatch(/^⟦Tray Café: ṕúť 2 ťŕáýś íńťó ťħé ćéńťŕé\. ·{14,}⟧$/);
    expect(trays(1, 'Ada')).toMatch(/1 ťŕáý íńťó/);
  });

  it('is American words, names left as people wrote them', () => {
    speakCore('american');
    expect(trays(1, 'Tray Café')).toBe('Tray Café: put 1 sheet pan into the center.');
    expect(trays(3, 'Ada')).toBe('Ada: put 3 sheet pans into the center.');
  });

  it('is told to a worker by its name, and a worker without one speaks English', () => {
    expect(isSpoken('pseudo')).toBe(true);
    expect(isSpoken('american')).toBe(true);
    expect(isSpoken('')).toBe(false);
    expect(isSpoken('toString')).toBe(false);
  });
});
