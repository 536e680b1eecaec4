/** Parts of a border that can be looked at closely, and where they lie. */
import { landmarksOf, type Landmark } from '../core/chart/landmarks.ts';
import type { Point } from '../core/piece/outline.ts';
import type { Plan } from '../core/plan/types.ts';
import type { Box } from './find.ts';
import { partName, type PlanPart } from './parts.ts';
import { startPoints } from './starts.ts';

/** A part of a border that can be looked at closely, or all of it. */
export type ViewPart = Exclude<PlanPart, { kind: 'rows' }> | { readonly kind: 'starts' | 'whole' };

export const partKey = (part: ViewPart | Landmark): string =>
  [part.kind, 'side' in part ? part.side : '', part.kind === 'join' ? part.join : ''].join(' ').trim();

export interface NamedPart {
  readonly part: ViewPart;
  readonly label: string;
}

/** The parts of a border that can be looked at, by their keys. */
export function partsOfDrawing(plan: Plan): ReadonlyMap<string, NamedPart> {
  const order = { corner: 0, side: 1, join: 2 };
  const marks = [...landmarksOf(plan, 0)].sort((a, b) => order[a.kind] - order[b.kind]);
  return new Map<string, NamedPart>([
    ...marks.map(({ kind, side, join }) => {
      const part = kind === 'join' ? { kind, side, join } : { kind, side };
      return [partKey(part), { part, label: partName(plan, part) }] as const;
    }),
    ['starts', { part: { kind: 'starts' }, label: 'Where rounds begin' }],
    ['whole', { part: { kind: 'whole' }, label: 'The whole piece' }],
  ]);
}

/** The point of the piece that a part lies at, mm; its middle for the whole piece. @param round whose ring is looked at */
export function partPoint(plan: Plan, part: ViewPart, round: number): Point {
  if (part.kind === 'starts') {
    const starts = startPoints(plan);
    return starts[Math.min(round, starts.length - 1)] ?? { x: 0, y: 0 };
  }
  return landmarksOf(plan, round).find((l) => partKey(l) === partKey(part)) ?? { x: 0, y: 0 };
}

/**
 * The middle of a close-up of a part, mm. Beyond a corner there is nothing to see: it is moved towards the piece, so that the
 * work fills what is looked at.
 */
export function closeUpPoint(plan: Plan, part: ViewPart, round: number): Point {
  const at = partPoint(plan, part, round);
  if (part.kind !== 'corner') return at;
  const inwards = (v: number, part: number): number =>
    v - Math.sign(v) * Math.min(Math.abs(v), part * CLOSE_UP.across * plan.stitchWidthMm);
  return { x: inwards(at.x, 0.19), y: inwards(at.y, 0.05) };
}

/** Stitch widths across a close-up, and down where its shape is free. */
export const CLOSE_UP = { across: 17, down: 12 } as const;

/** The box of a close-up round a part, or of the whole piece with its border and a rim, mm. */
export function partBox(plan: Plan, part: ViewPart): Box {
  const { widthMm, heightMm } = plan.finishedSize;
  const { x, y } = closeUpPoint(plan, part, Math.floor((plan.rounds.length - 1) / 2));
  const whole = part.kind === 'whole';
  const halfX = whole ? widthMm * 0.53 : (CLOSE_UP.across * plan.stitchWidthMm) / 2;
  const halfY = whole ? heightMm * 0.53 : (CLOSE_UP.down * plan.stitchWidthMm) / 2;
  const box = { minX: x - halfX, maxX: x + halfX, minY: y - halfY, maxY: y + halfY };
  if (whole) return box;
  // However many rounds there are: all of them, from the edge of the piece to the outermost.
  const room = 2 * plan.stitchWidthMm;
  return acrossRounds(plan, part).reduce(
    (b, p) => ({
      minX: Math.min(b.minX, p.x - room),
      maxX: Math.max(b.maxX, p.x + room),
      minY: Math.min(b.minY, p.y - room),
      maxY: Math.max(b.maxY, p.y + room),
    }),
    box,
  );
}

/** Where a part lies in the base round and in the outermost. */
function acrossRounds(plan: Plan, part: ViewPart): readonly Point[] {
  const [inner, outer] = [0, plan.rounds.length - 1].map((round) => partPoint(plan, part, round)) as [
    Point,
    Point,
  ];
  if (part.kind !== 'join') return [inner, outer];
  // A seam has its place on the piece alone: the rounds lie over it as they do in the middle of its side.
  const side: ViewPart = { kind: 'side', side: part.side };
  const [from, to] = [partPoint(plan, side, 0), partPoint(plan, side, plan.rounds.length - 1)];
  return [inner, { x: inner.x + to.x - from.x, y: inner.y + to.y - from.y }];
}
