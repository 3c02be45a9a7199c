import { afterEach, describe, expect, it } from '@jest/globals';
import { act, cleanup, render } from '@testing-library/react';
import type { OutboxItem } from '../journal/outbox';
import { useJournal } from '../journal/store';
import { ConnectionMark } from './connection-mark';

const blank = useJournal.getState();
afterEach(() => {
  cleanup();
  act(() => useJournal.setState(blank, true));
});

const item = (id: string) => ({ entry: { id }, order: 1 }) as unknown as OutboxItem;
const said = () => document.body.textContent;

describe('what waits for the server', () => {
  it('is not spoken of while nothing waits and the server is there', () => {
    useJournal.setState({ connection: 'live' });
    render(<ConnectionMark />);
    expect(said()).toBe('');
  });
  it('is called kept only once it is written down', () => {
    useJournal.setState({ connection: 'away', pending: [item('a'), item('b')], unkept: new Set(['a', 'b']) });
    render(<ConnectionMark />);
    expect(said()).toBe('Server away');
    act(() => useJournal.setState({ unkept: new Set(['b']) }));
    expect(said()).toBe('Server away· 1 kept here');
    act(() => useJournal.setState({ unkept: new Set() }));
    expect(said()).toBe('Server away· 2 kept here');
  });
  it('is being sent where the server is there', () => {
    useJournal.setState({ connection: 'live', pending: [item('a')] });
    render(<ConnectionMark />);
    expect(said()).toBe('Sending· 1 kept here');
  });
});
