/** Positions of the stitches of one round. */
import type { Point } from '../piece/outline.ts';
import { IN_NOTHING, type Ring } from '../ring/ring.ts';
import { isChainRun } from '../ring/stitch.ts';

/** Positions of one worked round, mm, y downwards, origin at the middle of the piece. Arrays as long as the ring. */
export interface RoundChart {
  readonly ring: Ring;
  readonly headX: Float32Array;
  readonly headY: Float32Array;
  readonly footX: Float32Array;
  readonly footY: Float32Array;
}

export function emptyChart(ring: Ring): RoundChart {
  const size = ring.made.length;
  return {
    ring,
    headX: new Float32Array(size),
    headY: new Float32Array(size),
    footX: new Float32Array(size),
    footY: new Float32Array(size),
  };
}

export function setHead(chart: RoundChart, i: number, p: Point): void {
  chart.headX[i] = p.x;
  chart.headY[i] = p.y;
}

/** The nearest entry in a direction that sits in something; chain runs next to each other are passed over. */
export function neighbour(ring: Ring, from: number, step: 1 | -1): number {
  const size = ring.made.length;
  for (let k = 1; k < size; k++) {
    const i = (from + step * k + size * k) % size;
    if (!isChainRun(ring.made[i]!) && ring.into[i] !== IN_NOTHING) return i;
  }
  return from;
}
