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

/** A petal from the foot to the head, bulging to one side. */
const petal = (bulge: number, foot: number, head: number): Path2D =>
  path(`M 0 ${foot} C ${bulge * 1.5} ${foot + 0.25}, ${bulge * 1.5} ${head - 0.25}, 0 ${head}`);

/** Legs that bulge between one foot and one head. */
const petals = (count: number, bulge: number, head: number): readonly Path2D[] =>
  Array.from({ length: count }, (_, i) => petal(bulge * ((2 * i) / (count - 1) - 1), -0.08, head));

/** A bar lying along the edge at the foot: the loop that was left free on the face of the stitch below. */
const ridge = path('M -0.5 -0.02 C -0.25 -0.14, 0.25 -0.14, 0.5 -0.02');

/** The hook-shaped foot of a stitch that goes round a post. */
const hookedFoot = path('M -0.3 -0.55 C -0.42 -0.2, 0.42 -0.2, 0.3 -0.55');

function make(stitch: Stitch): Strands {
  if (stitch.kind === 'ch') return ornament(stitch);
  const strands = plainStrands(stitch);
  const under = [...(stitch.loop === 'both' ? [] : [ridge]), ...(stitch.post === 'none' ? [] : [hookedFoot])];
  return under.length > 0 ? { ...strands, post: [...under, ...strands.post] } : strands;
}

function ornament(stitch: Stitch): Strands {
  switch (stitch.form) {
    case 'picot':
      return {
        post: [],
        top: [
          path('M -0.06 0 C -0.55 0.25, -0.5 0.85, 0 0.9'),
          path('M 0.06 0 C 0.55 0.25, 0.5 0.85, 0 0.9'),
          path('M -0.16 0.62 C -0.1 0.8, 0.1 0.8, 0.16 0.62'),
        ],
      };
    case 'dot':
      return {
        post: [path('M -0.07 0 L -0.07 0.7'), path('M 0.07 0 L 0.07 0.7')],
        top: petals(6, 0.42, 1.5).map((p) => shifted(p, 0.5)),
      };
    case 'tassel':
      return {
        post: [-0.3, -0.15, 0, 0.15, 0.3].map((x) =>
          path(`M ${x * 0.4} 0 C ${x * 0.6} 1, ${x} 2, ${x * 1.2} 3.6`),
        ),
        top: [path('M -0.26 0.35 C -0.1 0.25, 0.1 0.25, 0.26 0.35')],
      };
    default:
      return { post: [], top: top(0, 1) };
  }
}

function shifted(p: Path2D, up: number): Path2D {
  const moved = new Path2D();
  moved.addPath(p, new DOMMatrix().translate(0, up).scale(1, 0.62));
  return moved;
}

function plainStrands(stitch: Stitch): Strands {
  const { height, wraps } = STITCHES[stitch.kind];
  switch (stitch.form) {
    case 'puff':
      return { post: petals(6, 0.34, height), top: top(height, 0.8) };
    case 'bobble':
      return {
        post: [...petals(5, 0.44, height), ...[-0.2, 0, 0.2].map((x) => wrapAt(x, height * 0.5))],
        top: top(height, 0.7),
      };
    case 'popcorn':
      return {
        post: petals(5, 0.44, height),
        top: [
          ...top(height, 0.8),
          path(`M -0.38 ${height * 0.72} C -0.2 ${height * 0.9}, 0.2 ${height * 0.9}, 0.38 ${height * 0.72}`),
        ],
      };
    case 'together':
      return {
        post: Array.from({ length: stitch.legs }, (_, i) => {
          const x = i - (stitch.legs - 1) / 2;
          return path(
            `M ${x} -0.1 C ${x * 0.8} ${height * 0.4}, ${x * 0.2} ${height * 0.7}, ${x * 0.08} ${height - 0.1}`,
          );
        }),
        top: top(height),
      };
    case 'reverse':
      return {
        post: legs(height * 0.7, 0.2),
        top: [
          path(`M -0.45 ${height * 0.3} C -0.3 ${height}, 0.1 ${height}, 0.3 ${height * 0.55}`),
          path(`M -0.3 ${height * 0.55} C -0.1 ${height * 1.1}, 0.3 ${height * 1.05}, 0.5 ${height * 0.5}`),
        ],
      };
    case 'twisted':
      return {
        post: [
          path(`M -0.18 0 C -0.2 ${height * 0.4}, 0.25 ${height * 0.4}, 0.2 ${height - 0.1}`),
          path(`M 0.18 0 C 0.2 ${height * 0.4}, -0.25 ${height * 0.4}, -0.2 ${height - 0.1}`),
        ],
        top: top(height),
      };
    case 'cord':
      return { post: [], top: [-0.05, 0.25, 0.55].flatMap((y) => top(y)) };
    default:
      break;
  }
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

const wrapAt = (x: number, y: number): Path2D =>
  path(
    `M ${x - 0.14} ${y - 0.05} C ${x - 0.05} ${y + 0.03}, ${x + 0.05} ${y + 0.05}, ${x + 0.14} ${y + 0.07}`,
  );
