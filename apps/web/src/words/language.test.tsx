import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { i18n, setupI18n } from '@lingui/core';
import { t } from '@lingui/core/macro';
import { compileMessage } from '@lingui/message-utils/compileMessage';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { ingredient, ingredients } from '@jokul/core';
import { WordsField } from '../bakery/words-field';
import { coreWords, setCoreWords } from './core-words';
import { setWords, speak, wordsHere } from './language';

afterEach(async () => {
  window.history.replaceState(null, '', '/');
  localStorage.clear();
  await speak();
});

describe('the language of a page', () => {
  it('is English', async () => {
    await speak();
    expect(i18n.locale).toBe('en');
    expect(t`Put away`).toBe('Put away');
  });
  it('is English for a language that nobody has heard of', async () => {
    window.history.replaceState(null, '', '/?language=%F0%9F%8D%AA');
    await speak();
    expect(t`Put away`).toBe('Put away');
  });
});

describe('the words of a page', () => {
  const speaking = async (message: string, values: Record<string, unknown> = {}) => {
    const own = setupI18n({ locale: 'en', messages: { en: {} } });
    const { speakAmerican } = await import('./american');
    speakAmerican(own);
    return own._({ id: message, message: compileMessage(message) as unknown as string, values });
  };
  afterEach(() => setCoreWords((sentence) => sentence));

  it.each([
    ['Tray to plan with', {}, 'Sheet pan to plan with'],
    ['{n, plural, one {# tray} other {# trays}}', { n: 3 }, '3 sheet pans'],
    ['The colour of the centre', {}, 'The color of the center'],
    // What people wrote stays as they wrote it, and words that only hold one too.
    ['{name}: portrayed on a tray', { name: 'Tray Café' }, 'Tray Café: portrayed on a sheet pan'],
  ])('%s becomes American', async (message, values, said) =>
    expect(await speaking(message, values)).toBe(said),
  );

  it('go for what the core says, and for the names of what ships', async () => {
    await speaking('x');
    expect(coreWords('Soft wheat flour on a tray.')).toBe('Cake flour on a sheet pan.');
    expect(ingredient('wheat-flour').name).toBe('All-purpose flour');
    expect(ingredient('dark-rye-flour').name).toBe('Dark rye flour');
    // Who types the other name finds it all the same.
    expect(ingredient('wheat-flour').words).toContain('wheat flour');
    expect(new Set([...ingredients.values()].map(({ name }) => name)).size).toBe(ingredients.size);
  });

  it('are those of the device from its next load, and British where the browser keeps nothing', () => {
    expect(wordsHere()).toBe('british');
    expect(setWords('american')).toBe(true);
    expect(wordsHere()).toBe('american');
    const kept = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new Error('forbidden');
    });
    expect(setWords('british')).toBe(false);
    kept.mockRestore();
  });

  it('are changed in Setup, which says so where that cannot be kept', async () => {
    const reload = jest.fn();
    render(<WordsField reload={reload} />);
    await userEvent.selectOptions(screen.getByLabelText('Words'), 'sheet pan, color');
    expect(reload).toHaveBeenCalledTimes(1);
    expect(wordsHere()).toBe('american');
    cleanup();
  });
});
