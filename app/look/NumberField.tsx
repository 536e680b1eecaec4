import { InputNumber, type InputNumberProps } from 'antd';
import { useEffect, useEffectEvent, useState } from 'react';
import { numbersTyped, type TypedUnit } from '../../core/say/typed.ts';
import styles from './numberField.module.css';

export interface NumberFieldProps extends Omit<
  InputNumberProps<number>,
  'parser' | 'onChange' | 'onStep' | 'onInput' | 'onPressEnter' | 'min' | 'max'
> {
  readonly min: number;
  readonly max: number;
  /** Unit of the value: another that is typed behind a number is turned into it. Null for a bare number. */
  readonly unit?: TypedUnit | null;
  /** May be emptied; then `onChange` hears null. Else an emptied field keeps its value. */
  readonly optional?: boolean;
  /** Takes every number that is whole and in range while it is typed. */
  readonly live?: boolean;
  /** Asks about a value that is so many times what it was, or so small a part of it. */
  readonly askFrom?: number;
  readonly onChange?: (value: number | null) => void;
}

/** Message beside the field: why something was not taken, or two numbers that it may be. */
type Said =
  | { readonly kind: 'refused'; readonly words: string }
  | { readonly kind: 'which'; readonly text: string; readonly values: readonly number[] }
  | { readonly kind: 'far'; readonly before: number };

/**
 * A number as people type it: with a comma, a fraction or another unit too. It is taken when the field is left, on Enter or
 * step by step, never half typed. What is not understood, or out of range, is said, and the value stays; what may be two
 * numbers, or is far from what it was, is asked about.
 */
export function NumberField(props: NumberFieldProps) {
  const {
    optional = false,
    live = false,
    unit = null,
    askFrom,
    onChange,
    onBlur,
    value,
    min,
    max,
    step,
    ...rest
  } = props;
  // What stands in the field is laid anew when it is left, in the unit in force.
  const [laid, setLaid] = useState(0);
  /** Text that is typed and not taken yet. */
  const [typed, setTyped] = useState<string | null>(null);
  const [touched, setTouched] = useState(false);
  const [said, setSaid] = useState<Said | null>(null);
  const whole = rest.precision === 0;
  const possible = (n: number): boolean => n >= min && n <= max && (!whole || Number.isInteger(n));
  const set = (number: number): void => {
    setSaid(null);
    onChange?.(number);
    const before = typeof value === 'number' ? value : null;
    const factor = before && number ? Math.max(number / before, before / number) : 1;
    if (before !== null && askFrom !== undefined && factor >= askFrom) setSaid({ kind: 'far', before });
  };
  const refuse = (words: string): void => setSaid({ kind: 'refused', words });
  const take = (): void => {
    if (typed === null) return;
    setTyped(null);
    const text = typed.trim();
    if (text === '') {
      if (optional) onChange?.(null);
      return;
    }
    const readings = numbersTyped(text, unit);
    const inRange = readings.filter(possible);
    if (readings.length === 0) refuse(`“${text.slice(0, 20)}” was not understood. Write ${exampleOf(unit)}.`);
    else if (inRange.length === 2) setSaid({ kind: 'which', text, values: inRange });
    else if (inRange.length === 1) set(inRange[0]!);
    else
      refuse(
        `${readings.map(shown).join(' or ')} is not possible: ${whole ? 'a whole number ' : ''}from ${shown(min)} to ${shown(roundMost(max))}.`,
      );
  };
  const takeNow = useEffectEvent(take);
  const pending = typed !== null;
  useEffect(() => {
    if (!pending) return;
    // A page that is left, or put away for good, takes what stands in its fields along.
    const leave = (): void => takeNow();
    const hide = (): void => {
      if (document.hidden) takeNow();
    };
    window.addEventListener('pagehide', leave);
    document.addEventListener('visibilitychange', hide);
    return () => {
      window.removeEventListener('pagehide', leave);
      document.removeEventListener('visibilitychange', hide);
    };
  }, [pending]);
  /** The steppers say what they step, in place of words of the component library. */
  const named = (field: HTMLElement | null): void => {
    for (const [way, words] of [
      ['up', 'One more'],
      ['down', 'One fewer'],
    ] as const)
      field
        ?.querySelector(`.ant-input-number-action-${way}`)
        ?.setAttribute('aria-label', [words, rest['aria-label']].filter(Boolean).join(': '));
  };
  return (
    <span className={styles.numberField} ref={named}>
      <InputNumber<number>
        key={laid}
        {...rest}
        {...(step !== undefined && { step })}
        value={value ?? null}
        min={min}
        max={max}
        changeOnBlur={false}
        status={said?.kind === 'refused' ? 'error' : ''}
        parser={(text) => numbersTyped(text ?? '', unit)[0] ?? NaN}
        onInput={(text) => {
          setTyped(text);
          setTouched(true);
          setSaid(null);
          const readings = live ? numbersTyped(text.trim(), unit).filter(possible) : [];
          if (readings.length === 1) onChange?.(readings[0]!);
        }}
        onStep={(next, { offset, type }) => {
          // From what has just been typed, where that is a number.
          const [from, ...others] = typed === null ? [] : numbersTyped(typed, unit).filter(possible);
          const by = type === 'up' ? Number(offset) : -Number(offset);
          const known = from !== undefined && others.length === 0;
          setTyped(null);
          set(known ? Math.min(max, Math.max(min, Number((from + by).toFixed(6)))) : next);
        }}
        onKeyDown={(e) => {
          if (e.key === 'Enter') take();
        }}
        onBlur={(e) => {
          take();
          if (touched) setLaid(laid + 1);
          setTouched(false);
          onBlur?.(e);
        }}
      />
      {said?.kind === 'refused' && (
        <span className={`${styles.numberSaid} problem small`} role="alert">
          {said.words}
        </span>
      )}
      {said?.kind === 'which' && (
        <span className={`${styles.numberSaid} problem small`} role="alert">
          “{said.text}”: which is it?{' '}
          {said.values.map((n) => (
            <button key={n} type="button" onClick={() => set(n)}>
              {shown(n)}
              {unit ? ` ${unit}` : ''}
            </button>
          ))}
        </span>
      )}
      {said?.kind === 'far' && (
        <span className={`${styles.numberSaid} problem small`} role="alert">
          It was {said.before}. Keep the new one?{' '}
          <button
            type="button"
            onClick={() => {
              onChange?.(said.before);
              setSaid(null);
            }}
          >
            Put {said.before} back
          </button>{' '}
          <button type="button" onClick={() => setSaid(null)}>
            It is right
          </button>
        </span>
      )}
    </span>
  );
}

const shown = (n: number): string => `${Number(n.toFixed(3))}`;

const roundMost = (most: number): number => Math.floor(most * 10) / 10;

/** How it may be written in each unit. */
function exampleOf(unit: TypedUnit | null): string {
  if (unit === null) return '90.5, 90,5 or 35 1/2';
  if (unit === 'in' || unit === 'ft' || unit === 'yd') return '35 1/2, 3 ft 4 or 90 cm';
  return unit === 'g' || unit === 'kg' || unit === 'oz' || unit === 'lb'
    ? '41.5, 41,5 or 1 1/2 oz'
    : '90.5, 90,5 or 35 1/2 in';
}
