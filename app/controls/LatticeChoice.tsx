import type { GridPiece } from '../../core/piece/grid/grid.schema.ts';
import { inField, placedMotifs } from '../../core/piece/grid/grid.ts';
import { inLattice } from '../../core/piece/grid/rearranged.ts';
import { LATTICE_IDS, type LatticeId } from '../../core/piece/grid/latticeIds.ts';
import { LATTICES } from '../../core/piece/grid/registry.ts';
import { IconChoice } from './IconChoice.tsx';

export interface LatticeChoiceProps {
  readonly piece: GridPiece;
  readonly onChange: (label: string, piece: GridPiece) => void;
}

/** The shapes of joined motifs as pictures, and whether half ones make the edges straight. */
export function LatticeChoice({ piece, onChange }: LatticeChoiceProps) {
  return (
    <>
      <IconChoice
        label="Shape of the motifs"
        value={piece.lattice}
        options={LATTICE_IDS.map((lattice) => ({
          value: lattice,
          name: LATTICES[lattice].name,
          icon: <Picture lattice={lattice} />,
        }))}
        onChoose={(lattice) => onChange('shape of the motifs', inLattice(piece, { lattice }))}
      />
      {LATTICES[piece.lattice].cut && (
        <label>
          <input
            type="checkbox"
            checked={piece.halves}
            onChange={(e) => onChange('half motifs', inLattice(piece, { halves: e.target.checked }))}
          />{' '}
          with half motifs, for straight edges
        </label>
      )}
    </>
  );
}

const FIELD = { across: 3, down: 3 };

/** Some motifs of a shape, as they lie. */
function Picture({ lattice }: { readonly lattice: LatticeId }) {
  const piece: GridPiece = inField(
    {
      kind: 'grid',
      lattice,
      halves: false,
      halfStitches: null,
      cells: ['#'],
      edge: { kind: 'solid', stitch: 'dc', stitches: 1, between: false },
      cornerChains: 0,
      motifCm: 1,
    },
    FIELD,
  );
  const motifs = placedMotifs(piece);
  const all = motifs.flatMap(({ points }) => points);
  const reach = (pick: (p: { readonly x: number; readonly y: number }) => number): number =>
    Math.max(...all.map((p) => Math.abs(pick(p)))) + 1;
  const [x, y] = [reach((p) => p.x), reach((p) => p.y)];
  return (
    <svg viewBox={`${-x} ${-y} ${2 * x} ${2 * y}`} aria-hidden="true">
      {motifs.map(({ column, row, points }) => (
        <polygon
          key={`${column} ${row}`}
          points={points.map((p) => `${p.x},${p.y}`).join(' ')}
          strokeWidth={Math.max(x, y) / 14}
        />
      ))}
    </svg>
  );
}
