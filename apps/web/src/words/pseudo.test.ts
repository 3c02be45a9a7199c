import { describe, expect, it } from '@jest/globals';
import { setupI18n } from '@lingui/core';
import { compileMessage } from '@lingui/message-utils/compileMessage';
import { inPseudo, speakPseudo } from './pseudo';

const speaking = () => {
  const i18n = setupI18n({ locale: 'en', messages: { en: {} } });
  speakPseudo(i18n);
  return (message: string, values: Record<string, unknown> = {}) =>
    i18n._({ id: message, message: compileMessage(message) as unknown as string, values });
};

describe('the pseudo-language', () => {
  it('accents every letter, in brackets, and leaves what is put in as it is', () =>
    expect(speaking()('Rest {lot} in {place}', { lot: 'SES-26-59-O', place: 'Walk-in' })).toMatch(
      /^⟦Ŕéśť SES-26-59-O íń Walk-in ·+⟧$/,
    ));
  it('is at least 40 % longer than the English', () => {
    for (const message of [
      'Add',
      'Put away',
      'A changed line changes the plan only when the day is planned.',
    ])
      expect(speaking()(message).length).toBeGreaterThanOrEqual(1.4 * message.length);
  });
  it('accents the forms of a plural, and counts on', () => {
    const say = speaking();
    const trays = '{n, plural, one {# tray is} other {# trays are}} in';
    expect(say(trays, { n: 1 })).toMatch(/^⟦1 ťŕáý íś íń ·+⟧$/);
    expect(say(trays, { n: 1200 })).toMatch(/^⟦1,200 ťŕáýś áŕé íń ·+⟧$/);
  });
  it('keeps the marks of elements', () =>
    expect(inPseudo(['<0>Six</0> pieces<1/>'])[1]).toBe('<0>Śíẋ</0> ṕíéćéś<1/>'));
  it('says a message that is nothing but a value', () =>
    expect(speaking()('{0}', { 0: 'Port' })).toMatch(/^⟦Port ·+⟧$/));
});
