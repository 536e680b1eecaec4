/**
 * Stitches as yarn. Each stitch is a few strands, given in a frame of its own: x along the edge in the
 * direction of work, y from the foot to the head, both in stitch widths.
 */
import { STITCHES } from '../core/terms/stitches.ts';
import type { RoundChart } from '../core/chart/roundChart.ts';
import { IN_NOTHING } from '../core/ring/ring.ts';
import type { Stitch } from '../core/ring/stitch.ts';

/** Strands of a stitch, as path data: what stands between foot and head, and the loops of its top, which are laid over it. */
export interface Strands {
  readonly post: readonly string[];
  readonly top: readonly string[];
}

/** The side of a stitch that is seen. */
export type FabricSide = 'right' | 'wrong';

/** Thickness of a strand, of it with its dark edge, and of its light, in stitch widths. */
export const STRAND = { body: 0.24, edge: 0.31, light: 0.067 } as const;

type Room = 'own' | 'shared';
const known: Readonly<Record<`${FabricSide} ${Room}`, Map<Stitch, Strands>>> = {
  'right own': new Map(),
  'right shared': new Map(),
  'wrong own': new Map(),
  'wrong shared': new Map(),
};

/**
 * The strands of a stitch whose head lies at (0, its height). A chain run is one chain, drawn for each link.
 *
 * @param room whether it has its place to itself; legs of stitches that share one are drawn closer
 */
export function strandsOf(stitch: Stitch, seen: FabricSide = 'right', room: Room = 'own'): Strands {
  const of = known[`${seen} ${room}`];
  let strands = of.get(stitch);
  if (!strands) {
    strands = make(stitch, seen, room === 'own' ? 1 : SHARED);
    of.set(stitch, strands);
  }
  return strands;
}

/** The strands of an entry of a round, beside the stitches that stand next to it. */
export function strandsIn({ ring, footX, footY }: RoundChart, i: number, seen: FabricSide): Strands {
  const { made, into } = ring;
  const isHere = (k: number): boolean =>
    k !== i && into[k] !== IN_NOTHING && footX[k] === footX[i] && footY[k] === footY[i];
  const shared =
    into[i] !== IN_NOTHING &&
    (isHere(i === 0 ? made.length - 1 : i - 1) || isHere(i + 1 === made.length ? 0 : i + 1));
  return strandsOf(made[i]!, seen, shared ? 'shared' : 'own');
}

/** How far legs part where several stitches share a place, beside one that has it to itself. */
const SHARED = 0.5;

/** No symbol hangs over more, in stitch widths. */
const SYMBOL_OVERHANG = 0.85;

const overhangs = new Map<Stitch, number>();

/** How far a stitch is drawn beyond the line from its foot to its head, at most, in stitch widths: a tassel hangs longest. */
export function overhangOf(stitch: Stitch): number {
  let overhang = overhangs.get(stitch);
  if (overhang === undefined) {
    const height = stitch.kind === 'ch' ? 0 : STITCHES[stitch.kind].height;
    const all = (['right', 'wrong'] as const).flatMap((seen) => {
      const { post, top: loops } = strandsOf(stitch, seen);
      return [...[...post, ...loops].join(' ').matchAll(/-?\d[\d.e-]*/g)].map(([number]) => Number(number));
    });
    // A curve stays within its control points.
    const far = all.map((at, k) => (k % 2 === 0 ? Math.abs(at) : Math.max(-at, at - height)));
    const [x, y] = [0, 1].map((odd) => Math.max(...far.filter((_, k) => k % 2 === odd))) as [number, number];
    overhang = Math.max(SYMBOL_OVERHANG, Math.hypot(x, y) + STRAND.edge);
    overhangs.set(stitch, overhang);
  }
  return overhang;
}

/** Strands of a stitch that reaches down for its place, from there (y = 0) to where its own legs begin (y = 1). */
export const REACHING: readonly string[] = ['M -0.06 0 L -0.06 1.02', 'M 0.06 0 L 0.06 1.02'];

/** The two loops of a top, like one link of a plait lying along the edge. */
function top(y: number, width = 1): readonly string[] {
  const a = -0.58 * width;
  const b = 0.5 * width;
  return [
    `M ${a} ${y} C ${a + 0.25} ${y - 0.3}, ${b - 0.3} ${y - 0.28}, ${b} ${y - 0.06}`,
    `M ${a} ${y} C ${a + 0.25} ${y + 0.26}, ${b - 0.3} ${y + 0.26}, ${b} ${y + 0.06}`,
  ];
}

/** Two legs that leave the foot together and part towards the head. */
function legs(height: number, spread: number): readonly string[] {
  const y = height - 0.12;
  return [
    `M -0.05 -0.12 C -0.08 ${y * 0.4}, ${-spread} ${y * 0.6}, ${-spread} ${y}`,
    `M 0.05 -0.12 C 0.08 ${y * 0.4}, ${spread} ${y * 0.6}, ${spread} ${y}`,
  ];
}

/** One wrap lying aslant across a post. */
const wrap = (y: number, half = 0.26): string =>
  `M ${-half} ${y - 0.1} C ${-half * 0.4} ${y + 0.06}, ${half * 0.4} ${y + 0.08}, ${half} ${y + 0.12}`;

/** A petal from the foot to the head, bulging to one side. */
const petal = (bulge: number, foot: number, head: number): string =>
  `M 0 ${foot} C ${bulge * 1.5} ${foot + 0.25}, ${bulge * 1.5} ${head - 0.25}, 0 ${head}`;

