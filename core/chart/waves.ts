/** A round that has far more stitches than lie flat, its tops in waves: it is seen that it ruffles. */
import { IN_NOTHING } from '../ring/ring.ts';
import { topWidth } from '../ring/stitch.ts';
import type { RoundChart } from './roundChart.ts';

/** From so many times the stitches that lie flat on, tops go up and down; below, they are only drawn closer together. */
const RUFFLES = 2.2;
/** Stitches in a wave, nearly. */
const IN_A_WAVE = 12;
/** How far tops go up and down, in stitch widths. */
const HIGH = 0.55;
/** Stitches on either side by which the line of the edge is told: those of one place fan out over their neighbours. */
const NEARBY = 6;

/** Positions along one coordinate, each the mean of those near it. */
function evenedOut(heads: Float32Array): Float64Array {
  const size = heads.length;
  return Float64Array.from(heads, (_, i) => {
    let sum = 0;
    for (let k = -NEARBY; k <= NEARBY; k++) sum += heads[(i + k + NEARBY * size) % size]!;
    return sum / (2 * NEARBY + 1);
  });
}

/** Moves the tops of a round that cannot lie flat up and down. @param widthMm of a stitch */
export function layInWaves({ ring, headX, headY, footX, footY }: RoundChart, widthMm: number): void {
  const size = ring.made.length;
  const [lineX, lineY] = [evenedOut(headX), evenedOut(headY)];
  let [edge, made] = [0, 0];
  for (let i = 0; i < size; i++) {
    made += topWidth(ring.made[i]!) * widthMm;
    if (i > 0) edge += Math.hypot(lineX[i]! - lineX[i - 1]!, lineY[i]! - lineY[i - 1]!);
  }
  if (edge === 0 || made / edge < RUFFLES) return;
  const waves = Math.max(1, Math.round(size / IN_A_WAVE));
  for (let i = 0; i < size; i++) {
    const [from, to] = [(i + size - 1) % size, (i + 1) % size];
    const [dx, dy] = [lineX[to]! - lineX[from]!, lineY[to]! - lineY[from]!];
    const high = (HIGH * widthMm * Math.sin((2 * Math.PI * i * waves) / size)) / (Math.hypot(dx, dy) || 1);
    // Outwards is to the right of the direction of work.
    headX[i]! -= dy * high;
    headY[i]! += dx * high;
    if (ring.into[i] !== IN_NOTHING) continue;
    footX[i] = headX[i]!;
    footY[i] = headY[i]!;
  }
}
