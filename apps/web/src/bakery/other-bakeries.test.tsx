import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';

const asked: unknown[] = [];
jest.unstable_mockModule('../lib/api', () => ({
  ApiProblem: Error,
  get: async () => new Promise(() => undefined),
  call: async (_: string, path: string, body: unknown) => {
    asked.push([path, body]);
    throw new Error('nobody opens it here');
  },
}));
const { BakeryButtons } = await import('./other-bakeries');

beforeEach(() => {
  asked.length = 0;
});
afterEach(cleanup);

const names = () => screen.getAllByRole('button').map(({ textContent }) => textContent);
const own = (id: string, name: string) => ({ id, name });

describe('the other bakeries of a machine', () => {
  it.each<[string, Parameters<typeof BakeryButtons>[0]['bakery'], string[]]>([
    ['none is there yet', { id: 'demo', kind: 'demo', ownBakeries: [] }, ['Open my own bakery']],
    [
      'from the demo',
      { id: 'demo', kind: 'demo', ownBakeries: [own('own', 'Kestrel Lane')] },
      ['Open Kestrel Lane', 'Begin another bakery'],
    ],
    [
      'from one of them, two others of one name told apart',
      {
        id: 'own-2',
        kind: 'own',
        ownBakeries: [own('own', 'My bakery'), own('own-2', 'Quay Lane'), own('own-3', 'My bakery')],
      },
      ['Open the demo', 'Open My bakery (own)', 'Open My bakery (own-3)', 'Begin another bakery'],
    ],
  ])('%s', (_, bakery, expected) => {
    render(<BakeryButtons bakery={bakery} />);
    expect(names()).toEqual(expected);
  });

  it.each<[string, object]>([
    ['the demo', { kind: 'demo' }],
    ['Kestrel Lane', { kind: 'own', id: 'own' }],
    ['another bakery', { kind: 'own', id: 'new' }],
  ])('%s is asked about, opened, and where that fails it is said', async (name, body) => {
    const user = userEvent.setup();
    render(
      <BakeryButtons
        bakery={{ id: 'own-2', kind: 'own', ownBakeries: [own('own', 'Kestrel Lane'), own('own-2', 'Quay')] }}
      />,
    );
    await user.click(
      screen.getByRole('button', {
        name: name === 'another bakery' ? 'Begin another bakery' : `Open ${name}`,
      }),
    );
    expect(asked).toEqual([]);
    await user.click(screen.getAllByRole('button', { name: `Open ${name}` }).at(-1) as HTMLElement);
    expect(asked).toEqual([['bakery/open', body]]);
    expect((await screen.findByRole('alert')).textContent).toContain('Nothing is lost');
  });
});
