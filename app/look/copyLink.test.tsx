/** @jest-environment jsdom */
import { expect, test } from '@jest/globals';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { copyLink } from './copyLink.tsx';
import { NoticesProvider, useNotices } from './notices.tsx';

const LINK = `https://example.test/open#${'x'.repeat(7000)}`;

function Copy() {
  const notices = useNotices();
  return <button onClick={() => void copyLink(notices, LINK, 'It carries the hem.')}>Copy</button>;
}

test('where the clipboard is refused the link is one line, selected, and Esc closes it', async () => {
  Object.assign(navigator, { clipboard: { writeText: () => Promise.reject(new Error('refused')) } });
  render(
    <NoticesProvider>
      <Copy />
    </NoticesProvider>,
  );
  fireEvent.click(screen.getByText('Copy'));
  const field = await screen.findByRole<HTMLInputElement>('textbox', { name: 'The link' });
  expect(field.value).toBe(LINK);
  await waitFor(() => expect(document.activeElement).toBe(field));
  expect([field.selectionStart, field.selectionEnd]).toEqual([0, LINK.length]);
  expect(screen.getByRole('button', { name: 'Close' })).toBeTruthy();
  fireEvent.keyDown(field, { key: 'Escape' });
  expect(screen.queryByRole('textbox')).toBeNull();
});
