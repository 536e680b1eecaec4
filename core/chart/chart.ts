/**
 * Where every stitch is drawn: foot and head of each, on the piece laid flat. Positions only; what a stitch
 * looks like is the drawing's business.
 *
 * Tops lie on the outline grown to the round's height, spread between the corners by the widths of the
 * stitches, and settled back over their feet. A free outer edge is drawn from its feet instead: stitches worked into one place fan out round
 * it, which is what makes a lobe.
 */
import { corners, isDisc, type Outline, type Point } from '../piece/outline.ts';
import type { Body } from '../piece/edge.ts';
import type { Plan, RoundPlan } from '../plan/types.ts';
import { NOTHING, entryOf, isGap, sideCount, sideSpan, type Ring, type Span } from '../ring/ring.ts';
import { isChainRun, isOrnament, stitchHeight, topWidth } from '../ring/stitch.ts';
import { settled } from './settle.ts';

/** Positions of one worked round, mm, y downwards, origin at the middle of the piece. Arrays as long as the ring. */
export interface RoundChart {
  readonly ring: Ring;
  readonly headX: Float32Array;
  readonly headY: Float32Array;
  readonly footX: Float32Array;
  readonly footY: Float32Array;
}

const known = new WeakMap<RoundPlan, RoundChart>();

/** The chart of every round of a plan, the base round first. Rounds that did not change keep their charts. */
export function chartOf(plan: Plan): readonly RoundChart[] {
  const charts: RoundChart[] = [];
  for (const round of plan.rounds) {
    let chart = known.get(round);
    if (!chart) {
      const feet = round.onto < 0 ? edgeFeet(plan.body) : ringFeet(charts[round.onto]!);
      chart = round.free
        ? chartFree(round, feet, plan.body.outline)
        : chartStraight(round, feet, plan.body.outline);
      layOrnaments(chart, round.stitchWidthMm);
      known.set(round, chart);
    }
    charts.push(chart);
  }
  return charts;
}

/** The piece itself as a polygon, mm; a disc as many short sides. */
export function bodyOutline({ body }: Plan): readonly Point[] {
  const points = corners(body.outline, 0);
  if (!isDisc(body.outline)) return points;
  const path = sidePath(body.outline, points, 0);
  return Array.from({ length: 180 }, (_, i) => path(i / 180));
}

/** Finds the point that a place lies at, for the `k`th of `n` stitches that are worked into it. */
export type Feet = (place: number, k?: number, n?: number) => Point;

function ringFeet(below: RoundChart): Feet {
  const size = below.ring.made.length;
  return (place) => {
    const i = entryOf(place);
    const here = { x: below.headX[i]!, y: below.headY[i]! };
    if (!isGap(place)) return here;
    const before = (i - 1 + size) % size;
    return { x: (here.x + below.headX[before]!) / 2, y: (here.y + below.headY[before]!) / 2 };
  };
}

/** How far inside the edge of cloth its holes lie, mm. */
export const HOLE_DEPTH_MM = 8;

/**
 * Feet of the base round: the spots of the body's edges by their number round the piece; the corner before a side
 * comes before its spots. Stitches in one row end stand along its post; those of any other spot meet in its middle.
 */
export function edgeFeet(body: Body): Feet {
  const spots: { readonly at: (t: number) => Point; readonly long: boolean }[] = [];
  const points = corners(body.outline, 0);
  body.edges.forEach((edge, side) => {
    const corner = points[side] ?? { x: 0, y: 0 };
    spots.push({ at: () => corner, long: false });
    const along = placer(body, side);
    let before = 0;
    for (const spot of edge.spots) {
      const start = before;
      const depth = spot.kind === 'hole' ? HOLE_DEPTH_MM : 0;
      spots.push({ at: (t) => along(start + t * spot.lengthMm, depth), long: spot.kind === 'row end' });
      before += spot.lengthMm;
    }
  });
  return (place, k = 0, n = 1) => {
    const { at, long } = spots[place]!;
    return at(long ? (k + 0.5) / n : 0.5);
  };
}

/**
 * Finds a point of the body by its distance along a side’s spots and its depth inside the piece, both mm. Spots that are
 * shorter than the side together leave room for its corners, as much at either end.
 */
