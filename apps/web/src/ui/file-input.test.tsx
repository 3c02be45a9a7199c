import { afterEach, expect, it, jest } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { createRef } from 'react';
import { FileInput } from './file-input';

afterEach(cleanup);

it('a file is chosen, and the same one again; the keyboard does not stop at what nobody sees', async () => {
  const user = userEvent.setup();
  const onChoose = jest.fn<(file: File) => void>();
  render(<FileInput input={createRef()} label="Plan file" accept=".json" onChoose={onChoose} />);
  const file = new File(['{}'], 'plan.json', { type: 'application/json' });
  for (let i = 0; i < 2; i++) await user.upload(screen.getByLabelText('Plan file'), file);
  expect(onChoose.mock.calls.map(([{ name }]) => name)).toEqual(['plan.json', 'plan.json']);
  await user.tab();
  expect(document.activeElement).toBe(document.body);
});
