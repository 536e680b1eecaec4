/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { fireEvent } from '@testing-library/react';
import { atRest } from './atRest.ts';

beforeEach(() => {
  jest.useFakeTimers();
});
afterEach(() => {
  jest.useRealTimers();
  Object.defineProperty(document, 'hidden', { configurable: true, value: false });
});

describe('at rest', () => {
  test('it waits for as long as something is done, and works once', () => {
    const work = jest.fn();
    atRest(1000, work);
    for (const doing of ['keyDown', 'wheel', 'pointerDown'] as const) {
      jest.advanceTimersByTime(900);
      fireEvent[doing](document.body);
    }
    expect(work).not.toHaveBeenCalled();
    jest.advanceTimersByTime(1000);
    expect(work).toHaveBeenCalledTimes(1);
    fireEvent.keyDown(document.body);
    jest.advanceTimersByTime(5000);
    expect(work).toHaveBeenCalledTimes(1);
  });

  test('it works at once when the page goes out of sight', () => {
    const work = jest.fn();
    atRest(1000, work);
    fireEvent(document, new Event('visibilitychange'));
    expect(work).not.toHaveBeenCalled();
    Object.defineProperty(document, 'hidden', { configurable: true, value: true });
    fireEvent(document, new Event('visibilitychange'));
    expect(work).toHaveBeenCalledTimes(1);
    jest.advanceTimersByTime(5000);
    expect(work).toHaveBeenCalledTimes(1);
  });

  test('it does not work when the page is left for another one, which hides it too', () => {
    const work = jest.fn();
    atRest(1000, work);
    fireEvent(window, new Event('pagehide'));
    Object.defineProperty(document, 'hidden', { configurable: true, value: true });
    fireEvent(document, new Event('visibilitychange'));
    expect(work).not.toHaveBeenCalled();
    // Whoever comes back to it finds it as it was.
    jest.advanceTimersByTime(1000);
    expect(work).toHaveBeenCalledTimes(1);
  });

  test('it can be called off', () => {
    const work = jest.fn();
    atRest(1000, work)();
    fireEvent.wheel(document.body);
    jest.advanceTimersByTime(5000);
    expect(work).not.toHaveBeenCalled();
  });
});
