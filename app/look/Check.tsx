import type { ReactNode } from 'react';
import styles from './check.module.css';

export interface CheckProps {
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
  readonly disabled?: boolean;
  readonly children: ReactNode;
}

/** Something that holds or does not, as a stitch that is worked or not. */
export function Check({ checked, onChange, disabled = false, children }: CheckProps) {
  return (
    <label className={styles.check}>
      <input
        type="checkbox"
        checked={checked}
        disabled={disabled}
        onChange={(e) => onChange(e.target.checked)}
      />
      <span>{children}</span>
    </label>
  );
}
