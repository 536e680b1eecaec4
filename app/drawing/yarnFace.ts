/**
 * Stitches as yarn. Each stitch is a few strands, given in a frame of its own: x along the edge in the
 * direction of work, y from the foot to the head, both in stitch widths.
 */
import { STITCHES } from '../../core/terms/stitches.ts';
import type { Stitch } from '../../core/ring/stitch.ts';

/** Strands of a stitch: what stands between foot and head, and the loops of its top, which are laid over it. */
export interface Strands {
  readonly post: readonly Path2D[];
  readonly top: readonly Path2D[];
}

const known = new Map<Stitch, Strands>();

/** The strands of a stitch whose head lies at (0, its height). A chain run is one chain, drawn for each link. */
export function strandsOf(stitch: Stitch): Strands {
  let strands = known.get(stitch);
  if (!strands) {
    strands = make(stitch);
    known.set(stitch, strands);
  }
  return strands;
}

const path = (d: string): Path2D => new Path2D(d);

/** The two loops of a top, like one link of a plait lying along the edge. */
function top(y: number, width = 1): readonly Path2D[] {
  const a = -0.58 * width;
  const b = 0.5 * width;
  return [
    path(`M ${a} ${y} C ${a + 0.25} ${y - 0.3}, ${b - 0.3} ${y - 0.28}, ${b} ${y - 0.06}`),
    path(`M ${a} ${y} C ${a + 0.25} ${y + 0.26}, ${b - 0.3} ${y + 0.26}, ${b} ${y + 0.06}`),
  ];
}

/** Two legs that leave the foot together and part towards the head. */
function legs(height: number, spread: number): readonly Path2D[] {
  const y = height - 0.12;
  return [
    path(`M -0.05 -0.12 C -0.08 ${y * 0.4}, ${-spread} ${y * 0.6}, ${-spread} ${y}`),
    path(`M 0.05 -0.12 C 0.08 ${y * 0.4}, ${spread} ${y * 0.6}, ${spread} ${y}`),
  ];
}

/** One wrap lying aslant across a post. */
const wrap = (y: number, half = 0.26): Path2D =>
  path(`M ${-half} ${y - 0.1} C ${-half * 0.4} ${y + 0.06}, ${half * 0.4} ${y + 0.08}, ${half} ${y + 0.12}`);

function make(stitch: Stitch): Strands {
  const height = stitch.kind === 'ch' ? 0 : STITCHES[stitch.kind].height;
  if (stitch.kind === 'ch') return { post: [], top: top(0, 1) };
  const wraps = STITCHES[stitch.kind].wraps;
  switch (stitch.kind) {
    case 'slst':
      return { post: [], top: top(0.2) };
    case 'sc':
      return { post: legs(height, 0.3), top: top(height) };
    case 'esc':
      return { post: [...legs(height, 0.24), wrap(height * 0.36, 0.16)], top: top(height) };
    case 'hdc':
    case 'hhdc': {
      const slant = stitch.kind === 'hhdc' ? 0.26 : 0.1;
      const bar = path(`M -0.36 ${height - 0.3 - slant} L 0.36 ${height - 0.3 + slant * 0.5}`);
      return { post: [...legs(height, 0.22), bar], top: top(height) };
    }
    default: {
      const bars = Array.from({ length: wraps }, (_, i) =>
        wrap(height * 0.25 + ((i + 0.7) * height * 0.55) / wraps),
      );
      return { post: [...legs(height, 0.17), ...bars], top: top(height) };
    }
  }
}
