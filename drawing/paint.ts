/** Paints a scene onto a canvas, in more or less detail as the scale allows. */
import { rememberedBy } from '../core/remembered.ts';
import type { Point } from '../core/piece/outline.ts';
import { IN_NOTHING } from '../core/ring/ring.ts';
import { faded, tonesOf, type Tones } from './colours.ts';
import { entriesIn, type Box } from './find.ts';
import { symbolFramesOf, yarnFramesOf, type Frame } from './frames.ts';
import { HOLE, SEAM_LINE, colourAt, inOrder, type DrawnRound, type Scene } from './scene.ts';
import type { WaysOfJoins } from './starts.ts';
import { SYMBOL_LINE, symbolOf } from './symbolFace.ts';
import { REACHING, STRAND, strandsIn, type Strands } from './yarnFace.ts';

/** On the page, or away from it. */
export type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** How the piece lies on a canvas: the point (x, y), mm, in its middle, and device pixels to the millimetre. */
export interface View {
  readonly x: number;
  readonly y: number;
  readonly scale: number;
}

/** Device pixels to a stitch width below which strands are not told apart, and below which stitches are not. */
const WHOLE_STITCHES = 15;
const BANDS = 3.2;

/** Path data as a path, made once. */
const paths = new Map<string, Path2D>();
function pathOf(data: string): Path2D {
  let path = paths.get(data);
  if (!path) {
    path = new Path2D(data);
    paths.set(data, path);
  }
  return path;
}

/** All strands of a stitch in one path, for small drawings. */
const whole = new Map<Strands, { readonly post: Path2D; readonly top: Path2D }>();
function wholeOf(strands: Strands): { readonly post: Path2D; readonly top: Path2D } {
  let found = whole.get(strands);
  if (!found) {
    found = { post: new Path2D(strands.post.join(' ')), top: new Path2D(strands.top.join(' ')) };
    whole.set(strands, found);
  }
  return found;
}

/** The part of the piece that a canvas shows, mm. */
export const boxOf = (view: View, width: number, height: number): Box => ({
  minX: view.x - width / 2 / view.scale,
  maxX: view.x + width / 2 / view.scale,
  minY: view.y - height / 2 / view.scale,
  maxY: view.y + height / 2 / view.scale,
});

/** Paints the whole canvas; mirroring is part of it. Cost: linear in the stitches that are seen. */
export function paint(context: Context, scene: Scene, view: View): void {
  context.lineCap = 'round';
  context.lineJoin = 'round';
  const base = frameOfView(context, view, scene.mirrored);
  const seen = boxOf(view, context.canvas.width, context.canvas.height);
  const onto = new Placer(context, base);
  const widest = Math.max(...scene.rounds.map((r) => r.widthMm));
  if (widest * view.scale < BANDS) {
    paintBands(context, base, scene, view.scale);
    return;
  }
  paintBody(context, base, scene);
  const piece = scene.body.length === 0 || scene.face === 'symbols' ? [] : scene.fabric;
  if (piece.length === 0 && scene.face === 'yarn') paintShapes(context, scene);
  paintLines(context, scene);
  for (const round of [...piece, scene.edge, ...inOrder(scene)]) {
    const entries = entriesIn(round, seen);
    if (scene.face === 'symbols') paintSymbols(onto, round, entries);
    else if (round.widthMm * view.scale < WHOLE_STITCHES)
      paintStitches(onto, round, entries, round.widthMm * view.scale);
    else paintStrands(onto, round, entries);
  }
  context.resetTransform();
}

function frameOfView({ canvas }: Context, view: View, mirrored: boolean): Frame {
  const across = mirrored ? -view.scale : view.scale;
  return [
    across,
    0,
    0,
    view.scale,
    canvas.width / 2 - view.x * across,
    canvas.height / 2 - view.y * view.scale,
  ];
}

/** Lays frames of stitches onto the canvas. */
class Placer {
  constructor(
    readonly context: Context,
    private readonly base: Frame,
  ) {}

  place([a, b, c, d, e, f]: Frame): void {
    const [sx, , , sy, ox, oy] = this.base;
    this.context.setTransform(a * sx, b * sy, c * sx, d * sy, e * sx + ox, f * sy + oy);
  }

  stroke(path: Path2D, colour: string, width: number): void {
    this.context.strokeStyle = colour;
    this.context.lineWidth = width;
    this.context.stroke(path);
  }
}

function polygon(points: readonly Point[]): Path2D {
  const path = new Path2D();
  for (const p of points) path.lineTo(p.x, p.y);
  path.closePath();
  return path;
}

