/** Free outer edges, drawn from their feet: what is worked into one place fans out round it, chains between stand out as loops. */
import { roleOf } from '../piece/part.ts';
import { isDisc, type Outline, type Point } from '../piece/outline.ts';
import type { RoundPlan } from '../plan/types.ts';
import { IN_NOTHING, sideCount, sideSpan, type Ring } from '../ring/ring.ts';
import { isChainRun, isOrnament, stitchHeight } from '../ring/stitch.ts';
import type { FootFinder } from './feet.ts';
import { emptyChart, neighbour, setHead, type RoundChart } from './roundChart.ts';

/** Widest fan of a group along a side and round a right-angled corner, radians to either side. */
const SIDE_FAN = 1.15;
const STEP_OF_FAN = 0.46;

export function chartFree(round: RoundPlan, feet: FootFinder, outline: Outline): RoundChart {
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
  if (place === IN_NOTHING) return [];
  const members = [start];
  for (let i = start + 1; i < ring.made.length; i++) {
    if (ring.into[i] === place) members.push(i);
    else if (ring.into[i] !== IN_NOTHING) break;
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
    // Where rows end there is but the side that ends.
    const role = roleOf(outline.part, corner, outline.turns.length);
    if (role === 'first') return { angle: normals[corner]!, turn: 0 };
    if (role === 'last') return { angle: normals[(corner + normals.length - 1) % normals.length]!, turn: 0 };
    const turn = outline.turns[corner]!;
    return { angle: normals[corner]! - turn / 2, turn };
  };
}

/**
 * Lays chains of a free edge between their worked neighbours. What they are longer than the way between them stands
 * out from the edge as a loop: the height of the triangle over that way with two sides half as long as the chains.
 */
function layChains(chart: RoundChart, widthMm: number): void {
  const { ring, headX, headY, footX, footY } = chart;
  const size = ring.made.length;
  for (let i = 0; i < size; i++) {
    if (ring.into[i] !== IN_NOTHING) continue;
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
