import styles from './work.module.css';
import { BackspaceIcon } from '../look/icons.ts';

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9'] as const;

/** Large keys for a count, for one hand. */
export function Keypad({
  of,
  value,
  onChange,
}: {
  /** Digits that are typed, for those who do not see where. */
  readonly of: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
}) {
  const key = (digit: string) => (
    <button key={digit} type="button" className={styles.key} onClick={() => onChange(`${value}${digit}`)}>
      {digit}
    </button>
  );
  return (
    <div className={styles.keypad} role="group" aria-label={`Keys for ${of}`}>
      {KEYS.map(key)}
      <button
        type="button"
        className={styles.key}
        aria-label="Take the last digit away"
        disabled={value === ''}
        onClick={() => onChange(value.slice(0, -1))}
      >
        <BackspaceIcon />
      </button>
      {key('0')}
    </div>
  );
}
