/** The outline of joined motifs, traced. */
import { held } from '../../held.ts';
import { remembered } from '../../remembered.ts';
import type { GridPiece } from './grid.schema.ts';
import { laidMotifs, pointKey, type MotifSide } from './laidMotifs.ts';

/** A straight side of the outline. */
interface TracedSide {
  /** Sides of motifs along it, in working order. */
  readonly sides: readonly MotifSide[];
  /** How far the outline turns at the corner before it, radians. */
  readonly turn: number;
}

export interface Traced {
  readonly runs: readonly TracedSide[];
  /** Direction in which the first side runs, radians, anticlockwise from the right. */
  readonly heading: number;
  /** All motifs hang together by their sides, with no hole among them. */
  readonly whole: boolean;
}

const headingOf = ({ from, to }: MotifSide): number => Math.atan2(from.y - to.y, to.x - from.x);
/** From −π, which is left out, to π. */
const turned = (angle: number): number => Math.PI - ((((Math.PI - angle) % TURN) + TURN) % TURN);
const TURN = 2 * Math.PI;

/**
 * Walks anticlockwise round the motifs, from the rightmost of the uppermost corners, one side of a motif at a time. State: the
 * side just walked. Invariant: its motif lies to the left of it and none to its right. It ends where it began; cost is linear in
 * the number of motifs. Where motifs touch by nothing but a corner it goes on along the one to the right.
 */
export const traced = remembered((piece: GridPiece): Traced => {
  const motifs = laidMotifs(piece);
  const free = motifs.flatMap(({ sides }) => sides.filter((side) => !side.joined));
  const from = new Map<number, MotifSide[]>();
  for (const side of free) {
    const key = pointKey(side.from);
    const there = from.get(key);
    if (there) there.push(side);
    else from.set(key, [side]);
  }
  const higher = (a: MotifSide, b: MotifSide): MotifSide =>
    b.from.y < a.from.y - 1e-6 || (Math.abs(b.from.y - a.from.y) < 1e-6 && b.from.x > a.from.x) ? b : a;
  const [some] = free;
  if (!some) return { runs: [], heading: Math.PI, whole: false };
  const first = free.reduce(higher, some);
  const walked = [first];
  for (let last = first; walked.length <= free.length;) {
    const next = onwards(last, from.get(pointKey(last.to)) ?? []);
    if (next === first) break;
    walked.push(next);
    last = next;
  }
  const runs: { sides: MotifSide[]; turn: number }[] = [];
  walked.forEach((side, i) => {
    const turn = turnAt(walked.at(i - 1) ?? first, side);
    const straight = i > 0 && Math.abs(turn) < 1e-6 ? runs.at(-1) : undefined;
    if (straight) straight.sides.push(side);
    else runs.push({ sides: [side], turn });
  });
  return {
    runs,
    heading: headingOf(first),
    whole: walked.length === free.length && from.size === free.length && hangTogether(piece),
  };
});

const turnAt = (before: MotifSide, side: MotifSide): number => turned(headingOf(side) - headingOf(before));

function onwards(last: MotifSide, ways: readonly MotifSide[]): MotifSide {
  return ways.reduce((a, b) => (turnAt(last, b) < turnAt(last, a) ? b : a));
}

/** Whether every motif can be reached from the first across sides that are joined. */
function hangTogether(piece: GridPiece): boolean {
  const motifs = laidMotifs(piece);
  const at = new Map(motifs.flatMap((motif) => motif.sides.map(({ key }) => [key, motif] as const)));
  const seen = new Set(motifs.slice(0, 1));
  for (const motif of seen)
    for (const { back, joined } of motif.sides)
      if (joined) seen.add(held(at.get(back), 'a side that is joined has one across'));
  return seen.size === motifs.length;
}
