/** A scene, as data: the rounds of a plan with their places and colours, for the canvas and for SVG alike. */
import { held } from '../core/held.ts';
import { remembered } from '../core/remembered.ts';
import { bodyOutline } from '../core/chart/chart.ts';
import type { RoundChart } from '../core/chart/roundChart.ts';
import { edgeChartOf, type EdgeLine } from '../core/chart/edgeChart.ts';
import type { FabricShape } from '../core/piece/construction.ts';
import type { FabricRow } from '../core/piece/fabric.ts';
import type { Point } from '../core/piece/outline.ts';
import { areasOf, fabricOf, partAt, stitchesOf, type Piece } from '../core/piece/piece.ts';
import { IN_NOTHING } from '../core/ring/ring.ts';
import type { Plan } from '../core/plan/types.ts';
import { orderOfWork } from '../core/procedure/order.ts';
import { proceduresOf } from '../core/procedure/procedure.ts';
import { stitchOf, type Stitch } from '../core/ring/stitch.ts';
import { chartAsMade, liftOf } from './asMade.ts';
import type { DrawnChart } from './frames.ts';
import { faded } from './colours.ts';
import type { FabricSide } from './yarnFace.ts';

export type Face = 'yarn' | 'symbols';

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
  /** Surfaces of parts in colours of their own, each lying on those before it. */
  readonly areas: readonly { readonly points: readonly Point[]; readonly colour: string }[];
  /** Its other stitches, row by row, and where there are none, surfaces and lines that tell what it is of. */
  readonly fabric: readonly DrawnRound[];
  readonly shapes: readonly FabricShape[];
  /** Its outermost stitches, which the base round goes into; seams and holes. */
  readonly edge: DrawnRound;
  readonly lines: readonly EdgeLine[];
  readonly holes: readonly Point[];
  /** From the innermost outwards. */
  readonly rounds: readonly DrawnRound[];
  /** For each of them the chain that lifts the yarn to its height and does not count; null where there is none. */
  readonly lifts: readonly (DrawnRound | null)[];
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
  const rounds = plan.rounds.slice(0, worked ? worked.round + 1 : undefined).map((r, k): DrawnRound => {
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
  });
  return {
    face,
    body: bodyOutline(plan),
    bodyColour: behind(FAR_BEHIND),
    areas:
      Object.keys(partColours).length === 0
        ? []
        : areasOf(piece).map(({ part, points }) => ({
            points,
            colour: behind(FAR_BEHIND, partColours[String(part)]),
          })),
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
    rounds,
    lifts: rounds.map((drawn, k): DrawnRound | null => {
      const chart = liftOf(plan, k);
      if (!chart) return null;
      const { worked } = drawn;
      return {
        ...drawn,
        chart,
        worked: worked && { ...worked, made: Uint8Array.of(worked.made.includes(1) ? 1 : 0) },
      };
    }),
  };
}

/** Rounds in the order in which they are drawn: each over the chain that lifts the yarn to its height. */
export const inOrder = ({ rounds, lifts }: Scene): readonly DrawnRound[] =>
  rounds.flatMap((round, k) => (lifts[k] ? [lifts[k], round] : [round]));
