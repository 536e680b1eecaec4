import { memo, type ReactNode } from 'react';
import type { Plan } from '../../core/plan.ts';
import { corners } from '../../core/piece/outline.ts';
import type { BlocksPiece, ClothPiece, GridPiece, MotifPiece } from '../../core/piece/piece.ts';
import { rowBands } from './scene/parts.ts';

/**
 * What the piece is made of, drawn lightly on it: rows as bands, motifs with their seams, blocks as blocks. Drawn
 * anew only for another piece.
 */
export const BodyTexture = memo(
  Texture,
  (a, b) => a.plan.body === b.plan.body && a.plan.hem.preferences.hand === b.plan.hem.preferences.hand,
);

function Texture({ plan }: { readonly plan: Plan }) {
  const { piece } = plan.hem;
  return (
    <g
      className="texture"
      aria-hidden="true"
      transform={plan.hem.preferences.hand === 'left' ? 'scale(-1 1)' : undefined}
    >
      {piece.kind === 'rows' && <Rows plan={plan} />}
      {piece.kind === 'grid' && <Motifs piece={piece} />}
      {piece.kind === 'blocks' && <Blocks piece={piece} />}
      {piece.kind === 'motif' && <Rounds plan={plan} piece={piece} />}
      {piece.kind === 'cloth' && <Holes piece={piece} />}
    </g>
  );
}

function Rows({ plan }: { readonly plan: Plan }) {
  const { widthMm } = plan.bodySize;
  return rowBands(plan).map(({ from, top, bottom }, i) =>
    i % 2 === 0 ? null : (
      <rect key={from} className="band" x={-widthMm / 2} y={top} width={widthMm} height={bottom - top} />
    ),
  );
}

function Motifs({ piece }: { readonly piece: GridPiece }) {
  const size = piece.motifCm * 10;
  const filled = piece.cells.flatMap((row, y) =>
    [...row].flatMap((cell, x) => (cell === '#' ? [{ x, y }] : [])),
  );
  const xs = filled.map((c) => c.x);
  const ys = filled.map((c) => c.y);
  const left = (-(Math.max(...xs) + 1 + Math.min(...xs)) / 2) * size;
  const top = (-(Math.max(...ys) + 1 + Math.min(...ys)) / 2) * size;
  return filled.map(({ x, y }) => (
    <g key={`${x} ${y}`} transform={`translate(${left + x * size} ${top + y * size})`}>
      <rect className="seam" width={size} height={size} strokeWidth={size * 0.03} />
      {[0.24, 0.38].map((inset) => (
        <rect
          key={inset}
          className="band"
          x={size * inset}
          y={size * inset}
          width={size * (1 - 2 * inset)}
          height={size * (1 - 2 * inset)}
        />
      ))}
    </g>
  ));
}

function Blocks({ piece }: { readonly piece: BlocksPiece }) {
  const width = (piece.widthCm * 10) / piece.blocksWide;
  const height = (piece.heightCm * 10) / piece.blocksHigh;
  const blocks: ReactNode[] = [];
  for (let y = 0; y < piece.blocksHigh; y++) {
    for (let x = (y % 2) as number; x < piece.blocksWide; x += 2) {
      blocks.push(
        <rect
          key={`${x} ${y}`}
          className="band"
          x={-piece.widthCm * 5 + x * width}
          y={-piece.heightCm * 5 + y * height}
          width={width}
          height={height}
        />,
      );
    }
  }
  return blocks;
}

function Rounds({ plan, piece }: { readonly plan: Plan; readonly piece: MotifPiece }) {
  const { widthMm, heightMm } = plan.bodySize;
  const reach = Math.min(widthMm, heightMm) / 2;
  return [0.18, 0.36, 0.54, 0.72, 0.9].map((part) =>
    piece.corners === 0 ? (
      <circle key={part} className="seam" r={reach * (1 - part)} strokeWidth={reach * 0.012} />
    ) : (
      <polygon
        key={part}
        className="seam"
        strokeWidth={reach * 0.012}
        points={corners(plan.body.outline, 0)
          .map((p) => `${p.x * (1 - part)},${p.y * (1 - part)}`)
          .join(' ')}
      />
    ),
  );
}

function Holes({ piece }: { readonly piece: ClothPiece }) {
  const width = piece.widthCm * 10 - 12;
  const height = piece.heightCm * 10 - 12;
  return (
    <rect
      className="seam"
      x={-width / 2}
      y={-height / 2}
      width={width}
      height={height}
      strokeWidth={4}
      strokeDasharray={`4 ${Math.max(2, piece.pitchMm - 4)}`}
    />
  );
}
