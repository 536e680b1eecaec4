import { useState } from 'react';
import { readGrid } from '../../../core/document/csv.ts';
import type { GridPiece } from '../../../core/piece/grid/grid.schema.ts';
import { fieldOf, hasHalves, inField, longestCut } from '../../../core/piece/grid/grid.ts';
import { inRings, motifsLeftOut } from '../../../core/piece/grid/rearranged.ts';
import { Field } from '../../controls/Field.tsx';
import { Button } from '../../look/Button.tsx';
import { NumberField } from '../../look/NumberField.tsx';
import type { EditorProps, SideProps } from '../editorProps.ts';
import { CornerOfMotif } from './CornerOfMotif.tsx';
import { MotifEdgeFields } from './MotifEdgeFields.tsx';
import { TableButton } from './TableButton.tsx';
import styles from '../piece.module.css';

/** The side of a motif. */
export function SideOfGrid({ piece, onChange }: SideProps<GridPiece>) {
  return (
    <>
      <MotifEdgeFields
        edge={piece.edge}
        label="The side of a motif"
        stitchesLabel="Stitches on a motif’s side, between its corners"
        most={500}
        onChange={(label, edge) => onChange(label, { ...piece, edge })}
      />
      {hasHalves(piece) && piece.edge.kind === 'solid' && <HalfStitches piece={piece} onChange={onChange} />}
    </>
  );
}

/** Corners of the motifs. */
export function CornersOfGrid({ piece, onChange }: EditorProps<GridPiece>) {
  return (
    <CornerOfMotif
      chains={piece.cornerChains}
      edge={piece.edge}
      onChange={(cornerChains) => onChange('corners of the motifs', { ...piece, cornerChains })}
    />
  );
}

/** Motifs laid in rings, a whole field again, motifs from a table. Single ones are left out and painted in the drawing. */
export function FieldOfGrid({ piece, onChange }: EditorProps<GridPiece>) {
  const [rings, setRings] = useState(2);
  return (
    <>
      {motifsLeftOut(piece).length > 0 && (
        <Button size="small" onClick={() => onChange('whole field', inField(piece, fieldOf(piece)))}>
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
      {piece.lattice === 'squares' && (
        <TableButton
          label="Motifs from a CSV file"
          hint="A line for each row; x for a motif, nothing where there is none."
          read={readGrid}
          onTable={(cells) => onChange('motifs from a table', { ...piece, cells })}
        />
      )}
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