/** Legs that bulge between one foot and one head. */
const petals = (count: number, bulge: number, head: number, foot = -0.08): readonly string[] =>
  Array.from({ length: count }, (_, i) => petal(bulge * ((2 * i) / (count - 1) - 1), foot, head));

/** A bar lying along the edge at the foot: the front loop of the stitch below, left free on its face. */
const FREE_LOOP = 'M -0.5 -0.02 C -0.25 -0.14, 0.25 -0.14, 0.5 -0.02';

/** The hook-shaped foot of a stitch that goes round a post, in front of it. */
const HOOKED_FOOT = 'M -0.3 -0.55 C -0.42 -0.2, 0.42 -0.2, 0.3 -0.55';

/**
 * A stitch into the back loop leaves the front loop below lying free; one into the third loop leaves the whole V,
 * a ridge. A post stitch either hooks round in front, or goes behind, so that the top below lies before it. Seen
 * from the other side, front and back change places.
 */
function make(stitch: Stitch, seen: FabricSide, parting: number): Strands {
  if (stitch.kind === 'ch') return ornament(stitch);
  const { post, top: loops } = plainStrands(stitch, parting);
  const turned = seen === 'wrong';
  const free = turned ? stitch.loop === 'front' : stitch.loop === 'back';
  const before = stitch.post !== 'none' && (stitch.post === 'front') !== turned;
  const behind = stitch.post !== 'none' && !before;
  return {
    post: [
      ...(free ? [FREE_LOOP] : []),
      ...(stitch.loop === 'third' && !turned ? top(-0.05) : []),
      ...(before ? [HOOKED_FOOT] : []),
      ...post,
      ...(behind ? top(-0.05) : []),
      ...(turned && stitch.kind !== 'slst' ? [backBar(STITCHES[stitch.kind].height)] : []),
    ],
    top: loops,
  };
}

/** Back of a stitch below its top: a bar lying across. */
const backBar = (height: number): string =>
  `M -0.4 ${height - 0.42} C -0.15 ${height - 0.3}, 0.15 ${height - 0.3}, 0.4 ${height - 0.42}`;

function ornament(stitch: Stitch): Strands {
  switch (stitch.form) {
    case 'picot':
      return {
        post: [],
        top: [
          'M -0.06 0 C -0.55 0.25, -0.5 0.85, 0 0.9',
          'M 0.06 0 C 0.55 0.25, 0.5 0.85, 0 0.9',
          'M -0.16 0.62 C -0.1 0.8, 0.1 0.8, 0.16 0.62',
        ],
      };
    case 'dot':
      return {
        post: ['M -0.07 0 L -0.07 0.7', 'M 0.07 0 L 0.07 0.7'],
        top: petals(6, 0.42, 1.4, 0.45),
      };
    case 'tassel':
      return {
        post: [-0.3, -0.15, 0, 0.15, 0.3].map((x) => `M ${x * 0.4} 0 C ${x * 0.6} 1, ${x} 2, ${x * 1.2} 3.6`),
        top: ['M -0.26 0.35 C -0.1 0.25, 0.1 0.25, 0.26 0.35'],
      };
    default:
      return { post: [], top: top(0, 1) };
  }
}

function plainStrands(stitch: Stitch, parting: number): Strands {
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
          `M -0.38 ${height * 0.72} C -0.2 ${height * 0.9}, 0.2 ${height * 0.9}, 0.38 ${height * 0.72}`,
        ],
      };
    case 'together':
      return {
        post: Array.from({ length: stitch.legs }, (_, i) => {
          const x = i - (stitch.legs - 1) / 2;
          return `M ${x} -0.1 C ${x * 0.8} ${height * 0.4}, ${x * 0.2} ${height * 0.7}, ${x * 0.08} ${height - 0.1}`;
        }),
        top: top(height),
      };
    case 'reverse':
      return {
        post: legs(height * 0.7, 0.2),
        top: [
          `M -0.45 ${height * 0.3} C -0.3 ${height}, 0.1 ${height}, 0.3 ${height * 0.55}`,
          `M -0.3 ${height * 0.55} C -0.1 ${height * 1.1}, 0.3 ${height * 1.05}, 0.5 ${height * 0.5}`,
        ],
      };
    case 'twisted':
      return {
        post: [
          `M -0.18 0 C -0.2 ${height * 0.4}, 0.25 ${height * 0.4}, 0.2 ${height - 0.1}`,
          `M 0.18 0 C 0.2 ${height * 0.4}, -0.25 ${height * 0.4}, -0.2 ${height - 0.1}`,
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
      return { post: legs(height, 0.3 * parting), top: top(height) };
    case 'esc':
      return { post: [...legs(height, 0.24 * parting), wrap(height * 0.36, 0.16)], top: top(height) };
    case 'hdc':
    case 'hhdc': {
      const slant = stitch.kind === 'hhdc' ? 0.26 : 0.1;
      const bar = `M ${-0.36 * parting} ${height - 0.3 - slant} L ${0.36 * parting} ${height - 0.3 + slant * 0.5}`;
      return { post: [...legs(height, 0.22 * parting), bar], top: top(height) };
    }
    default: {
      const bars = Array.from({ length: wraps }, (_, i) =>
        wrap(height * 0.25 + ((i + 0.7) * height * 0.55) / wraps),
      );
      return { post: [...legs(height, 0.17), ...bars], top: top(height) };
    }
  }
}

const wrapAt = (x: number, y: number): string =>
  `M ${x - 0.14} ${y - 0.05} C ${x - 0.05} ${y + 0.03}, ${x + 0.05} ${y + 0.05}, ${x + 0.14} ${y + 0.07}`;