export function placer({ outline, edges }: Body, side: number): (along: number, depth: number) => Point {
  const points = corners(outline, 0);
  const whole = edges[side]!.spots.reduce((sum, s) => sum + s.lengthMm, 0) || 1;
  const path = sidePath(outline, points, side);
  if (isDisc(outline)) {
    const radius = points[0]!.x;
    return (along, depth) => {
      const { x, y } = path(along / whole);
      return { x: x * (1 - depth / radius), y: y * (1 - depth / radius) };
    };
  }
  const from = path(0);
  const to = path(1);
  const length = Math.hypot(to.x - from.x, to.y - from.y) || 1;
  const lead = Math.max(0, length - whole) / 2;
  // Work runs anticlockwise: with y downwards the piece lies to the left of it.
  const inX = (to.y - from.y) / length;
  const inY = -(to.x - from.x) / length;
  return (along, depth) => {
    const { x, y } = path((lead + (along * (length - 2 * lead)) / whole) / length);
    return { x: x + inX * depth, y: y + inY * depth };
  };
}

/** The point at a fraction of a side: a straight line between corners, or round the circle of a disc. */
function sidePath(outline: Outline, points: readonly Point[], side: number): (t: number) => Point {
  if (isDisc(outline)) {
    const radius = points[0]!.x;
    return (t) => ({ x: radius * Math.sin(-2 * Math.PI * t), y: -radius * Math.cos(2 * Math.PI * t) });
  }
  const from = points[side]!;
  const to = points[(side + 1) % points.length]!;
  return (t) => ({ x: from.x + (to.x - from.x) * t, y: from.y + (to.y - from.y) * t });
}

function emptyChart(ring: Ring): RoundChart {
  const size = ring.made.length;
  return {
    ring,
    headX: new Float32Array(size),
    headY: new Float32Array(size),
    footX: new Float32Array(size),
    footY: new Float32Array(size),
  };
}

function chartStraight(round: RoundPlan, feet: Feet, outline: Outline): RoundChart {
  const { ring } = round;
  const chart = emptyChart(ring);
  const size = ring.made.length;
  const points = corners(outline, round.heightMm);
  setFeet(chart, feet);
  standAstride(chart, feet, round.onto < 0);
  for (let side = 0; side < sideCount(ring); side++) {
    const path = sidePath(outline, points, side);
    const half = (corner: number): number => centreWidth(ring, corner) / 2;
    const lead = ring.centres.length > 0 ? half(side) : 0;
    const trail = ring.centres.length > 0 ? half((side + 1) % ring.centres.length) : 0;
    const span = sideSpan(ring, side);
    const widths = widthsIn(ring, span);
    const whole = widths.reduce((total, width) => total + width, lead + trail);
    const tops = new Float64Array(span.length);
    let sum = lead;
    for (let k = 0; k < span.length; k++) {
      tops[k] = (sum + widths[k]! / 2) / whole;
      sum += widths[k]!;
    }
    const { lean, held } = leanOf(chart, span, tops, widths, whole, along(outline, points, side));
    const moved = settled(lean, held, !isDisc(outline));
    for (let k = 0; k < span.length; k++) setHead(chart, (span.start + k) % size, path(tops[k]! + moved[k]!));
    const centre = ring.centres[side];
    if (!centre || centre.length === 0) continue;
    setHead(chart, centre.start, path(0));
    if (centre.length === 2) {
      const previous = sidePath(outline, points, (side - 1 + points.length) % points.length);
      setHead(chart, centre.start, previous(1 - 0.5 / whole));
      setHead(chart, (centre.start + 1) % size, path(0.5 / whole));
    }
  }
  standOnHeads(chart);
  return chart;
}

/** Widths of the tops of a span, in stitch widths. */
function widthsIn({ made }: Ring, { start, length }: Span): Float64Array {
  const widths = new Float64Array(length);
  for (let k = 0; k < length; k++) widths[k] = topWidth(made[(start + k) % made.length]!);
  return widths;
}

