import { afterEach, describe, expect, it } from '@jest/globals';
import { demoEquipment } from '../demo/index.js';
import { bowlFill } from '../scaling/index.js';
import { counted, say, speakWith, type Put, type Speaker } from './say.js';

const shown = (put: Put) => (typeof put === 'object' ? '#' : String(put));
const shouting: Speaker = (parts, put) =>
  parts.reduce((text, part, i) => `${text}${i > 0 ? shown(put[i - 1] ?? '') : ''}${part.toUpperCase()}`, '');

describe('what the core says', () => {
  afterEach(() => speakWith(undefined));
  const trays = (count: number) => say`${count} ${counted(count, 'tray', 'trays')} in ${'Port'}`;

  it('is English, in the number of what it counts', () => {
    expect(trays(1)).toBe('1 tray in Port');
    expect(trays(0)).toBe('0 trays in Port');
    expect(say`No time.`).toBe('No time.');
  });

  it('is said by another speaker from when it is set, what is put in as it is', () => {
    speakWith(shouting);
    expect(trays(2)).toBe('2 # IN Port');
    speakWith(undefined);
    expect(trays(2)).toBe('2 trays in Port');
  });

  it('keeps what stands in a constant as it was said when that was evaluated', () => {
    speakWith(shouting);
    const [mixer] = demoEquipment.mixers;
    expect(mixer && bowlFill(mixer, 1200, 0.9).name).toBe('Fill of the bowl');
  });
});
