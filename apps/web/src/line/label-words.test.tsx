import { afterEach, describe, expect, it } from '@jest/globals';
import { QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render } from '@testing-library/react';
import { declaredIn, demoFormulas, demoRules, type Declared, type LabelWording } from '@jokul/core';
import { queryClient } from '../lib/queries';
import { LabelWords } from './label-words';

const rye = demoFormulas.find(({ code }) => code === 'RYE');
if (!rye) throw new Error('no rye');
const show = (labels: LabelWording | undefined, more: readonly Declared[] = []) => {
  queryClient.setQueryData(['bakery'], { rules: { ...demoRules, labels } });
  return render(
    <QueryClientProvider client={queryClient}>
      <LabelWords formula={rye} declared={[...declaredIn(rye), ...more]} />
    </QueryClientProvider>,
  ).container;
};
afterEach(cleanup);

describe('what a label declares', () => {
  it('is worded as the house does', () => {
    expect(show(undefined).textContent).toContain('gluten (wheat, rye)');
    cleanup();
    const sources = show('sources').textContent ?? '';
    expect(sources).toMatch(/^Contains: wheat, rye, walnut, /);
    expect(sources).not.toContain('gluten');
  });
  it('sets off what declares something in a list of all', () => {
    const list = show('ingredients', ['sesame']);
    expect(list.textContent).toMatch(
      /^Ingredients: unsalted butter \(milk\), dark brown sugar, wheat flour, chopped walnuts, /,
    );
    const strong = [...list.querySelectorAll('strong')].map((own) => own.textContent?.trim());
    expect(strong).toEqual(
      expect.arrayContaining([
        'wheat flour',
        'dark rye flour',
        'unsalted butter (milk)',
        'Contains too: sesame.',
      ]),
    );
    expect(strong.some((text) => text?.includes('sugar'))).toBe(false);
  });
});
