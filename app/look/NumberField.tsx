import { InputNumber, type InputNumberProps } from 'antd';
import { useState } from 'react';
import { numberTyped } from '../../core/words/typed.ts';
import './numberField.css';

export interface NumberFieldProps extends Omit<
  InputNumberProps<number>,
  'parser' | 'onChange' | 'min' | 'max'
> {
  readonly min: number;
  readonly max: number;
  /** May be emptied; then `onChange` hears null. Else an emptied field keeps its value. */
  readonly optional?: boolean;
  /** Asks about a value that is so many times what it was, or so small a part of it. */
  readonly askFrom?: number;
  readonly onChange?: (value: number | null) => void;
}

/**
 * A number as people type it: with a comma or a fraction too. Nothing that is typed is changed silently: what is no
 * number or out of range is said, and the value stays; what is far from what it was is asked about.
 */
export function NumberField(props: NumberFieldProps) {
  const { optional = false, askFrom, onChange, onBlur, onFocus, value, min, max, ...rest } = props;
  // What stands in the field is laid anew when it is not taken over.
  const [laid, setLaid] = useState(0);
  const [said, setSaid] = useState<string | null>(null);
  const [before, setBefore] = useState<number | null>(null);
  const [asked, setAsked] = useState<number | null>(null);
  const leave = (typed: string): void => {
    const number = numberTyped(typed);
    if (typed.trim() === '') {
      if (optional) onChange?.(null);
      setLaid(laid + 1);
      return;
    }
    if (Number.isNaN(number)) setSaid(`“${typed.slice(0, 20)}” is no number. Write 90.5, 90,5 or 35 1/2.`);
    else if (number < min || number > max)
      setSaid(`${number} is not possible: from ${min} to ${roundMost(max)}.`);
    else {
      const factor = before && number ? Math.max(number / before, before / number) : 1;
      if (askFrom !== undefined && factor >= askFrom) setAsked(before);
      return;
    }
    setLaid(laid + 1);
  };
  return (
    <span className="number-field">
      <InputNumber<number>
        key={laid}
        {...rest}
        value={value ?? null}
        min={min}
        max={max}
        changeOnBlur={false}
        status={said ? 'error' : ''}
        parser={(text) => numberTyped(text ?? '')}
        onChange={(v) => {
          setSaid(null);
          setAsked(null);
          if (typeof v === 'number' ? v >= min && v <= max : v === null && optional) onChange?.(v);
        }}
        onFocus={(e) => {
          setBefore(typeof value === 'number' ? value : null);
          onFocus?.(e);
        }}
        onBlur={(e) => {
          leave(e.target.value);
          onBlur?.(e);
        }}
      />
      {said && (
        <span className="number-said problem small" role="alert">
          {said}
        </span>
      )}
      {asked !== null && (
        <span className="number-said problem small" role="alert">
          It was {asked}. Is it right now?{' '}
          <button
            type="button"
            onClick={() => {
              onChange?.(asked);
              setAsked(null);
            }}
          >
            Put {asked} back
          </button>{' '}
          <button type="button" onClick={() => setAsked(null)}>
            It is right
          </button>
        </span>
      )}
    </span>
  );
}

const roundMost = (most: number): number => Math.floor(most * 10) / 10;
