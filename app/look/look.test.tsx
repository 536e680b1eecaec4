/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { rowsHem } from '../../core/testing/hems.ts';
import { renderHem } from '../testing/render.tsx';
import { KeysButton } from './KeysButton.tsx';
// Fetched when it is asked for, which takes its time where nothing has been compiled before.
import './KeysSheet.tsx';
import { unlessTyping } from './typing.ts';

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

  test('of one character can be switched off, and stay so', async () => {
    renderHem(rowsHem(), () => <KeysButton />);
    const press = (): void => void fireEvent.keyDown(document.body, { key: '?', shiftKey: true });
    press();
    fireEvent.click(await screen.findByRole('checkbox', { name: /^keys of one character work/ }));
    fireEvent.click(screen.getByRole('button', { name: 'Close' }));
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    press();
    expect(screen.queryByRole('dialog')).toBeNull();
    // The button goes on opening the sheet, in which they are switched on again.
    fireEvent.click(screen.getByRole('button', { name: 'Show keyboard shortcuts' }));
    fireEvent.click(await screen.findByRole('checkbox', { name: /^keys of one character work/ }));
    expect(window.localStorage.getItem('zig-hem single keys')).toBeNull();
  });
});
