import { afterEach, describe, expect, it } from '@jest/globals';
import { plural, t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { cleanup, render, screen } from '@testing-library/react';

afterEach(cleanup);

describe('a sentence of the interface', () => {
  it('holds elements and values, without a context around it', () => {
    const pieces = 48;
    const late = false as boolean;
    render(
      <p>
        <Trans>
          <b>{pieces}</b> pieces by <time>05:40</time>
          {late && ', late'}.
        </Trans>
      </p>,
    );
    expect(screen.getByText('48').tagName).toBe('B');
    expect(document.querySelector('p')?.textContent).toBe('48 pieces by 05:40.');
  });
  it.each([
    [0, '0 loads change'],
    [1, '1 load changes'],
    [2, '2 loads change'],
  ])('counts: %d', (changes, says) =>
    expect(t`${plural(changes, { one: '# load changes', other: '# loads change' })}`).toBe(says),
  );
  it('says a name with signs of its own as it is', () => {
    const name = 'Crisp {thin} & <b>';
    expect(t`${name} is ended.`).toBe('Crisp {thin} & <b> is ended.');
    const odd = ['Crisp {thin} & <b>', '<0>constructor</0>', '<1/> x', '</0>', 'a < b'];
    for (const own of odd) {
      render(
        <p>
          <Trans>
            <b>{own}</b> and {own} are ended.
          </Trans>
        </p>,
      );
      expect(document.querySelector('p')?.textContent).toBe(`${own} and ${own} are ended.`);
      cleanup();
    }
  });
});
