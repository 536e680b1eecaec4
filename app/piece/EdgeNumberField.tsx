import type { EdgeNumber } from '../../core/piece/edgeNumbers.ts';
import type { Piece } from '../../core/piece/piece.ts';
import { LengthInput } from '../controls/LengthInput.tsx';
import { usePlan } from '../hem/context.ts';
import { NumberField } from '../look/NumberField.tsx';
import type { EditorProps } from './editorProps.ts';

export interface EdgeNumberFieldProps extends EditorProps<Piece> {
  readonly number: EdgeNumber<Piece>;
  /** Its noun stands behind it. */
  readonly withNoun?: boolean;
}

/** A number of the piece’s edges, to be typed. */
export function EdgeNumberField({
  number: { what, unit, least, most, of, told },
  piece,
  onChange,
  withNoun = false,
}: EdgeNumberFieldProps) {
  const { length } = usePlan().hem.preferences;
  const put = (value: number): void => onChange(what.toLowerCase(), told(piece, value));
  if (unit === 'cm') return <LengthInput label={what} cm={of(piece)} unit={length} onChange={put} />;
  return (
    <NumberField
      aria-label={what}
      min={least}
      max={most}
      precision={0}
      suffix={withNoun ? unit : undefined}
      value={of(piece)}
      onChange={(value) => value !== null && put(value)}
    />
  );
}
