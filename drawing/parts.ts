import type { Plan } from '../core/plan/types.ts';
import { bandsOf } from '../core/piece/piece.ts';
import { stitchName } from '../core/terms/stitches.ts';
import { plural } from '../core/say/measures.ts';
import { sideLabel } from '../core/print/placeWords.ts';
import { isRowEnd } from '../core/print/steps/rowWords.ts';

/** Something of the piece that can be picked in its drawing. A corner is that before its side. */
export type PlanPart =
  | { readonly kind: 'side' | 'corner'; readonly side: number }
  | { readonly kind: 'join'; readonly side: number; readonly join: number }
  /** A run of rows of one kind, by its number from the foundation. */
  | { readonly kind: 'rows'; readonly run: number };

export type PlanPartKind = PlanPart['kind'];

export const samePart = (a: PlanPart | null, b: PlanPart): boolean =>
  a !== null && JSON.stringify(a) === JSON.stringify(b);

/** Name of a part. */
export function partName(plan: Plan, part: PlanPart): string {
  const name = (side: number): string => plan.sides[(side + plan.sides.length) % plan.sides.length]!.name;
  switch (part.kind) {
    case 'side':
      return sideLabel(plan, part.side % plan.sides.length);
    case 'corner':
      return `${isRowEnd(plan, part.side) ? 'End' : 'Corner'} ${name(part.side - 1)}/${name(part.side)}`;
    case 'join':
      return `Seam ${part.join + 1} on side ${name(part.side)}`;
    case 'rows': {
      const { from, to, stitch } = bandsOf(plan.hem.piece)[part.run]!;
      const rows = to - from === 1 ? `Row ${to}` : `Rows ${from + 1}–${to}`;
      return `${rows}, ${plural(to - from, 'row')} of ${stitchName(stitch, plan.hem.preferences.language)}`;
    }
  }
}

/** Name of a part where it is heard: “Corner between D and A”. */
export const spokenPart = (plan: Plan, part: PlanPart): string =>
  partName(plan, part)
    .replace(/^(Corner|End) (\S+)\/(\S+)$/, '$1 between $2 and $3')
    .replace(/^Seam /, 'Motif seam ');
