import type { LengthUnit } from '../../core/say/measures.ts';
import { NumberField } from '../look/NumberField.tsx';

export interface LengthInputProps {
  readonly label: string;
  /** Null while nothing has been typed. */
  readonly cm: number | null;
  readonly unit: LengthUnit;
  readonly onChange: (cm: number) => void;
  /** It may be empty. */
  readonly onEmpty?: () => void;
}

/** A length typed in the unit in force and kept in centimetres. */
export function LengthInput({ label, cm, unit, onChange, onEmpty }: LengthInputProps) {
  const factor = unit === 'cm' ? 1 : 2.54;
  return (
    <NumberField
      aria-label={`${label} in ${unit}`}
      min={0.5}
      max={2000 / factor}
      step={0.5}
      unit={unit}
      suffix={unit}
      askFrom={5}
      optional={onEmpty !== undefined}
      value={cm === null ? null : Number((cm / factor).toFixed(2))}
      onChange={(v) => (v ? onChange(Number((v * factor).toFixed(3))) : onEmpty?.())}
    />
  );
}
