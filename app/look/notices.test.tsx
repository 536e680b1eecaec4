/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, fireEvent, render, screen } from '@testing-library/react';
import { NoticesProvider, useNotices, type Notices } from './notices.tsx';

function renderNotices(): Notices {
  let given: Notices | undefined;
  const Page = () => {
    given = useNotices();
    return null;
  };
  render(
    <NoticesProvider>
      <Page />
    </NoticesProvider>,
  );
  return given!;
}

beforeEach(() => void jest.useFakeTimers());
afterEach(() => void jest.useRealTimers());

describe('notices', () => {
  test('warn loudly and tell quietly, and go after their time', () => {
    const notices = renderNotices();
    act(() => notices.info({ title: 'Kept', duration: 3 }));
    act(() => notices.warning({ title: 'Not kept', description: 'Storage is full.', duration: 0 }));
    expect(screen.getByRole('status').textContent).toContain('Kept');
    expect(screen.getByRole('alert').textContent).toContain('Storage is full.');
    act(() => void jest.advanceTimersByTime(3001));
    expect(screen.queryByRole('status')).toBeNull();
    act(() => void jest.advanceTimersByTime(600_000));
    expect(screen.getByRole('alert')).toBeTruthy();
  });

  test('one with the key of another takes its place, and can be taken away by it', () => {
    const notices = renderNotices();
    act(() => notices.info({ key: 'a', title: 'One' }));
    act(() => notices.info({ key: 'a', title: 'Two' }));
    expect(screen.getAllByRole('status').map((n) => n.textContent)).toEqual(['Two']);
    act(() => notices.destroy('a'));
    expect(screen.queryByRole('status')).toBeNull();
  });

  test('stay while they are looked at, and are closed by hand', () => {
    const notices = renderNotices();
    act(() =>
      notices.success({ title: 'Copied', duration: 2, actions: <button type="button">Undo</button> }),
    );
    fireEvent.focus(screen.getByRole('button', { name: 'Undo' }));
    act(() => void jest.advanceTimersByTime(60_000));
    expect(screen.getByText('Copied')).toBeTruthy();
    fireEvent.blur(screen.getByRole('button', { name: 'Undo' }));
    act(() => void jest.advanceTimersByTime(2001));
    expect(screen.queryByText('Copied')).toBeNull();
    act(() => notices.error({ title: 'Failed', duration: 0 }));
    fireEvent.click(screen.getByRole('button', { name: 'Close' }));
    expect(screen.queryByText('Failed')).toBeNull();
  });
});
