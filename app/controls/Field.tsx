import type { ReactNode } from 'react';
import { NumberField } from '../look/NumberField.tsx';

/** A labelled line of a form. */
export function Field({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <div className="field">
      <span>{label}</span>
      {children}
    </div>
  );
}

export interface WholeNumberProps {
  readonly label: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly onChange: (value: number) => void;
}

/** A whole number with its label. What is out of range or half typed is not taken. */
export function WholeNumber({ label, value, min, max, onChange }: WholeNumberProps) {
  return (
    <Field label={label}>
      <NumberField
        aria-label={label}
        min={min}
        max={max}
        precision={0}
        value={value}
        onChange={(v) => {
          if (v !== null) onChange(v);
        }}
      />
    </Field>
  );
}
