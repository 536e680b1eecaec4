import { useInTerms } from '../hem/context.ts';
import { NumberField } from '../look/NumberField.tsx';

interface HookFieldProps {
  /** Whose hook it is, for those who do not see it: “Hook of this round”. */
  readonly label: string;
  readonly hookMm: number | null;
  /** The hook where none is said; without it one has to be. */
  readonly usualMm?: number;
  readonly onChange: (hookMm: number | null) => void;
}

/** The size of a hook. */
export function HookField({ label, hookMm, usualMm, onChange }: HookFieldProps) {
  const inTerms = useInTerms();
  const optional = usualMm !== undefined;
  return (
    <NumberField
      size={optional ? 'small' : 'middle'}
      optional={optional}
      aria-label={inTerms(`${label} in millimeters`)}
      min={0.5}
      max={40}
      step={0.25}
      unit="mm"
      suffix="mm"
      placeholder={usualMm?.toString()}
      value={hookMm}
      onChange={onChange}
    />
  );
}
