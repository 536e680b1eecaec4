/** Where rounds begin and are joined, as points of the drawing. */
import { chartOf } from '../core/chart/chart.ts';
import { corners, isDisc, type Point } from '../core/piece/outline.ts';
import { roleOf } from '../core/piece/part.ts';
import type { Plan } from '../core/plan/types.ts';
import { endsByRound } from '../core/procedure/ends.ts';
import { orderOfWork } from '../core/procedure/order.ts';
import { proceduresOf } from '../core/procedure/procedure.ts';
import { sideOfEntries } from '../core/ring/ring.ts';

/** The middle of the first stitch of every round, mm on the piece, from the innermost outwards. */
export function startPoints(plan: Plan): readonly Point[] {
  return starts(plan).map(({ at }) => at);
}

/** The way that the joins of a border take from round to round, and the one that they would take if they went straight out. */
export interface WaysOfJoins {
  /** First stitches of the rounds, mm on the piece. */
  readonly made: readonly Point[];
  /** From the first of them straight out to the last round, along the diagonal of a corner; null where one round is all. */
  readonly straight: readonly [Point, Point] | null;
}

export function waysOfJoins(plan: Plan): WaysOfJoins {
  const all = starts(plan);
  const made = all.map(({ at }) => at);
  const [first, last] = [all[0], all[all.length - 1]];
  if (!first || !last || first === last) return { made, straight: null };
  const [inside, outside] = [first, last].map(({ round }) => middleHeight(plan, round)) as [number, number];
  const { x, y } = straightOut(plan, first, inside, outside);
  return { made, straight: [first.at, { x: first.at.x + x, y: first.at.y + y }] };
}

/** Height of the middle of a round above the piece, mm. */
const middleHeight = ({ rounds }: Plan, round: number): number =>
  (rounds[round]!.heightMm + (rounds[round - 1]?.heightMm ?? 0)) / 2;

/** The way straight out from the first stitch of a round, between two heights above the piece, mm. */
function straightOut(plan: Plan, { round, entry, at }: Start, from: number, to: number): Point {
  const { outline } = plan.body;
  const rise = to - from;
  if (isDisc(outline)) {
    const radius = Math.hypot(at.x, at.y) || 1;
    return { x: (at.x / radius) * rise, y: (at.y / radius) * rise };
  }
  const { ring, layout } = plan.rounds[round]!;
  const size = ring.made.length;
  const corner = layout.corners.findIndex(({ start, length }) => (entry - start + size) % size < length);
  if (corner >= 0 && roleOf(outline.part, corner, outline.turns.length) === 'turned') {
    const [inner, outer] = [corners(outline, from)[corner]!, corners(outline, to)[corner]!];
    return { x: outer.x - inner.x, y: outer.y - inner.y };
  }
  // At an end of rows along the side that ends there.
  const ended =
    corner >= 0
      ? roleOf(outline.part, corner, outline.turns.length) === 'first'
        ? corner
        : corner - 1
      : null;
  const side =
    ended === null ? sideOfEntries(ring)[entry]! : (ended + outline.turns.length) % outline.turns.length;
  const points = corners(outline, 0);
  const [begin, end] = [points[side]!, points[(side + 1) % points.length]!];
  const length = Math.hypot(end.x - begin.x, end.y - begin.y) || 1;
  // Work runs anticlockwise: with y downwards the piece lies to the left of it.
  return { x: (-(end.y - begin.y) / length) * rise, y: ((end.x - begin.x) / length) * rise };
}

interface Start {
  readonly round: number;
  readonly entry: number;
  readonly at: Point;
}

const starts = (plan: Plan): readonly Start[] => {
  const charts = chartOf(plan);
  return proceduresOf(plan).flatMap(({ round, acts }): readonly Start[] => {
    const start = acts.find((act) => act.do === 'start');
    if (!start) return [];
    const { headX, headY, footX, footY } = charts[round.number]!;
    const entry = orderOfWork(round).entry(start.worked.start);
    const at = { x: (headX[entry]! + footX[entry]!) / 2, y: (headY[entry]! + footY[entry]!) / 2 };
    return [{ round: round.number, entry, at }];
  });
};

/** An end of yarn in the drawing of a finished border. */
export interface DrawnEnd {
  /** Number in the order of work, from 0. */
  readonly number: number;
  readonly round: number;
  /** Place where the yarn hangs, and of its mark, mm on the piece. */
  readonly at: Point;
  readonly mark: Point;
}

/** Distance between marks as a share of the longer side of the piece, so that each can be touched on a phone; and the most that all take up. */
const APART = 0.125;
const MOST_OF_IT = 0.85;

/**
 * Ends of yarn with a mark each: those that hang near each other are laid out in lines on the piece, from where they hang
 * towards its middle.
 */
export function drawnEnds(plan: Plan): { readonly pitchMm: number; readonly ends: readonly DrawnEnd[] } {
  const points = new Map(starts(plan).map(({ round, at }) => [round, at]));
  const ends = endsByRound(plan).flatMap(({ round, ends: many }) => {
    const at = points.get(round);
    return at ? Array.from({ length: many }, () => ({ round, at })) : [];
  });
  const { widthMm, heightMm } = plan.bodySize;
  const largest = Math.max(widthMm, heightMm);
  const inALine = Math.max(4, Math.ceil(Math.sqrt(ends.length)));
  const pitchMm = Math.min(APART * largest, (MOST_OF_IT * Math.min(widthMm, heightMm)) / inALine);
  const places: { readonly at: Point; count: number }[] = [];
  return {
    pitchMm,
    ends: ends.map(({ round, at }, number) => {
      let place = places.find((p) => Math.hypot(p.at.x - at.x, p.at.y - at.y) < 2 * pitchMm);
      if (!place) places.push((place = { at, count: 0 }));
      const k = place.count++;
      const inwards = (x: number): number => (x > 0 ? -1 : 1);
      const mark = {
        x: place.at.x + inwards(place.at.x) * ((k % inALine) + 0.8) * pitchMm,
        y: place.at.y + inwards(place.at.y) * (Math.floor(k / inALine) + 0.8) * pitchMm,
      };
      return { number, round, at, mark };
    }),
  };
}
