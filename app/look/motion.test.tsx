/** @jest-environment jsdom */
import { expect, test } from '@jest/globals';
import { act, renderHook } from '@testing-library/react';
import { useMotion } from './motion.ts';

test('motion is left out as soon as the device asks for it', () => {
  const changed = new Set<() => void>();
  const media = {
    matches: false,
    addEventListener: (_: string, listener: () => void) => changed.add(listener),
    removeEventListener: (_: string, listener: () => void) => changed.delete(listener),
  };
  window.matchMedia = () => media as unknown as MediaQueryList;
  const { result, unmount } = renderHook(useMotion);
  expect(result.current).toBe(true);
  media.matches = true;
  act(() => changed.forEach((tell) => tell()));
  expect(result.current).toBe(false);
  unmount();
  expect(changed.size).toBe(0);
});
