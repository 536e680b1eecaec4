/** Paints charts onto a canvas, as yarn or as symbols. */
import type { RoundChart } from '../../core/chart/chart.ts';
import type { Point } from '../../core/piece/outline.ts';
import { isChainRun } from '../../core/ring/stitch.ts';
import { STITCHES } from '../../core/terms/stitches.ts';
import { tonesOf } from './colours.ts';
import { strandsOf } from './yarnFace.ts';
import { symbolOf } from './symbolFace.ts';

export interface View {
  /** The point of the piece, mm, that lies in the middle of the canvas. */
  readonly x: number;
  readonly y: number;
  /** Canvas pixels for a millimetre. */
  readonly scale: number;
  readonly mirrored: boolean;
}

export interface PaintedRound {
  readonly chart: RoundChart;
  /** Width of a stitch, mm. */
  readonly widthMm: number;
  /** #rrggbb */
  readonly colour: string;
}

export type Face = 'yarn' | 'symbols';

const STRAND = 0.24;

/** A function that sets the canvas to a frame: origin at a point, y towards another, unit a stitch width. */
class Frames {
  constructor(
    private readonly context: CanvasRenderingContext2D,
    private readonly view: View,
    private readonly width: number,
    private readonly height: number,
  ) {}

  /** Canvas position of a point of the piece. */
  at(x: number, y: number): readonly [number, number] {
    const { view } = this;
    const dx = (x - view.x) * view.scale * (view.mirrored ? -1 : 1);
    return [this.width / 2 + dx, this.height / 2 + (y - view.y) * view.scale];
  }

  visible(x: number, y: number, margin: number): boolean {
    const [px, py] = this.at(x, y);
    return px > -margin && py > -margin && px < this.width + margin && py < this.height + margin;
  }

  /** y runs from (x0, y0) to (x1, y1), which lies `length` stitch widths up; x keeps the stitch width. */
  set(x0: number, y0: number, x1: number, y1: number, length: number, widthMm: number): void {
    const { scale, mirrored } = this.view;
    const [px, py] = this.at(x0, y0);
    const dx = (x1 - x0) * scale * (mirrored ? -1 : 1);
    const dy = (y1 - y0) * scale;
    const size = Math.hypot(dx, dy) || 1;
    const unit = widthMm * scale;
    const turn = mirrored ? -1 : 1;
    const ux = (dy / size) * unit * turn;
    const uy = (-dx / size) * unit * turn;
    this.context.setTransform(ux, uy, dx / length, dy / length, px, py);
  }
}

export interface PaintedBody {
  /** Outline of the piece, mm. */
  readonly outline: readonly Point[];
  readonly colour: string;
}

/**
 * Paints the piece and its rounds from the innermost outwards.
 *
 * @param width canvas width, device pixels; likewise `height`
 */
export function paint(
  context: CanvasRenderingContext2D,
  width: number,
  height: number,
  body: PaintedBody,
  rounds: readonly PaintedRound[],
  view: View,
  face: Face,
): void {
  const frames = new Frames(context, view, width, height);
  context.lineCap = 'round';
  context.lineJoin = 'round';
  paintBody(context, frames, body);
  for (const round of rounds) {
    if (face === 'yarn') paintYarn(context, frames, round, view);
    else paintSymbols(context, frames, round, view);
  }
  context.resetTransform();
}

function paintBody(
  context: CanvasRenderingContext2D,
  frames: Frames,
  { outline, colour }: PaintedBody,
): void {
  context.resetTransform();
  context.beginPath();
  outline.forEach((p, i) => {
    const [x, y] = frames.at(p.x, p.y);
    if (i === 0) context.moveTo(x, y);
    else context.lineTo(x, y);
  });
  context.closePath();
  context.fillStyle = colour;
  context.fill();
}

function strokeStrand(context: CanvasRenderingContext2D, strand: Path2D, colour: string): void {
  const tones = tonesOf(colour);
  context.strokeStyle = tones.edge;
  context.lineWidth = STRAND + 0.07;
  context.stroke(strand);
  context.strokeStyle = tones.body;
  context.lineWidth = STRAND;
  context.stroke(strand);
  context.strokeStyle = tones.light;
  context.lineWidth = STRAND * 0.28;
  context.stroke(strand);
}