/** How far along a side a point lies, as a part of the side; on a disc within half the way round from `near`. */
function along(
  outline: Outline,
  points: readonly Point[],
  side: number,
): (x: number, y: number, near: number) => number {
  if (isDisc(outline)) {
    return (x, y, near) => {
      const t = Math.atan2(-x, -y) / (2 * Math.PI);
      return t + Math.round(near - t);
    };
  }
  const [from, to] = [points[side]!, points[(side + 1) % points.length]!];
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const square = dx * dx + dy * dy || 1;
  return (x, y) => ((x - from.x) * dx + (y - from.y) * dy) / square;
}

/**
 * How far the feet of a side lie from tops that are spaced evenly. Stitches of one place, and the chains between them, have
 * its foot in their middle. Those that sit where the corner sits are not held.
 *
 * @param tops where the tops are, as a part of the side
 * @param widths of the tops
 * @param whole width of all tops of the side, its corners’ halves included
 */
function leanOf(
  { ring, footX, footY }: RoundChart,
  span: Span,
  tops: Float64Array,
  widths: Float64Array,
  whole: number,
  at: (x: number, y: number, near: number) => number,
): { readonly lean: Float64Array; readonly held: Uint8Array } {
  const { into, centres } = ring;
  const size = into.length;
  const { start, length } = span;
  const [before, after] =
    centres.length > 0 && length < size
      ? [placeBeyond(into, start - 1, -1), placeBeyond(into, start + length, 1)]
      : [NOTHING, NOTHING];
  const lean = new Float64Array(length);
  const held = new Uint8Array(length);
  for (let first = 0; first < length;) {
    const place = into[(start + first) % size]!;
    let last = first;
    if (place !== NOTHING && place !== before && place !== after) {
      let [x, y, count] = [0, 0, 0];
      for (let k = first; k < length; k++) {
        const i = (start + k) % size;
        if (into[i] === NOTHING) continue;
        if (into[i] !== place) break;
        last = k;
        x += footX[i]!;
        y += footY[i]!;
        count++;
      }
      const middle =
        (tops[first]! - widths[first]! / 2 / whole + tops[last]! + widths[last]! / 2 / whole) / 2;
      lean.fill(at(x / count, y / count, middle) - middle, first, last + 1);
      held.fill(1, first, last + 1);
    }
    first = last + 1;
  }
  return { lean, held };
}

/** The first place that something sits in, from an entry on one way or the other. */
function placeBeyond(into: Int32Array, from: number, way: 1 | -1): number {
  const size = into.length;
  for (let k = 0; k < size; k++) {
    const place = into[(((from + way * k) % size) + size) % size]!;
    if (place !== NOTHING) return place;
  }
  return NOTHING;
}

function centreWidth(ring: Ring, corner: number): number {
  const centre = ring.centres[corner]!;
  let width = 0;
  for (let k = 0; k < centre.length; k++) {
    width += topWidth(ring.made[(centre.start + k) % ring.made.length]!);
  }
  return width;
}

function setHead(chart: RoundChart, i: number, p: Point): void {
  chart.headX[i] = p.x;
  chart.headY[i] = p.y;
}

/** Feet from the places below. */
function setFeet(chart: RoundChart, feet: Feet): void {
  const { into } = chart.ring;
  for (let first = 0; first < into.length;) {
    const place = into[first]!;
    let end = first + 1;
    while (place !== NOTHING && into[end] === place) end++;
    for (let i = first; i < end && place !== NOTHING; i++) {
      const foot = feet(place, i - first, end - first);
      chart.footX[i] = foot.x;
      chart.footY[i] = foot.y;
    }
    first = end;
  }
}

/** From one corner space to the other across a seam, in spots of the edge. */
const ACROSS_SEAM = 2;

/** Stitches worked together have a leg in each of their places, and their foot in the middle of them. */
function standAstride({ ring, footX, footY }: RoundChart, feet: Feet, onEdge: boolean): void {
  const { made, into, centres } = ring;
  for (let i = 0; i < made.length; i++) {
    const s = made[i]!;
    const place = into[i]!;
    if (s.form !== 'together' || place === NOTHING || isGap(place)) continue;
    if (centres.some(({ start, length }) => length > 0 && start === i)) continue;
    const last = feet(place + (onEdge ? ACROSS_SEAM : s.legs - 1));
    footX[i] = (footX[i]! + last.x) / 2;
    footY[i] = (footY[i]! + last.y) / 2;
  }
}

