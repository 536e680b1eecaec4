import { holesOnSide } from '../../../core/piece/cloth/cloth.ts';
import type { ClothPiece } from '../../../core/piece/cloth/cloth.schema.ts';
import { useInTerms, usePlan } from '../../hem/context.ts';
import { Field } from '../../controls/Field.tsx';
import { NumberField } from '../../look/NumberField.tsx';
import type { SideProps } from '../editorProps.ts';

/** Holes along the edges of cloth. */
export function SideOfCloth({ piece, onChange }: SideProps<ClothPiece>) {
  const inTerms = useInTerms();
  const inches = usePlan().hem.preferences.length === 'in';
  const factor = inches ? 25.4 : 1;
  return (
    <>
      <Field label="From hole to hole">
        <NumberField
          aria-label={inTerms(`From hole to hole in ${inches ? 'inches' : 'millimeters'}`)}
          min={1 / factor}
          max={100 / factor}
          step={inches ? 0.05 : 0.5}
          unit={inches ? 'in' : 'mm'}
          suffix={inches ? 'in' : 'mm'}
          value={Number((piece.pitchMm / factor).toFixed(2))}
          onChange={(v) =>
            v &&
            onChange('distance from hole to hole', { ...piece, pitchMm: Number((v * factor).toFixed(3)) })
          }
        />
      </Field>
      <p className="quiet small">
        {holesOnSide(piece.widthCm * 10, piece.pitchMm)} holes along A and C,{' '}
        {holesOnSide(piece.heightCm * 10, piece.pitchMm)} along B and D, and one in each corner. Make the
        holes before you start; test one on a scrap. Keep a finger’s width from the edge.
      </p>
    </>
  );
}