function paintBody(context: Context, base: Frame, { body, bodyColour, areas }: Scene): void {
  context.setTransform(...base);
  context.fillStyle = bodyColour;
  context.fill(polygon(body));
  if (body.length === 0) return;
  for (const { points, colour } of areas) {
    context.fillStyle = colour;
    context.fill(polygon(points));
  }
}

/** Fabric of the piece, where its stitches are not drawn one by one. */
function paintShapes(context: Context, { body, shapes, edge }: Scene): void {
  if (body.length === 0) return;
  const { body: surface, edge: dark } = tonesOf(edge.colour);
  context.save();
  context.clip(polygon(body));
  for (const shape of shapes) {
    if (shape.draw === 'surface') {
      context.globalAlpha = 0.35;
      context.fillStyle = surface;
      context.fill(polygon(shape.along.points));
      continue;
    }
    const { along, dashes, thickMm } = shape;
    context.globalAlpha = 0.5;
    context.strokeStyle = dark;
    context.lineWidth = thickMm;
    context.setLineDash(dashes ? [dashes.lengthMm, dashes.pitchMm - dashes.lengthMm] : []);
    context.beginPath();
    if ('radiusMm' in along) context.arc(0, 0, along.radiusMm, 0, 2 * Math.PI);
    else {
      for (const p of along.points) context.lineTo(p.x, p.y);
      if (!along.open) context.closePath();
    }
    context.stroke();
  }
  context.restore();
}

/** Seams and holes. */
function paintLines(context: Context, { lines, holes, edge }: Scene): void {
  if (lines.length === 0 && holes.length === 0) return;
  const path = new Path2D();
  for (const { from, to } of lines) {
    path.moveTo(from.x, from.y);
    path.lineTo(to.x, to.y);
  }
  for (const { x, y } of holes) {
    path.moveTo(x + HOLE * edge.widthMm, y);
    path.arc(x, y, HOLE * edge.widthMm, 0, 2 * Math.PI);
  }
  context.strokeStyle = tonesOf(edge.colour).edge;
  context.lineWidth = SEAM_LINE * edge.widthMm;
  context.stroke(path);
}

/** Every strand with its dark edge, its body and its light. */
function paintStrands(onto: Placer, round: DrawnRound, entries: readonly number[]): void {
  const { chart, widthMm, seen } = round;
  const lay = (strands: readonly string[], tones: Tones): void => {
    for (const strand of strands) {
      const path = pathOf(strand);
      onto.stroke(path, tones.edge, STRAND.edge);
      onto.stroke(path, tones.body, STRAND.body);
      onto.stroke(path, tones.light, STRAND.light);
    }
  };
  for (const part of ['post', 'top'] as const) {
    for (const i of entries) {
      const strands = strandsIn(chart, i, seen)[part];
      if (strands.length === 0) continue;
      const tones = tonesOf(colourAt(round, i));
      const { frames, reach } = yarnFramesOf(chart, i, widthMm);
      if (reach && part === 'post') {
        onto.place(reach);
        lay(REACHING, tones);
      }
      for (const placed of frames) {
        onto.place(placed);
        lay(strands, tones);
      }
    }
  }
}

/** How far the edges of the smallest stitches go over into their yarn. */
const MOST_LIGHT = 0.9;

/**
 * Every stitch in one stroke with a dark edge.
 *
 * @param pixels device pixels to a stitch width
 */
function paintStitches(onto: Placer, round: DrawnRound, entries: readonly number[], pixels: number): void {
  const { chart, widthMm, seen } = round;
  // The smaller a stitch, the more of it would be its edge, and all of it darker than its yarn.
  const light = Math.round(10 * MOST_LIGHT * (1 - pixels / WHOLE_STITCHES)) / 10;
  const edges = new Map<string, string>();
  for (const part of ['post', 'top'] as const) {
    for (const i of entries) {
      const strands = strandsIn(chart, i, seen);
      if (strands[part].length === 0) continue;
      const path = wholeOf(strands)[part];
      const colour = colourAt(round, i);
      const tones = tonesOf(colour);
      let edge = edges.get(colour);
      if (edge === undefined) edges.set(colour, (edge = faded(tones.edge, tones.body, light)));
      for (const placed of yarnFramesOf(chart, i, widthMm).frames) {
        onto.place(placed);
        onto.stroke(path, edge, STRAND.edge + 0.05);
        onto.stroke(path, tones.body, STRAND.body - 0.03);
      }
    }
  }
}

