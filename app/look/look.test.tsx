/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { rowsHem } from '../../core/testing/hems.ts';
import { renderHem } from '../testing/render.tsx';
import { KeysButton } from './KeysButton.tsx';
// Fetched when it is asked for, which takes its time where nothing has been compiled before.
import './KeysSheet.tsx';
import { THEMES } from './tokens.ts';
import { unlessTyping } from './typing.ts';

/** Contrast of two colours #rrggbb, by the web’s accessibility guidelines: 1 to 21. */
function contrast(a: string, b: string): number {
  const light = (hex: string): number => {
    const [r, g, b2] = [1, 3, 5].map((i) => {
      const c = parseInt(hex.slice(i, i + 2), 16) / 255;
      return c <= 0.03928 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
    }) as [number, number, number];
    return 0.2126 * r + 0.7152 * g + 0.0722 * b2;
  };
  const [x, y] = [light(a), light(b)].sort((p, q) => q - p) as [number, number];
  return (x + 0.05) / (y + 0.05);
}

describe('keys', () => {
  test('“?” opens the sheet, but not while something is typed', async () => {
    renderHem(rowsHem(), () => (
      <>
        <KeysButton />
        <input aria-label="name" />
      </>
    ));
    fireEvent.keyDown(screen.getByRole('textbox', { name: 'name' }), { key: '?', shiftKey: true });
    expect(screen.queryByRole('dialog')).toBeNull();
    fireEvent.keyDown(document.body, { key: '?', shiftKey: true });
    await waitFor(() => expect(screen.getByRole('dialog')).toBeTruthy());
    for (const where of ['Everywhere', 'On a count line', 'On a drawing of stitches']) {
      expect(screen.getByRole('heading', { name: where })).toBeTruthy();
    }
  });

  test('a letter in a field is a letter', () => {
    const pressed: string[] = [];
    const press = unlessTyping((e) => pressed.push(e.key));
    const at = (tag: string): KeyboardEvent => {
      const target = document.createElement(tag);
      const event = new KeyboardEvent('keydown', { key: tag });
      Object.defineProperty(event, 'target', { value: target });
      return event;
    };
    for (const tag of ['input', 'textarea', 'select', 'button', 'canvas']) press(at(tag));
    expect(pressed).toEqual(['button', 'canvas']);
  });
});

test.each(Object.entries(THEMES))(
  'by %s all text has contrast AA on every ground that it stands on',
  (_, g) => {
    for (const ground of [g.ground, g.sheet, g.wash]) {
      expect(contrast(g.ink, ground)).toBeGreaterThan(7);
      expect(contrast(g.quiet, ground)).toBeGreaterThan(4.5);
    }
    expect(contrast(g.onThread, g.thread)).toBeGreaterThan(4.5);
    expect(contrast(g.ripple, g.ground)).toBeGreaterThan(4.5);
    // The flat zone and the handle are told apart from the ground by more than colour; 3 is for lines that matter.
    expect(contrast(g.ink, g.flat)).toBeGreaterThan(4.5);
    expect(contrast(g.ink, g.blocks)).toBeGreaterThan(4.5);
  },
);
