import { readFileSync } from 'node:fs';
import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { ruleFields } from '../bakery/rule-fields';
import { Fact, Facts } from '../line/station';
import { HelpMark } from './help-mark';
import { helps, type Help } from './help-texts';

afterEach(cleanup);

/** Headings of the models page as a browser is sent to them. */
const anchors = new Set(
  readFileSync('docs/models.md', 'utf8')
    .split('\n')
    .flatMap((line) => /^#{1,4} (.+)$/.exec(line)?.[1] ?? [])
    .map((heading) =>
      heading
        .toLowerCase()
        .replace(/[^a-z0-9 -]/g, '')
        .replaceAll(' ', '-'),
    ),
);

describe('help in place', () => {
  it.each(Object.entries(helps) as [string, Help][])(
    '%s: whole sentences, and a heading that exists',
    (_, help) => {
      expect(help.text).toMatch(/^[A-Z].*[.]$/);
      expect(help.text.length).toBeLessThan(220);
      expect(anchors).toContain(help.more);
    },
  );
  it('stands by every house rule', () =>
    expect(ruleFields.filter(({ key }) => !(key in helps)).map(({ key }) => key)).toEqual([]));
  it('opens by keyboard, closes with Escape, and leads to the models page', async () => {
    const user = userEvent.setup();
    render(
      <MemoryRouter>
        <Facts>
          <Fact name="Crisp edge" help="crispEdge">
            4 mm
          </Fact>
        </Facts>
        <HelpMark about="coolS" name="On the rack" />
      </MemoryRouter>,
    );
    await user.tab();
    expect(document.activeElement?.getAttribute('title')).toBe('What is “Crisp edge”?');
    // Who looks for the figure by its name finds the figure alone.
    expect(screen.getByText('Crisp edge').tagName).toBe('DT');
    expect(screen.queryByLabelText(/Crisp edge/)).toBeNull();
    await user.keyboard('{Enter}');
    expect(await screen.findByText(/dry enough to snap/)).toBeTruthy();
    expect(screen.getByRole('link', { name: 'How Jokul computes it' }).getAttribute('href')).toBe(
      '/models#bake',
    );
    await user.keyboard('{Escape}');
    expect(screen.queryByText(/dry enough to snap/)).toBeNull();
    // The focus is back on its mark, and a second press on that closes it too.
    expect(document.activeElement?.getAttribute('title')).toBe('What is “Crisp edge”?');
    await user.click(screen.getByTitle('What is “Crisp edge”?'));
    expect(await screen.findByText(/dry enough to snap/)).toBeTruthy();
    await user.click(screen.getByTitle('What is “Crisp edge”?'));
    expect(screen.queryByText(/dry enough to snap/)).toBeNull();
  });
});
