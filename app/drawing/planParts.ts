import type { Plan } from '../../core/plan.ts';
import type { RowsPiece } from '../../core/piece/piece.ts';
import { stitchName } from '../../core/terms/stitches.ts';
import { plural } from '../../core/words/measures.ts';

/** Something of the piece that can be picked in its drawing. A corner is that before its side. */
export type PlanPart =
  | { readonly kind: 'side' | 'corner'; readonly side: number }
  | { readonly kind: 'join'; readonly side: number; readonly join: number }
  /** A run of rows of one kind, by its number from the foundation. */
  | { readonly kind: 'rows'; readonly run: number };

export type PlanPartKind = PlanPart['kind'];

export const samePart = (a: PlanPart | null, b: PlanPart): boolean =>
  a !== null && JSON.stringify(a) === JSON.stringify(b);

/** What a part is called. */
export function partName(plan: Plan, part: PlanPart): string {
  const name = (side: number): string => plan.sides[(side + plan.sides.length) % plan.sides.length]!.name;
  switch (part.kind) {
    case 'side':
      return `Side ${name(part.side)}`;
    case 'corner':
      return `Corner ${name(part.side - 1)}/${name(part.side)}`;
    case 'join':
      return `Join ${part.join + 1} on side ${name(part.side)}`;
    case 'rows': {
      const { from, to, stitch } = rowBands(plan)[part.run]!;
      const rows = to - from === 1 ? `Row ${to}` : `Rows ${from + 1}–${to}`;
      return `${rows}, ${plural(to - from, 'row')} of ${stitchName(stitch, plan.hem.preferences.language)}`;
    }
  }
}

export interface RowBand {
  readonly stitch: RowsPiece['rows'][number]['stitch'];
  /** Rows below the band, and up to its top, from the foundation. */
  readonly from: number;
  readonly to: number;
  /** Top and bottom, mm on the piece, y downwards. */
  readonly top: number;
  readonly bottom: number;
}

/** The runs of rows as bands of the piece, from the foundation; empty for a piece of another kind. */
export function rowBands(plan: Plan): readonly RowBand[] {
  const { piece } = plan.hem;
  if (piece.kind !== 'rows') return [];
  const { spots } = plan.body.edges[3]!;
  let from = 0;
  let bottom = plan.bodySize.heightMm / 2;
  return piece.rows.map(({ stitch, count }) => {
    const to = from + count;
    const top = bottom - spots.slice(from, to).reduce((sum, s) => sum + s.lengthMm, 0);
    const band = { stitch, from, to, top, bottom };
    from = to;
    bottom = top;
    return band;
  });
}
