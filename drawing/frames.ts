/** Frames in which stitches are drawn: where each lies, how it is turned, how long it is. */
import type { RoundChart } from '../core/chart/roundChart.ts';
import type { Point } from '../core/piece/outline.ts';
import { isChainRun } from '../core/ring/stitch.ts';
import { STITCHES } from '../core/terms/stitches.ts';

/** A chart with the entries that stand as several pieces, one above the other, and how many these are. */
export interface DrawnChart extends RoundChart {
  readonly upright?: ReadonlyMap<number, number>;
}

/**
 * Where a stitch's own frame lies on the piece: (x, y) of the frame, in stitch widths, goes to
 * (a·x + c·y + e, b·x + d·y + f), mm. The order is that of canvas and SVG.
 */
export type Frame = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

/** The frame with y from one point to another that lies `length` stitch widths up; x keeps the stitch width. */
function frame(x0: number, y0: number, x1: number, y1: number, length: number, widthMm: number): Frame {
  const dx = x1 - x0;
  const dy = y1 - y0;
  const size = Math.hypot(dx, dy) || 1;
  return [(dy / size) * widthMm, (-dx / size) * widthMm, dx / length, dy / length, x0, y0];
}

/** The frames that entry `i` is drawn in: one for a stitch, one for each link of a chain run. */
export function framesOf(chart: DrawnChart, i: number, widthMm: number): readonly Frame[] {
  const pieces = chart.upright?.get(i);
  if (pieces !== undefined) return uprightFrames(chart, i, pieces, widthMm);
  if (isChainRun(chart.ring.made[i]!)) return linkFrames(chart, i, widthMm);
  const { footX, footY, headX, headY } = chart;
  return [frame(footX[i]!, footY[i]!, headX[i]!, headY[i]!, nominalHeight(chart, i), widthMm)];
}

/**
 * As {@link framesOf}, for symbols: a cross stands straight on its edge however its stitch leans, or it would be taken for the
 * other sign of the same stitch.
 */
export function symbolFramesOf(chart: DrawnChart, i: number, widthMm: number): readonly Frame[] {
  const { ring, footX, footY, headX, headY } = chart;
  const { kind, form } = ring.made[i]!;
  const size = ring.made.length;
  const before = (i + size - 1) % size;
  const [alongX, alongY] = [headX[i]! - headX[before]!, headY[i]! - headY[before]!];
  const step = Math.hypot(alongX, alongY);
  if ((kind !== 'sc' && kind !== 'esc') || form === 'together' || chart.upright?.has(i) || step === 0)
    return framesOf(chart, i, widthMm);
  const [leanX, leanY] = [headX[i]! - footX[i]!, headY[i]! - footY[i]!];
  const outwards = alongY * leanX - alongX * leanY < 0 ? -1 : 1;
  const high = nominalHeight(chart, i);
  const [upX, upY] = [
    (alongY / step) * outwards * high * widthMm,
    (-alongX / step) * outwards * high * widthMm,
  ];
  const [x, y] = [(headX[i]! + footX[i]! - upX) / 2, (headY[i]! + footY[i]! - upY) / 2];
  return [frame(x, y, x + upX, y + upY, high, widthMm)];
}

const nominalHeight = ({ ring }: RoundChart, i: number): number => {
  const s = ring.made[i]!;
  return s.kind === 'ch' ? 1 : STITCHES[s.kind].height;
};

/** How many times as long as it stands by itself an entry is drawn, at least once: what hangs over its head and foot grows with it. */
export function drawnStretch(chart: RoundChart, i: number, widthMm: number): number {
  if (isChainRun(chart.ring.made[i]!)) return 1;
  const { footX, footY, headX, headY } = chart;
  const length = Math.hypot(headX[i]! - footX[i]!, headY[i]! - footY[i]!);
  return Math.max(1, length / (nominalHeight(chart, i) * widthMm));
}

/** A stitch this much longer than it stands by itself has reached down for its place. */
const REACHES = 1.3;

/**
 * As {@link framesOf}, for yarn: a stitch that reaches down keeps its shape at the head, and `reach` is the frame of
 * the strands (y from 0 to 1) that go on from there to its foot.
 */
export function yarnFramesOf(
  chart: DrawnChart,
  i: number,
  widthMm: number,
): { readonly frames: readonly Frame[]; readonly reach: Frame | null } {
  const { footX, footY, headX, headY } = chart;
  const length = Math.hypot(headX[i]! - footX[i]!, headY[i]! - footY[i]!);
  const own = nominalHeight(chart, i) * widthMm;
  if (isChainRun(chart.ring.made[i]!) || chart.upright?.has(i) || length < REACHES * own) {
    return { frames: framesOf(chart, i, widthMm), reach: null };
  }
  const part = 1 - own / length;
  const x = footX[i]! + (headX[i]! - footX[i]!) * part;
  const y = footY[i]! + (headY[i]! - footY[i]!) * part;
  return {
    frames: [frame(x, y, headX[i]!, headY[i]!, nominalHeight(chart, i), widthMm)],
    reach: frame(footX[i]!, footY[i]!, x, y, 1, widthMm),
  };
}

/**
 * The curve that the links of a chain run lie on, in one coordinate: the control points of a quadratic Bézier curve from
 * the neighbour before, through the run's own position, to the neighbour after.
 */
export function linkCurve(heads: ArrayLike<number>, i: number): readonly [number, number, number] {
  const from = heads[(i - 1 + heads.length) % heads.length]!;
  const to = heads[(i + 1) % heads.length]!;
  return [from, 2 * heads[i]! - (from + to) / 2, to];
}

/** Pieces one above the other, from the foot to the head: links of a chain, or stitches. */
function uprightFrames(chart: DrawnChart, i: number, pieces: number, widthMm: number): readonly Frame[] {
  const { ring, headX, headY, footX, footY } = chart;
  const [dx, dy] = [headX[i]! - footX[i]!, headY[i]! - footY[i]!];
  const length = Math.hypot(dx, dy) || 1;
  const at = (t: number): Point => ({ x: footX[i]! + dx * t, y: footY[i]! + dy * t });
  return Array.from({ length: pieces }, (_, k) => {
    if (!isChainRun(ring.made[i]!)) {
      const [foot, head] = [at(k / pieces), at((k + 1) / pieces)];
      return frame(foot.x, foot.y, head.x, head.y, nominalHeight(chart, i), widthMm);
    }
    const { x, y } = at((k + 0.5) / pieces);
    return frame(x, y, x - dy / length, y + dx / length, 1 / widthMm, widthMm);
  });
}

function linkFrames({ ring, headX, headY }: RoundChart, i: number, widthMm: number): readonly Frame[] {
  const { chains } = ring.made[i]!;
  const along = ([from, bend, to]: ReturnType<typeof linkCurve>, t: number): number =>
    (1 - t) ** 2 * from + 2 * t * (1 - t) * bend + t * t * to;
  const [xs, ys] = [linkCurve(headX, i), linkCurve(headY, i)];
  return Array.from({ length: chains }, (_, link) => {
    const t = (link + 1) / (chains + 1);
    const [x, y] = [along(xs, t), along(ys, t)];
    const dx = along(xs, t + 0.05) - along(xs, t - 0.05);
    const dy = along(ys, t + 0.05) - along(ys, t - 0.05);
    const length = Math.hypot(dx, dy) || 1;
    // Outwards is to the right of the direction of work.
    return frame(x, y, x - dy / length, y + dx / length, 1 / widthMm, widthMm);
  });
}
