import type { GridPiece } from '../../core/piece/grid/grid.schema.ts';
import { inField, placedMotifs } from '../../core/piece/grid/grid.ts';
import type { LatticeId } from '../../core/piece/grid/latticeIds.ts';

const FIELD = { across: 3, down: 3 };

/** Some motifs of a shape, as they lie. */
export function LatticePicture({ lattice }: { readonly lattice: LatticeId }) {
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
