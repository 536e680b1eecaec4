import { holesOnSide } from '../../core/piece/cloth.ts';
import type { ClothPiece } from '../../core/piece/piece.ts';
import { Field } from './Field.tsx';
import type { EditorProps } from './PiecePage.tsx';
import { SizeFields } from './SizeFields.tsx';
import { NumberField } from '../look/NumberField.tsx';

/** Cloth with a row of holes. */
export function ClothEditor({ piece, onChange }: EditorProps<ClothPiece>) {
  return (
    <>
      <SizeFields piece={piece} onChange={onChange} />
      <Field label="From hole to hole">
        <NumberField
          aria-label="From hole to hole in millimetres"
          min={1}
          max={100}
          step={0.5}
          suffix="mm"
          value={piece.pitchMm}
          onChange={(v) => v && onChange('pitch of the holes', { ...piece, pitchMm: v })}
        />
      </Field>
      <p className="quiet small">
        {holesOnSide(piece.widthCm * 10, piece.pitchMm)} holes along A and C,{' '}
        {holesOnSide(piece.heightCm * 10, piece.pitchMm)} along B and D, and one in each corner.
      </p>
    </>
  );
}
