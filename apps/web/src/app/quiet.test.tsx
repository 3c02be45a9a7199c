import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { useJournal } from '../journal/store';
import { quietMs, watchQuiet } from './quiet';

let nowMs = 0;
let isQuiet: () => boolean;
beforeEach(() => {
  nowMs = 1000;
  jest.spyOn(performance, 'now').mockImplementation(() => nowMs);
  history.replaceState(null, '', '/floor');
  useJournal.setState({ unkept: new Set() });
  isQuiet = watchQuiet();
});
afterEach(() => {
  jest.restoreAllMocks();
  document.body.innerHTML = '';
});
const later = () => (nowMs += quietMs);

describe('a quiet moment', () => {
  it('is when nobody touched the page for minutes', () => {
    expect(isQuiet()).toBe(false);
    later();
    expect(isQuiet()).toBe(true);
  });
  it.each(['pointerdown', 'keydown', 'wheel', 'touchstart'])('is over with %s', (kind) => {
    later();
    document.body.dispatchEvent(new Event(kind, { bubbles: true }));
    expect(isQuiet()).toBe(false);
    later();
    expect(isQuiet()).toBe(true);
  });
  it('is none where something was typed that may not be saved, until another page is shown', () => {
    document.body.dispatchEvent(new Event('input', { bubbles: true }));
    later();
    expect(isQuiet()).toBe(false);
    history.replaceState(null, '', '/bake');
    expect(isQuiet()).toBe(true);
  });
  it.each(['/mix/RYE-26-1-A', '/portion'])('is none where somebody began to weigh: %s', (path) => {
    history.replaceState(null, '', path);
    later();
    // A page that only stands there may go.
    expect(isQuiet()).toBe(true);
    document.body.dispatchEvent(new Event('pointerdown', { bubbles: true }));
    later();
    expect(isQuiet()).toBe(false);
    history.replaceState(null, '', '/floor');
    expect(isQuiet()).toBe(true);
  });
  it('is none while something is open over the page', () => {
    document.body.innerHTML = '<div role="dialog"></div>';
    later();
    expect(isQuiet()).toBe(false);
  });
  it('is none while an entry lives in this page alone', () => {
    useJournal.setState({ unkept: new Set(['one']) });
    later();
    expect(isQuiet()).toBe(false);
  });
});
