/** @jest-environment jsdom */
import { expect, test } from '@jest/globals';
import { fireEvent, screen, within } from '@testing-library/react';
import { renderAlone } from '../testing/render.tsx';
import { PracticePage } from './PracticePage.tsx';

test('a practice asks for what is to be done next, and opens it', async () => {
  renderAlone(<PracticePage />);
  const panel = screen.getByRole('region', { name: 'Practice' });
  expect(within(panel).getByRole('status').textContent).toBe('Let the maker work on.');
  fireEvent.click(within(panel).getByRole('button', { name: 'To the end of the round' }));
  const weigh = await within(panel).findByRole('button', { name: 'Weigh the ball' });
  const grams = /says ([\d.]+) g/.exec(within(panel).getByRole('status').textContent)![1]!;
  fireEvent.click(weigh);
  fireEvent.change(screen.getByLabelText('Left of the ball, g'), { target: { value: grams } });
  fireEvent.click(screen.getByRole('button', { name: 'Note it' }));
  expect(within(panel).getByRole('status').textContent).toBe('Let the maker work on.');
  expect(within(panel).getByRole('listitem', { name: 'weighing: not yet' })).toBeTruthy();
  // Another maker begins a mat of its own.
  fireEvent.change(within(panel).getByRole('combobox'), { target: { value: 'hasty' } });
  expect(screen.getByText('The base round begins', { exact: false })).toBeTruthy();
});
