import { afterEach, describe, expect, it } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { layOut, shown } from './viz-parts.testkit';
import { Shown } from '../ui/shown';
import { DonenessBar } from './doneness-bar';
import { TrayPicture } from './tray-picture';

afterEach(cleanup);

describe('the bar of what each pull gives', () => {
  const windows = [
    { state: 'under', fromS: 0, toS: 690 },
    { state: 'soft-centre', fromS: 690, toS: 840 },
    { state: 'chewy', fromS: 840, toS: 1200 },
  ] as const;
  it('tells every state by word and time', () => {
    render(<DonenessBar windows={windows} pullS={760} toleranceS={60} />);
    expect(screen.getByTitle(/^soft centre: /)).toBeTruthy();
    expect(screen.getByText('chewy')).toBeTruthy();
    expect(screen.getByText('11:30')).toBeTruthy();
    expect(screen.getByText('14:00')).toBeTruthy();
  });
  it('stands without a pull, and with nothing but under', () => {
    render(<DonenessBar windows={[{ state: 'under', fromS: 0, toS: 3600 }]} pullS={null} toleranceS={60} />);
    expect(screen.getByTitle(/^under: /)).toBeTruthy();
    expect(document.body.innerHTML).not.toContain('NaN');
  });
});

describe('the picture of a tray', () => {
  const tray = {
    lengthMm: 600,
    widthMm: 400,
    margins: { left: 10, right: 10, front: 10, back: 10 },
    rawDiameterMm: 40,
    diameterMm: 80,
    startC: 4,
  };
  it.each([
    ['rows', 'straight rows'],
    ['staggered', 'offset rows'],
    ['free', 'set by the template'],
  ] as const)('says how the pieces lie: %s', (pattern, words) => {
    const layout = { ...layOut({ ...tray, marginMm: 10, gapMm: 15, pattern: 'best' }), pattern };
    render(<TrayPicture {...tray} layout={layout} pieces={layout.count} />);
    expect(screen.getByRole('img').getAttribute('aria-label')).toContain(`${layout.count} pieces, ${words}`);
  });
  it('draws no more pieces than there are', () => {
    const layout = layOut({ ...tray, marginMm: 10, gapMm: 15, pattern: 'rows' });
    const { container } = render(<TrayPicture {...tray} layout={layout} pieces={5} />);
    expect(container.querySelectorAll('circle')).toHaveLength(10);
  });
});

describe('a figure', () => {
  it('opens by the keyboard to its arithmetic, and its terms to theirs', async () => {
    const user = userEvent.setup();
    render(<Shown figure={shown} />);
    await user.tab();
    expect(document.activeElement?.getAttribute('aria-label')).toContain('Show the arithmetic');
    await user.keyboard('{Enter}');
    expect(await screen.findByText('M = (P + T) / ((1 − b) × (1 − s))')).toBeTruthy();
    const inner = screen.getAllByRole('button', { expanded: false });
    await user.click(inner[0] as HTMLElement);
    expect(screen.getByText('P = Σ n p')).toBeTruthy();
    await user.keyboard('{Escape}');
    expect(screen.queryByText('P = Σ n p')).toBeNull();
  });
});
