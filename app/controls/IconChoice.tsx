import type { ReactNode } from 'react';
import styles from './iconChoice.module.css';

export interface IconChoiceProps<Value extends string> {
  readonly label: string;
  readonly value: Value;
  readonly options: readonly {
    readonly value: Value;
    readonly name: string;
    /** A small drawing in lines. */
    readonly icon: ReactNode;
  }[];
  readonly onChoose: (value: Value) => void;
}

/** One of several, each by its name beside a small drawing. */
export function IconChoice<Value extends string>({
  label,
  value: chosen,
  options,
  onChoose,
}: IconChoiceProps<Value>) {
  return (
    <div className={styles.icons} role="radiogroup" aria-label={label}>
      {options.map(({ value, name, icon }) => (
        <button
          key={value}
          type="button"
          role="radio"
          aria-checked={value === chosen}
          onClick={() => onChoose(value)}
        >
          {icon}
          {name}
        </button>
      ))}
    </div>
  );
}

/** A drawing as a path in a box of 32 by 32. */
export const pathIcon = (path: string): ReactNode => (
  <svg viewBox="0 0 32 32" aria-hidden="true">
    <path d={path} />
  </svg>
);
