/** A scene, as data: the rounds of a plan with their places and colours, for the canvas and for SVG alike. */
import { held } from '../core/held.ts';
import { remembered } from '../core/remembered.ts';
import { bodyOutline } from '../core/chart/chart.ts';
import type { RoundChart } from '../core/chart/roundChart.ts';
import { edgeChartOf, type EdgeLine } from '../core/chart/edgeChart.ts';
import type { FabricShape } from '../core/piece/construction.ts';
import type { FabricRow } from '../core/piece/fabric.ts';
import type { Point } from '../core/piece/outline.ts';
import { fabricOf, partAt, stitchesOf, type Piece } from '../core/piece/piece.ts';
import { IN_NOTHING } from '../core/ring/ring.ts';
import type { Plan } from '../core/plan/types.ts';
import { orderOfWork } from '../core/procedure/order.ts';
import { proceduresOf } from '../core/procedure/procedure.ts';
import { isChainRun, stitchOf, type Stitch } from '../core/ring/stitch.ts';
import { STITCHES } from '../core/terms/stitches.ts';
import { chartAsMade } from './asMade.ts';
import { faded } from './colours.ts';
import type { FabricSide } from './yarnFace.ts';

export type Face = 'yarn' | 'symbols';

/** A chart with the entries that stand as several pieces, one above the other, and how many these are. */
export interface DrawnChart extends RoundChart {
  readonly upright?: ReadonlyMap<number, number>;
}

export interface DrawnRound {
  readonly chart: DrawnChart;
  /** Width of a stitch, mm. */
  readonly widthMm: number;
  /** #rrggbb */
  readonly colour: string;
  /** Colours of its entries, where they have several. */
  readonly colours?: readonly string[];
  /** The entries that have been made, by 1, and the colour of the others; null where all are drawn alike. */
  readonly worked: { readonly made: Uint8Array; readonly restColour: string } | null;
  /** The side of its stitches that the viewer sees. */
  readonly seen: FabricSide;
  /** It lies on the face of the round below and encloses nothing of its own. */
  readonly surface: boolean;
}

export interface Scene {
  readonly face: Face;
  /** Outline of the piece, mm; empty when it is not drawn. */
  readonly body: readonly Point[];
  readonly bodyColour: string;
  /** Its other stitches, row by row, and where there are none, surfaces and lines that tell what it is of. */
  readonly fabric: readonly DrawnRound[];
  readonly shapes: readonly FabricShape[];
  /** Its outermost stitches, which the base round goes into; seams and holes. */
  readonly edge: DrawnRound;
  readonly lines: readonly EdgeLine[];
  readonly holes: readonly Point[];
  /** From the innermost outwards. */
  readonly rounds: readonly DrawnRound[];
  /** Mirrored left and right: for the left hand, or because the wrong side is seen; for both, twice. */
  readonly mirrored: boolean;
}

export interface SceneChoice {
  readonly face: Face;
  readonly seen: FabricSide;
  /** Only this round in full colour; null for all. */
  readonly round: number | null;
  /** How far the work is: what has been made of a round stands out, rounds after it are not drawn; null draws the design. */
  readonly worked?: { readonly round: number; readonly made: number } | null;
  /** The piece in its own colour, not standing back behind the border. */
  readonly pieceInFull?: boolean;
  /** Colour that the rounds behind fade into, #rrggbb. */
  readonly ground: string;
}

/** The colour of an entry. */
export const colourAt = ({ colour, colours, worked }: DrawnRound, entry: number): string =>
  worked && worked.made[entry] === 0 ? worked.restColour : (colours?.[entry] ?? colour);

/** Thickness of seams, and radius of holes, in stitch widths. */
export const SEAM_LINE = 0.16;
export const HOLE = 0.22;

/** How far the piece stands back behind its border. */
const BEHIND = 0.45;
const FAR_BEHIND = 0.72;

/** How far what has yet to be made fades into the ground. */
const REST = 0.7;

/** The rows of a piece as charts of one stitch each; no round is worked on them. */
function fabricOn(
  piece: Piece,
): readonly (Pick<FabricRow, 'widthMm' | 'wrong' | 'part'> & { readonly chart: RoundChart })[] {
  return stitchesOf(piece).map((row) => ({
    chart: chartOfRow(row),
    widthMm: row.widthMm,
    wrong: row.wrong,
    part: row.part,
  }));
}

