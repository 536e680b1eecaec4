/** A piece of another construction, about as big as the one at hand. */
import { placement } from '../base/baseRound.ts';
import type { Hem } from '../document/hem.ts';
import { extent } from '../piece/outline.ts';
import { bodyOf, type Piece } from '../piece/piece.ts';

/** Most that a field of the file takes, see its schema. */
const MOST = { stitches: 5000, rows: 5000, motifStitches: 500, motifs: 60, blocks: 2000 } as const;

/** A starting point for a construction that keeps the size of the hem's piece. */
export function constructionOf(kind: Piece['kind'], hem: Hem): Piece {
  const body = bodyOf(hem.piece);
  const size = extent(body.outline, 0);
  const between = (least: number, x: number, most: number): number =>
    Math.min(most, Math.max(least, Math.round(x)));
  const widthCm = between(1, size.widthMm / 10, 2000);
  const heightCm = between(1, size.heightMm / 10, 2000);
  const stitchWidthMm = 100 / hem.gauge.stitchesPer10Cm;
  const stitchCm = stitchWidthMm / 10;
  switch (kind) {
    case 'rows':
      return {
        kind,
        foundation: 'both loops of the chain',
        stitches: between(6, widthCm / stitchCm, MOST.stitches),
        rows: [{ stitch: 'dc', count: between(1, heightCm / (1.9 * stitchCm), MOST.rows) }],
        widthCm,
        heightCm,
      };
    case 'motif':
      return {
        kind,
        corners: 4,
        cornerChains: 2,
        edge: { kind: 'solid', stitch: 'dc', stitches: between(6, widthCm / stitchCm, MOST.stitches) },
        sideCm: widthCm,
      };
    case 'blocks': {
      // A block of half doubles takes two stitches of the border once its loop is filled.
      const blocks = (cm: number): number => between(2, cm / (2 * stitchCm), MOST.blocks);
      return {
        kind,
        stitch: 'hdc',
        blocksWide: blocks(widthCm),
        blocksHigh: blocks(heightCm),
        widthCm,
        heightCm,
      };
    }
    case 'grid': {
      const motifCm = 15;
      const across = between(1, widthCm / motifCm, MOST.motifs);
      const down = between(1, heightCm / motifCm, MOST.motifs);
      return {
        kind,
        cells: Array.from({ length: down }, () => '#'.repeat(across)),
        motifStitches: between(1, motifCm / stitchCm - 2, MOST.motifStitches),
        motifCm,
      };
    }
    case 'cloth':
      return {
        kind,
        widthCm,
        heightCm,
        pitchMm: Math.min(100, Math.max(1, Math.round(stitchWidthMm * 10) / 10)),
      };
    case 'counted':
      return {
        kind,
        sides: body.outline.sides.slice(0, 40).map((side, i) => ({
          lengthCm: Math.max(0.5, Math.round(side.lengthMm) / 10),
          stitches: between(1, stitchesAlong(hem, i), 20_000),
          turnDegrees: Math.round(((body.outline.turns[i] ?? 0) * 180) / Math.PI),
        })),
      };
  }
}

/** Stitches that the base round works along a side. */
function stitchesAlong({ piece, base, gauge }: Hem, side: number): number {
  const counts = placement(base.sides[side]!, bodyOf(piece).edges[side]!, base, 100 / gauge.stitchesPer10Cm);
  return counts.reduce((sum, c) => sum + c, 0);
}
