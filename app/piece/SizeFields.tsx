import { usePlan } from '../hem/context.ts';
import { Field } from '../controls/Field.tsx';
import { LengthInput } from '../controls/LengthInput.tsx';

export interface Sized {
  readonly widthCm: number;
  readonly heightCm: number;
}

export interface SizeFieldsProps<P extends Sized> {
  readonly piece: P;
  readonly onChange: (label: string, piece: P) => void;
}

/** Width and height of a rectangular piece. */
export function SizeFields<P extends Sized>({ piece, onChange }: SizeFieldsProps<P>) {
  const { length } = usePlan().hem.preferences;
  return (
    <>
      <Field label="Width, lying loose">
        <LengthInput
          label="Width"
          cm={piece.widthCm}
          unit={length}
          onChange={(widthCm) => onChange('width', { ...piece, widthCm })}
        />
      </Field>
      <Field label="Height, lying loose">
        <LengthInput
          label="Height"
          cm={piece.heightCm}
          unit={length}
          onChange={(heightCm) => onChange('height', { ...piece, heightCm })}
        />
      </Field>
    </>
  );
}