function paintSymbols(onto: Placer, round: DrawnRound, entries: readonly number[]): void {
  const { chart, widthMm } = round;
  for (const i of entries) {
    const ink = tonesOf(colourAt(round, i)).edge;
    onto.context.fillStyle = ink;
    const { lines, filled } = symbolOf(chart.ring.made[i]!);
    for (const placed of symbolFramesOf(chart, i, widthMm)) {
      onto.place(placed);
      onto.stroke(pathOf(lines), ink, SYMBOL_LINE);
      if (filled) onto.context.fill(pathOf(filled));
    }
  }
}

/** Dots at the places that a round goes into. */
export function paintFeet(
  context: Context,
  scene: Scene,
  round: number,
  view: View,
  { thread, ink }: { readonly thread: string; readonly ink: string },
): void {
  const { chart, widthMm } = scene.rounds[round]!;
  const { width, height } = context.canvas;
  context.setTransform(...frameOfView(context, view, scene.mirrored));
  context.fillStyle = thread;
  context.strokeStyle = ink;
  context.lineWidth = 0.05 * widthMm;
  for (const i of entriesIn(scene.rounds[round]!, boxOf(view, width, height))) {
    if (chart.ring.into[i] === IN_NOTHING) continue;
    context.beginPath();
    context.arc(chart.footX[i]!, chart.footY[i]!, 0.17 * widthMm, 0, 2 * Math.PI);
    context.fill();
    context.stroke();
  }
  context.resetTransform();
}

/** Width from which a mark is seen, pixels. */
const SEEN_PX = 8;

/** Where rounds begin: a dot each, the way of the joins from round to round, and dashed beside it the straight one. */
export function paintStarts(
  context: Context,
  scene: Scene,
  { made, straight }: WaysOfJoins,
  view: View,
  { thread, ink }: { readonly thread: string; readonly ink: string },
): void {
  // From afar they stay as wide as can be seen.
  const widthMm = Math.max(scene.edge.widthMm, SEEN_PX / view.scale);
  const line = (points: readonly Point[], lines: number): void => {
    context.lineWidth = lines * widthMm;
    context.beginPath();
    for (const { x, y } of points) context.lineTo(x, y);
    context.stroke();
  };
  context.setTransform(...frameOfView(context, view, scene.mirrored));
  context.fillStyle = thread;
  context.strokeStyle = ink;
  if (straight) {
    context.setLineDash([0.3 * widthMm, 0.2 * widthMm]);
    line(straight, 0.08);
    context.setLineDash([]);
  }
  line(made, 0.12);
  context.lineWidth = 0.08 * widthMm;
  for (const { x, y } of made) {
    context.beginPath();
    context.arc(x, y, 0.34 * widthMm, 0, 2 * Math.PI);
    context.fill();
    context.stroke();
  }
  context.resetTransform();
}

/** Rounds as bands of colour between their tops, for a scale at which no stitch can be made out. */
function paintBands(context: Context, base: Frame, scene: Scene, scale: number): void {
  context.setTransform(...base);
  for (const round of scene.rounds.filter((r) => !r.surface).reverse()) band(context, round, scale, true);
  paintBody(context, base, scene);
  paintShapes(context, scene);
  for (const round of scene.rounds) if (round.surface) band(context, round, scale, false);
  context.resetTransform();
}

function band(context: Context, round: DrawnRound, scale: number, filled: boolean): void {
  const tones = tonesOf(round.colour);
  const level = Math.ceil(Math.log2(scale));
  const rim = rimOf(round.chart, level);
  if (filled) {
    context.fillStyle = tones.body;
    context.fill(rim);
  }
  context.strokeStyle = filled ? tones.edge : tones.body;
  context.lineWidth = (filled ? 0.5 : 1) / scale;
  context.stroke(rim);
}

/** The line along the tops of a round, as fine as a scale of 2^level asks for. */
const rimOf = rememberedBy(({ headX, headY }: DrawnRound['chart'], level: number): Path2D => {
  // Points nearer than this to the last are left out, mm.
  const least = 0.7 / 2 ** level;
  const path = new Path2D();
  let x = Infinity;
  let y = Infinity;
  for (let i = 0; i < headX.length; i++) {
    if (Math.abs(headX[i]! - x) + Math.abs(headY[i]! - y) < least) continue;
    x = headX[i]!;
    y = headY[i]!;
    path.lineTo(x, y);
  }
  path.closePath();
  return path;
});