/** What sits in nothing stands on its own head. */
function standOnHeads({ ring, headX, headY, footX, footY }: RoundChart): void {
  for (let i = 0; i < headX.length; i++) {
    if (ring.into[i] !== NOTHING) continue;
    footX[i] = headX[i]!;
    footY[i] = headY[i]!;
  }
}

/** Widest fan of a group along a side and round a right-angled corner, radians to either side. */
const SIDE_FAN = 1.15;
const STEP_OF_FAN = 0.46;

function chartFree(round: RoundPlan, feet: Feet, outline: Outline): RoundChart {
  const { ring, stitchWidthMm: widthMm } = round;
  const chart = emptyChart(ring);
  const size = ring.made.length;
  const sideOf = sidesOfEntries(ring);
  const outward = outwardNormals(outline);
  const groups: (readonly number[])[] = [];
  let start = 0;
  while (start < size) {
    const members = groupFrom(ring, start);
    if (members.length > 0) fan(members, feet(ring.into[start]!));
    groups.push(members);
    start = (members[members.length - 1] ?? start) + 1;
  }
  closeDips(chart, groups, sideOf, widthMm);
  layChains(chart, widthMm);
  return chart;

  function fan(members: readonly number[], foot: Point): void {
    const count = members.length;
    const { angle, turn } = outward(sideOf[members[0]!]!, sideOf[members[count - 1]!]!, foot);
    const reach = Math.min(SIDE_FAN + turn / 2, ((count - 1) * STEP_OF_FAN) / 2 + turn / 3);
    members.forEach((i, k) => {
      const t = count === 1 ? 0 : (2 * k) / (count - 1) - 1;
      const s = ring.made[i]!;
      const height = (isOrnament(s) ? 1 : Math.max(0.2, stitchHeight(s))) * widthMm;
      // The run of work is anticlockwise, so a fan opens from the side already worked to the one to come.
      const a = angle + t * reach;
      chart.footX[i] = foot.x;
      chart.footY[i] = foot.y;
      setHead(chart, i, { x: foot.x + Math.cos(a) * height, y: foot.y - Math.sin(a) * height });
    });
  }
}

/** From this distance between two feet, in stitch widths, places were passed over between them. */
const DIP = 1.6;

/** Where places are passed over with no chain across, the stitches on either side lean together over the dip. */
function closeDips(
  chart: RoundChart,
  groups: readonly (readonly number[])[],
  sideOf: Int32Array,
  widthMm: number,
): void {
  const { headX, headY, footX, footY } = chart;
  const step = (i: number): number => Math.hypot(footX[i + 1]! - footX[i]!, footY[i + 1]! - footY[i]!);
  for (let g = 0; g < groups.length;) {
    const run: number[] = [];
    for (; groups[g]?.length === 1; g++) {
      const i = groups[g]![0]!;
      if (run.length > 0 && sideOf[i] !== sideOf[run[0]!]) break;
      run.push(i);
    }
    if (run.length === 0) g++;
    const first = run[0]!;
    const last = run[run.length - 1]!;
    if (run.length < 2 || !run.slice(0, -1).some((i) => step(i) > DIP * widthMm)) continue;
    const dx = footX[last]! - footX[first]!;
    const dy = footY[last]! - footY[first]!;
    const reach = widthMm / Math.hypot(dx, dy);
    run.forEach((i, k) => {
      const t = -reach / 2 + ((1 + reach) * (k + 0.5)) / run.length;
      const x = footX[first]! + dx * t;
      const y = footY[first]! + dy * t;
      setHead(chart, i, { x: x + headX[i]! - footX[i]!, y: y + headY[i]! - footY[i]! });
    });
  }
}

/** The entries from `start` that sit in the same place; chains and picots may stand between them. */
function groupFrom(ring: Ring, start: number): readonly number[] {
  const place = ring.into[start]!;
  if (place === NOTHING) return [];
  const members = [start];
  for (let i = start + 1; i < ring.made.length; i++) {
    if (ring.into[i] === place) members.push(i);
    else if (ring.into[i] !== NOTHING) break;
  }
  return members;
}

