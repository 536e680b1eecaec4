/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, screen } from '@testing-library/react';
import { entry, rowsHem } from '../../core/testing/hems.ts';
import { stepDone, stepInHand } from '../../core/work/progress.ts';
import type { HemStore } from '../hem/store.ts';
import { renderHem } from '../testing/render.tsx';
import { Rest } from './Rest.tsx';

const hem = rowsHem({ counts: [420, 37, 420, 37], rounds: [entry()] });
const BEGIN = Date.parse('2026-02-03T19:00:00Z');

beforeEach(() => {
  window.localStorage.clear();
  jest.useFakeTimers({ now: BEGIN, doNotFake: ['setTimeout', 'queueMicrotask', 'nextTick', 'performance'] });
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

const open = () => renderHem(hem, () => <Rest />, null, { now: () => new Date() });
/** So many minutes go by, and the page sees it. */
const pass = (minutes: number): void => act(() => void jest.advanceTimersByTime(minutes * 60_000));
/** Notes what is next: that it is begun, then a whole side or a corner at once. */
const goOn = (store: HemStore): void =>
  act(() => {
    const { plan } = store.get();
    store.note(...stepDone(plan, stepInHand(plan, 'side')!));
  });
const caution = (): string | null => screen.queryByRole('status')?.textContent ?? null;

test('says after 40 minutes at one sitting that the hands should rest, also where a long side is noted at once', () => {
  const { store, container } = open();
  goOn(store);
  pass(30);
  expect(container.textContent).toContain('30 min at this sitting.');
  expect(caution()).toBeNull();
  pass(10);
  expect(caution()).toMatch(/^40 minutes at one sitting: put the hook down, .* Stop when they hurt\.$/);
  goOn(store);
  pass(5);
  expect(caution()).toMatch(/^45 minutes/);
  expect(container.textContent).toContain('40 min in all.');
  fireEvent.click(screen.getByRole('button', { name: 'Pause' }));
  expect(caution()).toBeNull();
  expect(container.textContent).toContain('Paused. Your next step resumes.');
});

test('says so when it is wanted, or never', () => {
  const { store } = open();
  goOn(store);
  pass(21);
  const wanted = screen.getByRole('combobox', { name: 'Rest after' });
  expect(caution()).toBeNull();
  fireEvent.change(wanted, { target: { value: '20' } });
  expect(caution()).toMatch(/^21 minutes/);
  fireEvent.change(wanted, { target: { value: '0' } });
  pass(60);
  expect(caution()).toBeNull();
});

test('a sitting is over when nothing was noted for longer than the side would have taken', () => {
  const { store, container } = open();
  goOn(store);
  pass(40);
  goOn(store);
  // What is next is a corner.
  pass(20);
  expect(container.textContent).toContain('0 min at this sitting.');
  expect(caution()).toBeNull();
});
