import { corners, isDisc, type Point } from '../../core/piece/outline.ts';
import type { Plan } from '../../core/plan/types.ts';
import { sideLabels } from '../../drawing/sideLabels.ts';

export interface PlaceOfNumbers {
  /** Middle of the outer edge of a side, mm in the drawing. */
  readonly at: Point;
  /** Way to the numbers from there. */
  readonly where: 'above' | 'below' | 'left' | 'right';
}

/** Places of the numbers of each side in the drawing of a piece: beside the middle of the side, outwards. */
export function placesOfNumbers(plan: Plan): (side: number) => PlaceOfNumbers {
  const { outline } = plan.body;
  if (isDisc(outline)) {
    const reach = Math.abs(corners(outline, 0)[0]!.x);
    return () => ({ at: { x: 0, y: -reach }, where: 'above' });
  }
  const labels = sideLabels(plan, 1);
  return (side) => {
    const [p, q] = labels[side]!.outer;
    const at = { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 };
    // A piece is worked anticlockwise: outwards is to the right of the way along a side, and to the left where it is mirrored.
    const mirrored = plan.hem.preferences.hand === 'left' ? -1 : 1;
    const out = { x: (p.y - q.y) * mirrored, y: (q.x - p.x) * mirrored };
    const where =
      Math.abs(out.x) > Math.abs(out.y) * 1.2
        ? out.x > 0
          ? 'right'
          : 'left'
        : out.y > 0
          ? 'below'
          : 'above';
    return { at, where };
  };
}
