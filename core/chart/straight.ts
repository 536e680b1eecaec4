/**
 * Rounds whose tops lie on the outline grown to their height, its corners points or arcs: spread between the corners by their widths, and settled back over their
 * feet.
 */
import { ACROSS_SEAM } from '../base/crossings.ts';
import { isDisc, type Outline } from '../piece/outline.ts';
import { isWorkedSide, roleOf } from '../piece/part.ts';
import type { RoundPlan } from '../plan/types.ts';
import { IN_NOTHING, isGap, sideCount, sideSpan, type Ring, type Span } from '../ring/ring.ts';
import { topWidth } from '../ring/stitch.ts';
import type { FootFinder } from './feet.ts';
import { emptyChart, setHead, type RoundChart } from './roundChart.ts';
import { settleTops } from './settle.ts';
import { sideWay } from './sideWay.ts';

export function chartStraight(round: RoundPlan, feet: FootFinder, outline: Outline): RoundChart {
  const { ring } = round;
  const chart = emptyChart(ring);
  const size = ring.made.length;
  setFeet(chart, feet);
  standAstride(chart, feet, round.onto < 0);
  for (let side = 0; side < sideCount(ring); side++) {
    const { path, along } = sideWay(outline, round.heightMm, round.radiusMm, side);
    const next = (side + 1) % Math.max(1, ring.centres.length);
    const lead = ring.centres.length > 0 ? shareOfCentre(ring, side) : 0;
    const trail = ring.centres.length > 0 ? shareOfCentre(ring, next) : 0;
    const span = sideSpan(ring, side);
    const widths = widthsIn(ring, span);
    const whole = widths.reduce((total, width) => total + width, lead + trail);
    const tops = new Float64Array(span.length);
    let sum = lead;
    for (let k = 0; k < span.length; k++) {
      tops[k] = (sum + widths[k]! / 2) / whole;
      sum += widths[k]!;
    }
    const { lean, held } = leanOf(chart, span, tops, widths, whole, along);
    const moved = settleTops(lean, held, !isDisc(outline));
    for (let k = 0; k < span.length; k++) setHead(chart, (span.start + k) % size, path(tops[k]! + moved[k]!));
    if (
      roleOf(ring.part, next, ring.centres.length) === 'last' &&
      isWorkedSide(ring.part, side, ring.centres.length)
    )
      setHead(chart, ring.centres[next]!.start, path(1 - trail / 2 / whole));
    const centre = ring.centres[side];
    const role = roleOf(ring.part, side, ring.centres.length);
    if (!centre || centre.length === 0 || role === 'last') continue;
    setHead(chart, centre.start, path(role === 'first' ? lead / 2 / whole : 0));
    if (centre.length === 2) {
      const before = (side - 1 + outline.turns.length) % outline.turns.length;
      const previous = sideWay(outline, round.heightMm, round.radiusMm, before);
      setHead(chart, centre.start, previous.path(1 - 0.5 / whole));
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
      : [IN_NOTHING, IN_NOTHING];
  const lean = new Float64Array(length);
  const held = new Uint8Array(length);
  for (let first = 0; first < length;) {
    const place = into[(start + first) % size]!;
    let last = first;
    if (place !== IN_NOTHING && place !== before && place !== after) {
      let [x, y, count] = [0, 0, 0];
      for (let k = first; k < length; k++) {
        const i = (start + k) % size;
        if (into[i] === IN_NOTHING) continue;
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
    if (place !== IN_NOTHING) return place;
  }
  return IN_NOTHING;
}

/** Width of a corner’s centre that lies along one of its sides: half of it, or the whole end stitch of a row. */
const shareOfCentre = (ring: Ring, corner: number): number =>
  centreWidth(ring, corner) / (roleOf(ring.part, corner, ring.centres.length) === 'turned' ? 2 : 1);

function centreWidth(ring: Ring, corner: number): number {
  const centre = ring.centres[corner]!;
  let width = 0;
  for (let k = 0; k < centre.length; k++) {
    width += topWidth(ring.made[(centre.start + k) % ring.made.length]!);
  }
  return width;
}

/** Feet from the places below. */
function setFeet(chart: RoundChart, feet: FootFinder): void {
  const { into } = chart.ring;
  for (let first = 0; first < into.length;) {
    const place = into[first]!;
    let end = first + 1;
    while (place !== IN_NOTHING && into[end] === place) end++;
    for (let i = first; i < end && place !== IN_NOTHING; i++) {
      const foot = feet(place, i - first, end - first);
      chart.footX[i] = foot.x;
      chart.footY[i] = foot.y;
    }
    first = end;
  }
}

/** Stitches worked together have a leg in each of their places, and their foot in the middle of them. */
function standAstride({ ring, footX, footY }: RoundChart, feet: FootFinder, onEdge: boolean): void {
  const { made, into, centres } = ring;
  for (let i = 0; i < made.length; i++) {
    const s = made[i]!;
    const place = into[i]!;
    if (s.form !== 'together' || place === IN_NOTHING || isGap(place)) continue;
    if (centres.some(({ start, length }) => length > 0 && start === i)) continue;
    const last = feet(place + (onEdge ? ACROSS_SEAM : s.legs - 1));
    footX[i] = (footX[i]! + last.x) / 2;
    footY[i] = (footY[i]! + last.y) / 2;
  }
}

/** Entries that sit in nothing stand on their own heads. */
function standOnHeads({ ring, headX, headY, footX, footY }: RoundChart): void {
  for (let i = 0; i < headX.length; i++) {
    if (ring.into[i] !== IN_NOTHING) continue;
    footX[i] = headX[i]!;
    footY[i] = headY[i]!;
  }
}
