import { afterEach, describe, expect, it } from '@jest/globals';
import { i18n } from '@lingui/core';
import { t } from '@lingui/core/macro';
import { speak } from './language';

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
