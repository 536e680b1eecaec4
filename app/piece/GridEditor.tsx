import { useState } from 'react';
import { readGrid } from '../../core/document/csv.ts';
import type { GridPiece } from '../../core/piece/grid/grid.schema.ts';
import { fieldOf, hasHalves, inField, longestCut } from '../../core/piece/grid/grid.ts';
import { inRings, motifsLeftOut } from '../../core/piece/grid/rearranged.ts';
import { WholeNumber, Field } from '../controls/Field.tsx';
import { LatticeChoice } from '../controls/LatticeChoice.tsx';
import { LengthInput } from '../controls/LengthInput.tsx';
import { usePlan } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { NumberField } from '../look/NumberField.tsx';
import { CornerOfMotif } from './CornerOfMotif.tsx';
import type { EditorProps } from './editorProps.ts';
import { MotifEdgeFields } from './MotifEdgeFields.tsx';
import { TableButton } from './TableButton.tsx';
import styles from './piece.module.css';

/** Joined motifs: their shape, how many there are, and their sides. Single ones are left out and painted in the drawing. */
export function GridEditor({ piece, onChange }: EditorProps<GridPiece>) {
  const { length } = usePlan().hem.preferences;
  const [rings, setRings] = useState(2);
  const size = fieldOf(piece);
  const square = piece.lattice === 'squares';
  return (
    <>
      <LatticeChoice piece={piece} onChange={onChange} />
      <WholeNumber
        label="Motifs across"
        min={1}
        max={60}
        value={size.across}
        onChange={(across) => onChange('field of motifs', inField(piece, { ...size, across }))}
      />
      <WholeNumber
        label="Motifs down"
        min={1}
        max={60}
        value={size.down}
        onChange={(down) => onChange('field of motifs', inField(piece, { ...size, down }))}
      />
      {motifsLeftOut(piece).length > 0 && (
        <Button size="small" onClick={() => onChange('whole field', inField(piece, size))}>
          Fill the whole field
        </Button>
      )}
      <div className={styles.runLine}>
        <NumberField
          aria-label="Rings of motifs"
          min={1}
          max={13}
          precision={0}
          value={rings}
          onChange={(v) => v && setRings(v)}
        />
        <Button size="small" onClick={() => onChange('rings of motifs', inRings(piece, rings))}>
          rings around one motif
        </Button>
      </div>
      {square && (
        <TableButton
          label="Motifs from a CSV file"
          hint="A line for each row; x for a motif, nothing where there is none."
          read={readGrid}
          onTable={(cells) => onChange('motifs from a table', { ...piece, cells })}
        />
      )}
      <CornerOfMotif
        chains={piece.cornerChains}
        edge={piece.edge}
        onChange={(cornerChains) => onChange('corners of the motifs', { ...piece, cornerChains })}
      />
      <MotifEdgeFields
        edge={piece.edge}
        label="The side of a motif"
        stitchesLabel="Stitches on a motif’s side, between its corners"
        most={500}
        onChange={(label, edge) => onChange(label, { ...piece, edge })}
      />
      {hasHalves(piece) && piece.edge.kind === 'solid' && <HalfStitches piece={piece} onChange={onChange} />}
      <Field label={square ? 'One motif measures' : 'One side of a motif measures'}>
        <LengthInput
          label="One motif"
          cm={piece.motifCm}
          unit={length}
          onChange={(motifCm) => onChange('size of a motif', { ...piece, motifCm })}
        />
      </Field>
    </>
  );
}

/** Stitches along the long side of a half motif: as its length comes to, or as they were counted. */
function HalfStitches({ piece, onChange }: EditorProps<GridPiece>) {
  const stitches = piece.edge.kind === 'solid' ? piece.edge.stitches : 0;
  const usual = Math.max(1, Math.round((stitches + 2) * longestCut(piece) - 2));
  return (
    <Field label="Stitches on a half motif’s long side, between its corners">
      <NumberField
        optional
        aria-label="Stitches on a half motif’s long side"
        min={1}
        max={1000}
        precision={0}
        placeholder={String(usual)}
        value={piece.halfStitches}
        onChange={(halfStitches) =>
          onChange('long side of the half motifs', {
            ...piece,
            halfStitches: halfStitches === usual ? null : halfStitches,
          })
        }
      />
    </Field>
  );
}
