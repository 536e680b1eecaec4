import { useRef, type KeyboardEvent } from 'react';
import type { GridPiece } from '../../core/piece/grid/grid.schema.ts';
import { partOfMotif, placedMotifs, type PlacedMotif } from '../../core/piece/grid/grid.ts';
import { motifsLeftOut } from '../../core/piece/grid/rearranged.ts';
import type { Plan } from '../../core/plan/types.ts';
import styles from './motifsOnPiece.module.css';

export interface MotifsOnPieceProps {
  readonly plan: Plan;
  readonly piece: GridPiece;
  /** Effect of a press on a motif, in words that come before it: “Color”. */
  readonly does: string;
  /** Motifs that were left out are shown, to be put back. */
  readonly withGaps: boolean;
  /** Colours are shown at once, before the drawing has been painted anew. */
  readonly withColours: boolean;
  readonly onMotif: (motif: PlacedMotif, here: boolean) => void;
}

const WAYS: Readonly<Record<string, readonly [x: number, y: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The motifs on the drawing of the piece, to be pressed or drawn across one by one; arrow keys go from one to the next. */
export function MotifsOnPiece({ plan, piece, does, withGaps, withColours, onMotif }: MotifsOnPieceProps) {
  const group = useRef<SVGGElement>(null);
  const mirrored = plan.hem.preferences.hand === 'left' ? -1 : 1;
  const largest = Math.max(plan.finishedSize.widthMm, plan.finishedSize.heightMm);
  const motifs = [
    ...placedMotifs(piece).map((motif) => ({ motif, here: true })),
    ...(withGaps ? motifsLeftOut(piece).map((motif) => ({ motif, here: false })) : []),
  ];
  const { partColours, pieceColour } = plan.hem;
  const colourOf = ({ column, row }: PlacedMotif): string =>
    partColours[String(partOfMotif(column, row))] ?? pieceColour;
  const go = (from: PlacedMotif, e: KeyboardEvent): void => {
    const way = WAYS[e.key];
    if (!way) return;
    e.preventDefault();
    e.stopPropagation();
    const [dx, dy] = way;
    const far = ({ middle }: PlacedMotif): number => {
      const x = (middle.x - from.middle.x) * mirrored;
      const y = middle.y - from.middle.y;
      const along = x * dx + y * dy;
      // Nearer along the way than beside it.
      return along > 1 ? along + 2 * Math.abs(x * dy + y * dx) : Infinity;
    };
    const next = motifs.reduce((best, at, i) => (far(at.motif) < far(motifs[best]!.motif) ? i : best), 0);
    if (far(motifs[next]!.motif) < Infinity)
      group.current?.querySelectorAll<SVGElement>('[role=button]')[next]?.focus();
  };
  return (
    <g ref={group} role="group" aria-label="Motifs of the piece">
      {motifs.map(({ motif, here }, i) => (
        <polygon
          key={partOfMotif(motif.column, motif.row)}
          className={here ? styles.motif : `${styles.motif} ${styles.gap}`}
          role="button"
          tabIndex={i === 0 ? 0 : -1}
          aria-label={`${does} motif ${motif.column + 1} of row ${motif.row + 1}${here ? '' : ', left out'}`}
          points={motif.points.map(({ x, y }) => `${x * mirrored},${y}`).join(' ')}
          strokeWidth={largest * 0.004}
          {...(here && withColours && { style: { fill: colourOf(motif), fillOpacity: 0.75 } })}
          onPointerDown={(e) => {
            if (e.button !== 0) return;
            // A finger holds what it touched first, and would draw across nothing else.
            if (e.currentTarget.hasPointerCapture(e.pointerId))
              e.currentTarget.releasePointerCapture(e.pointerId);
            onMotif(motif, here);
          }}
          onPointerEnter={(e) => e.buttons === 1 && onMotif(motif, here)}
          onClick={(e) => e.detail === 0 && onMotif(motif, here)}
          onKeyDown={(e) => {
            if (e.key === 'Enter' || e.key === ' ') {
              e.preventDefault();
              onMotif(motif, here);
            } else go(motif, e);
          }}
        />
      ))}
    </g>
  );
}
