import { Segmented } from 'antd';
import type { Preferences } from '../../core/document/hem.ts';
import type { Language } from '../../core/terms/stitches.ts';

interface ChoiceProps<T> {
  readonly value: T;
  readonly onChange: (value: T) => void;
}

/** The language of crochet terms, which is always in view where something is written. */
export function LanguageChoice({ value, onChange }: ChoiceProps<Language>) {
  return (
    <Segmented<Language>
      aria-label="Crochet terms"
      value={value}
      options={[
        { value: 'us', label: 'US terms' },
        { value: 'uk', label: 'UK terms' },
      ]}
      onChange={onChange}
    />
  );
}

/** The hand that drawings and directions are for. */
export function HandChoice({ value, onChange }: ChoiceProps<Preferences['hand']>) {
  return (
    <Segmented<Preferences['hand']>
      aria-label="Which hand holds the hook"
      value={value}
      options={[
        { value: 'right', label: 'Right hand' },
        { value: 'left', label: 'Left hand' },
      ]}
      onChange={onChange}
    />
  );
}