const chartOfRow = remembered(({ stitch, headX, headY, footX, footY }: FabricRow): RoundChart => {
  const made = new Array<Stitch>(headX.length).fill(stitchOf({ kind: stitch }));
  return {
    ring: { made, into: new Int32Array(made.length).fill(IN_NOTHING), centres: [] },
    headX,
    headY,
    footX,
    footY,
  };
});

/** Which entries of a round the first so many, in the order of work, are. */
function madeOf(plan: Plan, round: number, count: number): Uint8Array {
  const { start } = proceduresOf(plan)[round]!;
  const order = orderOfWork(plan.rounds[round]!);
  const made = new Uint8Array(order.size);
  for (let k = 0; k < Math.min(count, order.size); k++) made[order.entry((start?.at ?? 0) + k)] = 1;
  return made;
}

const middleOf = ({ headX, headY, footX, footY }: RoundChart, i: number): Point => ({
  x: (headX[i]! + footX[i]!) / 2,
  y: (headY[i]! + footY[i]!) / 2,
});

/** The part of a piece that each stitch along its edge belongs to. */
const partsOfEdge = remembered((piece: Piece) =>
  remembered((chart: RoundChart) => chart.ring.made.map((_, i) => partAt(piece, middleOf(chart, i)))),
);

/** The colours of the stitches of an edge, each that of its part. */
function coloursOfEdge(
  chart: RoundChart,
  piece: Piece,
  colourOf: (part: number | null) => string,
): readonly string[] {
  const parts = partsOfEdge(piece)(chart);
  const colours = new Map([...new Set(parts)].map((part) => [part, colourOf(part)]));
  return parts.map((part) => held(colours.get(part), 'every part has a color'));
}

/** The drawing of a plan. */
export function sceneOf(
  plan: Plan,
  { face, seen, round, ground, worked = null, pieceInFull = false }: SceneChoice,
): Scene {
  const colours = new Map(plan.hem.yarns.map((y) => [y.id, y.colour]));
  const edge = edgeChartOf(plan.body, plan.stitchWidthMm);
  const { pieceColour: own, partColours, piece } = plan.hem;
  const behind = (part: number, colour = own): string => (pieceInFull ? colour : faded(colour, ground, part));
  const pieceColour = behind(BEHIND);
  const partColour = (part: number | null): string => {
    const own = partColours[String(part)];
    return own === undefined ? pieceColour : behind(BEHIND, own);
  };
  return {
    face,
    body: bodyOutline(plan),
    bodyColour: behind(FAR_BEHIND),
    fabric: fabricOn(piece).map(({ chart, widthMm, wrong, part }) => ({
      chart,
      widthMm,
      colour: partColour(part),
      worked: null,
      seen: wrong === (seen === 'right') ? 'wrong' : 'right',
      surface: true,
    })),
    shapes: fabricOf(piece),
    edge: {
      chart: edge.chart,
      widthMm: edge.widthMm,
      colour: pieceColour,
      ...(Object.keys(partColours).length > 0 && {
        colours: coloursOfEdge(edge.chart, piece, partColour),
      }),
      worked: null,
      seen,
      surface: true,
    },
    lines: edge.lines,
    holes: edge.holes,
    mirrored: (plan.hem.preferences.hand === 'left') !== (seen === 'wrong'),
    rounds: plan.rounds.slice(0, worked ? worked.round + 1 : undefined).map((r, k): DrawnRound => {
      const colour = held(colours.get(r.yarnId), 'every round has a yarn of the hem');
      const facing = r.written?.entry.facing ?? r.written?.recipe.facing ?? 'right';
      return {
        chart: chartAsMade(plan, k),
        widthMm: r.stitchWidthMm,
        colour: round !== null && k !== round ? faded(colour, ground) : colour,
        worked:
          k === worked?.round
            ? { made: madeOf(plan, k, worked.made), restColour: faded(colour, ground, REST) }
            : null,
        seen: facing === seen ? 'right' : 'wrong',
        surface: r.written?.recipe.surface ?? false,
      };
    }),
  };
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