/** The side that each entry belongs to; a corner's centre belongs to minus one less its corner's number. */
function sidesOfEntries(ring: Ring): Int32Array {
  const sides = new Int32Array(ring.made.length);
  ring.centres.forEach((centre, corner) => {
    for (let k = 0; k < centre.length; k++) sides[(centre.start + k) % sides.length] = -1 - corner;
  });
  for (let side = 0; side < sideCount(ring); side++) {
    const span = sideSpan(ring, side);
    for (let k = 0; k < span.length; k++) sides[(span.start + k) % sides.length] = side;
  }
  return sides;
}

/** The outward direction (radians, anticlockwise from the right) at a side, and at a corner between its sides. */
function outwardNormals(
  outline: Outline,
): (first: number, last: number, foot: Point) => { readonly angle: number; readonly turn: number } {
  if (isDisc(outline)) return (_, __, foot) => ({ angle: Math.atan2(-foot.y, foot.x), turn: 0 });
  const normals: number[] = [];
  let heading = Math.PI;
  outline.sides.forEach((_, i) => {
    if (i > 0) heading += outline.turns[i]!;
    normals.push(heading - Math.PI / 2);
  });
  return (first, last) => {
    if (first === last && first >= 0) return { angle: normals[first]!, turn: 0 };
    const corner = first < 0 ? -1 - first : last < 0 ? -1 - last : last;
    const turn = outline.turns[corner]!;
    return { angle: normals[corner]! - turn / 2, turn };
  };
}

/** Picots and dots stand on the stitch before them, off the edge. */
function layOrnaments(chart: RoundChart, widthMm: number): void {
  const { ring, headX, headY, footX, footY } = chart;
  for (let i = 0; i < ring.made.length; i++) {
    if (!isOrnament(ring.made[i]!) || ring.into[i] !== NOTHING) continue;
    const before = neighbour(ring, i, -1);
    const dx = headX[before]! - footX[before]!;
    const dy = headY[before]! - footY[before]!;
    const length = Math.hypot(dx, dy) || 1;
    footX[i] = headX[before]!;
    footY[i] = headY[before]!;
    setHead(chart, i, {
      x: footX[i]! + (dx / length) * widthMm,
      y: footY[i]! + (dy / length) * widthMm,
    });
  }
}

/**
 * Lays chains of a free edge between their worked neighbours. What they are longer than the way between them stands
 * out from the edge as a loop: the height of the triangle over that way with two sides half as long as the chains.
 */
function layChains(chart: RoundChart, widthMm: number): void {
  const { ring, headX, headY, footX, footY } = chart;
  const size = ring.made.length;
  for (let i = 0; i < size; i++) {
    if (ring.into[i] !== NOTHING) continue;
    const before = neighbour(ring, i, -1);
    const after = neighbour(ring, i, 1);
    const dx = headX[after]! - headX[before]!;
    const dy = headY[after]! - headY[before]!;
    const way = Math.hypot(dx, dy);
    const length = isChainRun(ring.made[i]!) ? ring.made[i]!.chains * widthMm : 0;
    const loop = Math.sqrt(Math.max(0, length ** 2 - way ** 2)) / 2;
    // Outwards is where the stitches on either side point to.
    const outX = headX[before]! + headX[after]! - footX[before]! - footX[after]!;
    const outY = headY[before]! + headY[after]! - footY[before]! - footY[after]!;
    const out = Math.hypot(outX, outY) || 1;
    setHead(chart, i, {
      x: (headX[before]! + headX[after]!) / 2 + (outX / out) * loop,
      y: (headY[before]! + headY[after]!) / 2 + (outY / out) * loop,
    });
    footX[i] = headX[i]!;
    footY[i] = headY[i]!;
  }
}

/** The nearest entry in a direction that sits in something; chain runs next to each other are passed over. */
function neighbour(ring: Ring, from: number, step: 1 | -1): number {
  const size = ring.made.length;
  for (let k = 1; k < size; k++) {
    const i = (from + step * k + size * k) % size;
    if (!isChainRun(ring.made[i]!) && ring.into[i] !== NOTHING) return i;
  }
  return from;
}
