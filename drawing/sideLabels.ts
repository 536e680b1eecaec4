/** Where the letter, count and length of each side stand in a plan. */
import { corners, endsOfSide, isDisc, lengthAt, type Point } from '../core/piece/outline.ts';
import { isWorkedSide } from '../core/piece/part.ts';
import type { Plan } from '../core/plan/types.ts';
import { lengthWords } from '../core/say/measures.ts';

export interface SideLabel {
  readonly name: string;
  /** Base count, and the length where there is room for it. */
  readonly words: string;
  /** Middle of the lettering, and its height, mm. */
  readonly at: Point;
  readonly type: number;
  /** Degrees: it runs along its side and is never upside down. */
  readonly tilt: number;
  /** The side's edge on the piece and on the outside of its border, mm. */
  readonly inner: readonly [Point, Point];
  readonly outer: readonly [Point, Point];
}

/** A side shorter than this many heights of the lettering has no room for its count. */
const ROOM_FOR_COUNT = 4;

/** Corner points at a height above the piece, mm, mirrored for the left hand. */
export function planCorners(plan: Plan, heightMm: number): readonly Point[] {
  const mirrored = plan.hem.preferences.hand === 'left' ? -1 : 1;
  return corners(plan.body.outline, heightMm).map((p) => ({ x: p.x * mirrored, y: p.y }));
}

/**
 * The labels of all sides; none on a disc. Sides that are too short for words have a small letter within the piece, where there is
 * more room than in a dip.
 *
 * @param type height of the lettering, mm
 */
export function sideLabels(plan: Plan, type: number): readonly SideLabel[] {
  const { outline } = plan.body;
  if (isDisc(outline)) return [];
  const { hand, length } = plan.hem.preferences;
  const off = 1.1 * type * (hand === 'left' ? -1 : 1);
  const highMm = plan.rounds[plan.rounds.length - 1]!.heightMm;
  const mirrored = (p: Point): Point => (hand === 'left' ? { x: -p.x, y: p.y } : p);
  const endsAt = (heightMm: number, side: number): readonly [Point, Point] => {
    const [from, to] = endsOfSide(outline, heightMm, side);
    return [mirrored(from), mirrored(to)];
  };
  return outline.sides.map((side, i) => {
    const [c, d] = endsAt(highMm, i);
    const size = Math.hypot(d.x - c.x, d.y - c.y) || 1;
    const tilt = (Math.atan2(d.y - c.y, d.x - c.x) * 180) / Math.PI;
    const room = size > type * 9;
    const isWorked = isWorkedSide(outline.part, i, outline.sides.length);
    const short = size < type * ROOM_FOR_COUNT;
    if (short) {
      const [a, b] = endsAt(0, i);
      const long = Math.hypot(b.x - a.x, b.y - a.y) || 1;
      const small = Math.min(type, long * 0.4);
      const inwards = -0.75 * small * (hand === 'left' ? -1 : 1);
      return {
        name: side.name,
        words: '',
        at: {
          x: (a.x + b.x) / 2 - ((b.y - a.y) / long) * inwards,
          y: (a.y + b.y) / 2 + ((b.x - a.x) / long) * inwards,
        },
        type: small,
        tilt: 0,
        inner: [a, b],
        outer: [c, d],
      };
    }
    const words = [
      ...(isWorked ? [`${plan.sides[i]!.count + plan.sides[i]!.corners}`] : []),
      ...(room ? [lengthWords(isWorked ? lengthAt(outline, i, 0) : side.lengthMm, length)] : []),
    ];
    return {
      name: side.name,
      words: words.join(' · '),
      type,
      at: {
        x: (c.x + d.x) / 2 - ((d.y - c.y) / size) * off,
        y: (c.y + d.y) / 2 + ((d.x - c.x) / size) * off,
      },
      tilt: tilt > 90.5 ? tilt - 180 : tilt < -90.5 ? tilt + 180 : tilt,
      inner: endsAt(0, i),
      outer: [c, d],
    };
  });
}