function paintYarn(
  context: CanvasRenderingContext2D,
  frames: Frames,
  { chart, colour, widthMm }: PaintedRound,
  view: View,
): void {
  const { ring, headX, headY, footX, footY } = chart;
  const margin = 5 * widthMm * view.scale;
  const seen: number[] = [];
  for (let i = 0; i < ring.made.length; i++) if (frames.visible(headX[i]!, headY[i]!, margin)) seen.push(i);
  for (const i of seen) {
    const s = ring.made[i]!;
    if (isChainRun(s)) continue;
    frames.set(footX[i]!, footY[i]!, headX[i]!, headY[i]!, frameHeight(chart, i), widthMm);
    for (const strand of strandsOf(s).post) strokeStrand(context, strand, colour);
  }
  for (const i of seen) {
    const s = ring.made[i]!;
    if (isChainRun(s)) paintChain(frames, chart, i, widthMm, (link) => strokeStrand(context, link, colour));
    else {
      frames.set(footX[i]!, footY[i]!, headX[i]!, headY[i]!, frameHeight(chart, i), widthMm);
      for (const strand of strandsOf(s).top) strokeStrand(context, strand, colour);
    }
  }
}

/** Nominal height of an entry, in stitch widths, that its drawn height is scaled to. */
const frameHeight = (chart: RoundChart, i: number): number => {
  const s = chart.ring.made[i]!;
  return s.kind === 'ch' ? 1 : STITCHES[s.kind].height;
};

/** Lays the links of a chain run between the tops of its neighbours, bulging outwards. */
function paintChain(
  frames: Frames,
  chart: RoundChart,
  i: number,
  widthMm: number,
  stroke: (link: Path2D) => void,
): void {
  const { ring, headX, headY } = chart;
  const size = ring.made.length;
  const s = ring.made[i]!;
  const before = (i - 1 + size) % size;
  const after = (i + 1) % size;
  const strands = strandsOf(s).top;
  // A quadratic curve from neighbour to neighbour through the run's own position.
  const cx = 2 * headX[i]! - (headX[before]! + headX[after]!) / 2;
  const cy = 2 * headY[i]! - (headY[before]! + headY[after]!) / 2;
  const at = (t: number): readonly [number, number] => [
    (1 - t) ** 2 * headX[before]! + 2 * t * (1 - t) * cx + t * t * headX[after]!,
    (1 - t) ** 2 * headY[before]! + 2 * t * (1 - t) * cy + t * t * headY[after]!,
  ];
  for (let link = 0; link < s.chains; link++) {
    const t = (link + 1) / (s.chains + 1);
    const [x, y] = at(t);
    const [x0, y0] = at(t - 0.05);
    const [x1, y1] = at(t + 0.05);
    const length = Math.hypot(x1 - x0, y1 - y0) || 1;
    // Outwards is to the right of the direction of work.
    frames.set(x, y, x - (y1 - y0) / length, y + (x1 - x0) / length, 1 / widthMm, widthMm);
    for (const strand of strands) stroke(strand);
  }
}

function paintSymbols(
  context: CanvasRenderingContext2D,
  frames: Frames,
  { chart, colour, widthMm }: PaintedRound,
  view: View,
): void {
  const { ring, headX, headY, footX, footY } = chart;
  const margin = 5 * widthMm * view.scale;
  const ink = tonesOf(colour).edge;
  context.strokeStyle = ink;
  context.fillStyle = ink;
  for (let i = 0; i < ring.made.length; i++) {
    if (!frames.visible(headX[i]!, headY[i]!, margin)) continue;
    const s = ring.made[i]!;
    const symbol = symbolOf(s);
    context.lineWidth = 0.1;
    if (isChainRun(s)) paintChain(frames, chart, i, widthMm, () => context.stroke(symbol.lines));
    else {
      frames.set(footX[i]!, footY[i]!, headX[i]!, headY[i]!, frameHeight(chart, i), widthMm);
      context.stroke(symbol.lines);
      if (symbol.filled) context.fill(symbol.filled);
    }
  }
}
