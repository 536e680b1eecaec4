/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { NumberField } from './NumberField.tsx';

function Field({
  start,
  ...rest
}: {
  readonly start: number;
  readonly askFrom?: number;
  readonly optional?: boolean;
}) {
  const [value, setValue] = useState<number | null>(start);
  return (
    <>
      <NumberField aria-label="Length" min={0.5} max={787.4} {...rest} value={value} onChange={setValue} />
      <output>{String(value)}</output>
    </>
  );
}

function typed(text: string): string {
  const field = screen.getByRole('spinbutton');
  fireEvent.focus(field);
  fireEvent.change(field, { target: { value: text } });
  fireEvent.blur(field);
  return screen.getByRole('status').textContent!;
}

describe('a number field', () => {
  test('takes a comma, a fraction and a unit', () => {
    render(<Field start={80} />);
    expect(typed('90,5')).toBe('90.5');
    expect(typed('35 1/2')).toBe('35.5');
    expect(typed('36 in')).toBe('36');
    expect(screen.queryByRole('alert')).toBeNull();
  });

  test('keeps its value when it is emptied, garbled or out of range, and says why', () => {
    render(<Field start={80} />);
    expect(typed('')).toBe('80');
    expect(screen.getByRole<HTMLInputElement>('spinbutton').value).toBe('80');
    expect(typed('many')).toBe('80');
    expect(screen.getByRole('alert').textContent).toContain('“many” is no number');
    expect(typed('9000')).toBe('80');
    expect(screen.getByRole('alert').textContent).toContain('9000 is not possible: from 0.5 to 787.4');
    expect(screen.getByRole<HTMLInputElement>('spinbutton').value).toBe('80');
  });

  test('asks about what is far from what it was, and puts it back', () => {
    render(<Field start={90.5} askFrom={5} />);
    expect(typed('640')).toBe('640');
    expect(screen.getByRole('alert').textContent).toContain('It was 90.5. Is it right now?');
    fireEvent.click(screen.getByRole('button', { name: 'Put 90.5 back' }));
    expect(screen.getByRole('status').textContent).toBe('90.5');
    expect(typed('100')).toBe('100');
    expect(screen.queryByRole('alert')).toBeNull();
  });

  test('that may be empty can be emptied', () => {
    render(<Field start={80} optional />);
    expect(typed('')).toBe('null');
  });
});
