import { memo } from 'react';
import type { FabricShape } from '../../core/piece/construction.ts';
import type { Point } from '../../core/piece/outline.ts';
import { areasOf, fabricOf } from '../../core/piece/piece.ts';
import type { Plan } from '../../core/plan/types.ts';
import styles from './plan.module.css';

/**
 * Fabric of the piece, drawn lightly on it: its parts in their colours, rows as bands, motifs with their seams, blocks as
 * blocks. Drawn anew only for another piece or other colours.
 */
export const BodyTexture = memo(
  Texture,
  (a, b) =>
    a.plan.body === b.plan.body &&
    a.plan.hem.partColours === b.plan.hem.partColours &&
    a.plan.hem.preferences.hand === b.plan.hem.preferences.hand,
);

function Texture({ plan }: { readonly plan: Plan }) {
  const { piece, partColours, pieceColour, preferences } = plan.hem;
  // The rounds of a motif lie one on the other.
  const inRounds = piece.kind === 'motif' && Object.keys(partColours).length > 0;
  return (
    <g
      className={styles.texture}
      aria-hidden="true"
      transform={preferences.hand === 'left' ? 'scale(-1 1)' : undefined}
    >
      {areasOf(piece).map(({ part, points }) => {
        const colour = partColours[String(part)] ?? (inRounds ? pieceColour : undefined);
        return colour === undefined ? null : <polygon key={part} points={said(points)} fill={colour} />;
      })}
      {fabricOf(piece).map((shape, i) => (
        <Shape key={i} shape={shape} />
      ))}
    </g>
  );
}

const said = (points: readonly Point[]): string => points.map(({ x, y }) => `${x},${y}`).join(' ');

function Shape({ shape }: { readonly shape: FabricShape }) {
  if (shape.draw === 'surface') {
    return <polygon className={styles.band} points={said(shape.along.points)} />;
  }
  const { along, dashes, thickMm } = shape;
  if ('radiusMm' in along) return <circle className={styles.seam} r={along.radiusMm} strokeWidth={thickMm} />;
  if (along.open)
    return <polyline className={styles.seam} fill="none" strokeWidth={thickMm} points={said(along.points)} />;
  return (
    <polygon
      className={styles.seam}
      strokeWidth={thickMm}
      strokeDasharray={dashes && `${dashes.lengthMm} ${dashes.pitchMm - dashes.lengthMm}`}
      points={said(along.points)}
    />
  );
}
