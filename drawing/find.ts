/** Finds the stitches of a chart by where they lie. */
import { rememberedBy } from '../core/remembered.ts';
import Flatbush from 'flatbush';
import { isChainRun } from '../core/ring/stitch.ts';
import { linkCurve, drawnStretch, type DrawnChart } from './frames.ts';
import { type DrawnRound } from './scene.ts';
import { overhangOf } from './yarnFace.ts';

/** The boxes that the entries of a round are drawn in: from foot to head, chains along their curve, and what hangs over. */
const indexOf = rememberedBy((chart: DrawnChart, widthMm: number): Flatbush => {
  const { ring, headX, headY, footX, footY } = chart;
  const size = ring.made.length;
  const index = new Flatbush(size, 16, Float32Array);
  for (let i = 0; i < size; i++) {
    const made = ring.made[i]!;
    const [xs, ys] =
      isChainRun(made) && !chart.upright?.has(i)
        ? [linkCurve(headX, i), linkCurve(headY, i)]
        : [
            [footX[i]!, headX[i]!],
            [footY[i]!, headY[i]!],
          ];
    const over = overhangOf(made) * drawnStretch(chart, i, widthMm) * widthMm;
    index.add(Math.min(...xs) - over, Math.min(...ys) - over, Math.max(...xs) + over, Math.max(...ys) + over);
  }
  index.finish();
  return index;
});

export interface Box {
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
}

/** Entries of a round that are seen in a part of the piece, in working order. @param box mm */
export function entriesIn(round: DrawnRound, { minX, minY, maxX, maxY }: Box): readonly number[] {
  if (round.chart.ring.made.length === 0) return [];
  return indexOf(round.chart, round.widthMm)
    .search(minX, minY, maxX, maxY)
    .sort((a, b) => a - b);
}

/** The part of a box that stitches lie in, with a stitch of room round them; the box itself when it is empty. @param box mm */
export function boundsIn(rounds: readonly DrawnRound[], box: Box): Box {
  let [minX, maxX, minY, maxY] = [Infinity, -Infinity, Infinity, -Infinity];
  let room = 0;
  for (const round of rounds) {
    room = Math.max(room, 1.2 * round.widthMm);
    const { headX, headY } = round.chart;
    for (const i of entriesIn(round, box)) {
      minX = Math.min(minX, headX[i]!);
      maxX = Math.max(maxX, headX[i]!);
      minY = Math.min(minY, headY[i]!);
      maxY = Math.max(maxY, headY[i]!);
    }
  }
  if (minX > maxX) return box;
  return {
    minX: Math.max(box.minX, minX - room),
    maxX: Math.min(box.maxX, maxX + room),
    minY: Math.max(box.minY, minY - room),
    maxY: Math.min(box.maxY, maxY + room),
  };
}

export interface StitchFound {
  readonly round: number;
  readonly entry: number;
}

/** The stitch whose middle lies nearest to a point of the piece, mm, within one and a half of its widths. */
export function stitchAt(rounds: readonly DrawnRound[], x: number, y: number): StitchFound | null {
  let found: StitchFound | null = null;
  let nearest = Infinity;
  rounds.forEach((drawn, round) => {
    const { chart, widthMm } = drawn;
    const reach = 1.5 * widthMm;
    for (const entry of indexOf(drawn.chart, drawn.widthMm).search(
      x - reach,
      y - reach,
      x + reach,
      y + reach,
    )) {
      const mx = (chart.headX[entry]! + chart.footX[entry]!) / 2;
      const my = (chart.headY[entry]! + chart.footY[entry]!) / 2;
      const distance = Math.hypot(mx - x, my - y);
      if (distance < nearest && distance < 2 * widthMm) {
        nearest = distance;
        found = { round, entry };
      }
    }
  });
  return found;
}
