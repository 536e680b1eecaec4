/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { act, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { NumberField } from './NumberField.tsx';

function Field({
  start,
  ...rest
}: {
  readonly start: number;
  readonly askFrom?: number;
  readonly optional?: boolean;
  readonly max?: number;
}) {
  const [value, setValue] = useState<number | null>(start);
  return (
    <>
      <NumberField
        aria-label="Length"
        unit="cm"
        min={0.5}
        max={787.4}
        {...rest}
        value={value}
        onChange={setValue}
      />
      <output>{String(value)}</output>
    </>
  );
}

function typed(text: string): string {
  const field = screen.getByRole('spinbutton');
  fireEvent.focus(field);
  fireEvent.change(field, { target: { value: text } });
  fireEvent.blur(field);
  return screen.getByRole('status').textContent;
}

describe('a number field', () => {
  test('takes a comma, a fraction and a unit', () => {
    render(<Field start={80} />);
    expect(typed('90,5')).toBe('90.5');
    expect(typed('35 1/2')).toBe('35.5');
    expect(typed('36 in')).toBe('91.44');
    expect(typed('3 ft')).toBe('91.44');
    expect(typed('1.2 m')).toBe('120');
    expect(screen.queryByRole('alert')).toBeNull();
  });

  test('keeps its value when it is emptied, garbled or out of range, and says why', () => {
    render(<Field start={80} />);
    expect(typed('')).toBe('80');
    expect(screen.getByRole<HTMLInputElement>('spinbutton').value).toBe('80');
    expect(typed('many')).toBe('80');
    expect(screen.getByRole('alert').textContent).toContain('“many” was not understood');
    expect(typed('9000')).toBe('80');
    expect(screen.getByRole('alert').textContent).toContain('9000 is not possible: from 0.5 to 787.4');
    expect(screen.getByRole<HTMLInputElement>('spinbutton').value).toBe('80');
  });

  test('asks about what is far from what it was, and puts it back', () => {
    render(<Field start={90.5} askFrom={5} />);
    expect(typed('640')).toBe('640');
    expect(screen.getByRole('alert').textContent).toContain('It was 90.5. Keep the new one?');
    fireEvent.click(screen.getByRole('button', { name: 'Put 90.5 back' }));
    expect(screen.getByRole('status').textContent).toBe('90.5');
    expect(typed('100')).toBe('100');
    expect(screen.queryByRole('alert')).toBeNull();
  });

  test('takes nothing that is half typed', () => {
    render(<Field start={80} />);
    const field = screen.getByRole('spinbutton');
    const value = (): string => screen.getByRole('status').textContent;
    fireEvent.focus(field);
    for (const text of ['9', '99', '999', '9999', '99999']) {
      fireEvent.change(field, { target: { value: text } });
      expect(value()).toBe('80');
    }
    fireEvent.blur(field);
    expect(value()).toBe('80');
    expect(screen.getByRole('alert').textContent).toContain('99999 is not possible');
    for (const text of ['3', '3 ', '3 f', '3 ft']) {
      fireEvent.change(screen.getByRole('spinbutton'), { target: { value: text } });
      expect(value()).toBe('80');
    }
    fireEvent.keyDown(screen.getByRole('spinbutton'), { key: 'Enter' });
    expect(value()).toBe('91.44');
  });

  test('asks which of two numbers it is, and keeps its value until that is said', () => {
    render(<Field start={80} max={2000} />);
    expect(typed('1,200')).toBe('80');
    expect(screen.getByRole('alert').textContent).toContain('“1,200”: which is it?');
    fireEvent.click(screen.getByRole('button', { name: '1200 cm' }));
    expect(screen.getByRole('status').textContent).toBe('1200');
    // Only one of them is possible: there is nothing to ask.
    expect(typed('2,500')).toBe('2.5');
  });

  test('goes up and down step by step, from what has just been typed', () => {
    render(<Field start={80} />);
    const up = (): void =>
      void fireEvent.keyDown(screen.getByRole('spinbutton'), {
        key: 'ArrowUp',
        code: 'ArrowUp',
        keyCode: 38,
      });
    up();
    expect(screen.getByRole('status').textContent).toBe('81');
    fireEvent.change(screen.getByRole('spinbutton'), { target: { value: '100' } });
    up();
    expect(screen.getByRole('status').textContent).toBe('101');
  });

  test('keeps the focus on Enter, and shows the unit in force when it is left', () => {
    render(<Field start={80} />);
    const field = screen.getByRole<HTMLInputElement>('spinbutton');
    act(() => field.focus());
    fireEvent.change(field, { target: { value: '36 in' } });
    fireEvent.keyDown(field, { key: 'Enter' });
    expect(screen.getByRole('status').textContent).toBe('91.44');
    expect(document.activeElement).toBe(field);
    fireEvent.blur(field);
    expect(screen.getByRole<HTMLInputElement>('spinbutton').value).toBe('91.44');
  });

  test('is taken when the page is left', () => {
    render(<Field start={80} />);
    fireEvent.change(screen.getByRole('spinbutton'), { target: { value: '90,5' } });
    fireEvent(window, new Event('pagehide'));
    expect(screen.getByRole('status').textContent).toBe('90.5');
  });

  test('that may be empty can be emptied', () => {
    render(<Field start={80} optional />);
    expect(typed('')).toBe('null');
  });
});
