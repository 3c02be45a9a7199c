/** @jest-environment jsdom */
import { describe, expect, it, jest } from '@jest/globals';
import { fireEvent, render, screen } from '@testing-library/react';
import { TrayTrial } from './tray-trial';

const open = () =>
  render(
    <TrayTrial
      lengthMm={600}
      widthMm={400}
      openSides={[]}
      marginMm={10}
      gapMm={15}
      diameterMm={90}
      onClose={jest.fn()}
    />,
  );
const circles = () => document.querySelectorAll('[role="dialog"] circle').length;
const type = (label: string, value: string, nth = 0) =>
  fireEvent.change(screen.getAllByLabelText(label)[nth] as HTMLElement, { target: { value } });

describe('a tray tried otherwise', () => {
  it('begins with two sizes and draws each piece of them', () => {
    open();
    const says = screen.getByRole('img').getAttribute('aria-label') ?? '';
    expect(says).toMatch(/^Tray: 8 of 90 mm, \d+ of 54 mm\.$/);
    expect(circles()).toBe(8 + Number(/(\d+) of 54/.exec(says)?.[1]));
  });
  it('says what finds no place', () => {
    open();
    type('How many', '60');
    expect(screen.getByRole('img').getAttribute('aria-label')).toMatch(/No place for \d+ of 90 mm/);
  });
  it('keeps what was typed beside the sentence that says what is wrong with it', () => {
    open();
    type('Across, mm', '500');
    expect(screen.getByText(/does not fit on a tray/)).toBeTruthy();
    expect(screen.getAllByLabelText<HTMLInputElement>('Across, mm')[0]?.value).toBe('500');
    type('Across, mm', 'wide');
    expect(screen.queryByRole('img')).toBeNull();
    type('Across, mm', '80');
    expect(screen.getByRole('img')).toBeTruthy();
  });
  it('takes more when they may touch, and says that times then do not hold', () => {
    open();
    type('How many', '');
    const before = circles();
    fireEvent.click(screen.getByLabelText('They may touch'));
    expect(circles()).toBeGreaterThan(before);
    expect(screen.getByText(/times of single pieces do not hold/)).toBeTruthy();
  });
  it('lays bars by length and width, in the units that are typed', () => {
    open();
    type('Pieces', 'bars');
    fireEvent.click(screen.getByLabelText('They may touch'));
    type('Length, mm', '4 in');
    type('Width, mm', '50');
    expect(screen.getByRole('img').getAttribute('aria-label')).toMatch(
      /^Tray: \d+ bars of 101.6 mm by 50 mm\.$/,
    );
  });
});
