/** The constructions that can be chosen, each with a starting point that keeps the size of the piece at hand. */
import type { Plan } from '../../core/plan.ts';
import type { Piece } from '../../core/piece/piece.ts';

interface Construction {
  readonly kind: Piece['kind'];
  readonly name: string;
  /** Path in a box of 32 by 32. */
  readonly icon: string;
}

export const CONSTRUCTIONS: readonly Construction[] = [
  { kind: 'rows', name: 'Rows', icon: 'M6 5h20v22H6zM6 10h20M6 15h20M6 20h20M6 24h20' },
  { kind: 'motif', name: 'One big motif', icon: 'M5 5h22v22H5zM10 10h12v12H10zM14.5 14.5h3v3h-3z' },
  {
    kind: 'blocks',
    name: 'Corner to corner',
    icon: 'M5 5h22v22H5zM5 12h7V5M5 20h15V5M12 27v-7h15M20 27v-15h7',
  },
  {
    kind: 'grid',
    name: 'Joined motifs',
    icon: 'M5 5h22v22H5zM16 5v22M5 16h22M9 9h3v3H9zM20 9h3v3h-3zM9 20h3v3H9zM20 20h3v3h-3z',
  },
  {
    kind: 'cloth',
    name: 'Cloth or fleece',
    icon: 'M5 5h22v22H5zM9 9h1M13 9h1M18 9h1M22 9h1M9 13v1M9 18v1M22 13v1M22 18v1M9 22.5h1M13 22.5h1M18 22.5h1M22 22.5h1',
  },
  { kind: 'counted', name: 'Counted by hand', icon: 'M16 4l10.5 6v12L16 28 5.500 22V10zM9 16h14' },
];

/** A piece of another construction, about as big as the one of the plan. */
export function constructionOf(kind: Piece['kind'], plan: Plan): Piece {
  const widthCm = Math.round(plan.bodySize.widthMm / 10);
  const heightCm = Math.round(plan.bodySize.heightMm / 10);
  const width = plan.stitchWidthMm / 10;
  const stitches = (cm: number): number => Math.max(6, Math.round(cm / width));
  switch (kind) {
    case 'rows': {
      const rows = [{ stitch: 'dc' as const, count: Math.max(1, Math.round(heightCm / (1.9 * width))) }];
      return {
        kind,
        foundation: 'both loops of the chain',
        stitches: stitches(widthCm),
        rows,
        widthCm,
        heightCm,
      };
    }
    case 'motif':
      return {
        kind,
        corners: 4,
        cornerChains: 2,
        edge: { kind: 'solid', stitch: 'dc', stitches: stitches(widthCm) },
        sideCm: widthCm,
      };
    case 'blocks': {
      const blocks = (cm: number): number => Math.max(2, Math.round(cm / (3.6 * width)));
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
      const across = Math.min(60, Math.max(1, Math.round(widthCm / motifCm)));
      const down = Math.min(60, Math.max(1, Math.round(heightCm / motifCm)));
      return {
        kind,
        cells: Array.from({ length: down }, () => '#'.repeat(across)),
        motifStitches: stitches(motifCm) - 2,
        motifCm,
      };
    }
    case 'cloth':
      return { kind, widthCm, heightCm, pitchMm: Math.round(plan.stitchWidthMm) };
    case 'counted':
      return {
        kind,
        sides: plan.body.outline.sides.map((s, i) => ({
          lengthCm: Math.round(s.lengthMm) / 10,
          stitches: plan.sides[i]!.count,
          turnDegrees: Math.round(((plan.body.outline.turns[i] ?? 0) * 180) / Math.PI),
        })),
      };
  }
}
