/** A scene as an SVG drawing. Every stitch is defined once and placed as often as it is worked. */
import type { Point } from '../core/piece/outline.ts';
import { tonesOf } from './colours.ts';
import type { ChartMark } from './chartMarks.ts';
import { entriesIn, type Box } from './find.ts';
import { symbolFramesOf, yarnFramesOf, type Frame } from './frames.ts';
import { HOLE, SEAM_LINE, colourAt, type DrawnRound, type Scene } from './scene.ts';
import { SYMBOL_LINE, symbolOf } from './symbolFace.ts';
import { REACHING, STRAND, strandsIn } from './yarnFace.ts';
import type { Stitch } from '../core/ring/stitch.ts';

/** Digits after the point, in millimetres and in stitch widths: a hundredth of either cannot be seen. */
const short = (x: number): string => String(Math.round(x * 100) / 100);
const matrix = (f: Frame): string => `matrix(${f.map((x) => String(Math.round(x * 1000) / 1000)).join(' ')})`;
const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('"', '&quot;');

/** The definitions that a drawing uses, by what they draw. */
class Definitions {
  private readonly ids = new Map<string, string>();
  readonly written: string[] = [];

  /** @param prefix of all ids: drawings on one page must not take each other’s */
  constructor(private readonly prefix: string) {}

  /** The id of a piece of drawing. */
  id(content: string): string {
    let id = this.ids.get(content);
    if (!id) {
      id = `${this.prefix}${this.ids.size}`;
      this.ids.set(content, id);
      this.written.push(`<g id="${id}">${content}</g>`);
    }
    return id;
  }
}

/**
 * The part of a scene that lies in a box, a millimetre to the unit. What the canvas paints, it draws; every stitch
 * that is seen is a `<g class="round-…">`’s `<use>`, a chain run one for each of its links.
 *
 * @param title told to screen readers; drawings that stand on one page have different ones
 * @param marks numbers of the rounds and their directions, laid over it
 */
export function svgOf(scene: Scene, box: Box, title: string, marks: Marks = NO_MARKS): string {
  const view = boxWith(box, marks);
  const width = view.maxX - view.minX;
  const height = view.maxY - view.minY;
  const definitions = new Definitions(`${scene.face}-${title.replace(/[^\w]+/g, '-')}-`);
  const rounds = scene.rounds.flatMap((round, k) => {
    // Where a number tells of the start there is no room for it.
    const lift = marks.all.length === 0 && scene.lifts[k];
    const drawn = roundGroup(scene, round, `round-${k}`, box, definitions);
    return lift ? [roundGroup(scene, lift, `lift-${k}`, box, definitions), drawn] : [drawn];
  });
  const edge = scene.body.length > 0 ? roundGroup(scene, scene.edge, 'edge', box, definitions) : '';
  const line = (points: readonly Point[]): string =>
    points.map((p) => `${short(p.x)},${short(p.y)}`).join(' ');
  const body = line(scene.body);
  // Mirrored about the middle of the box, as the canvas mirrors about the middle of the view.
  const mirror = scene.mirrored ? ` transform="matrix(-1 0 0 1 ${short(view.minX + view.maxX)} 0)"` : '';
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${[view.minX, view.minY, width, height].map(short).join(' ')}" ` +
      `width="${short(width)}mm" height="${short(height)}mm" role="img" aria-label="${escaped(title)}">`,
    `<title>${escaped(title)}</title>`,
    `<defs>${definitions.written.join('')}</defs>`,
    `<g stroke-linecap="round" stroke-linejoin="round" fill="none"${mirror}>`,
    body && `<polygon points="${body}" fill="${scene.bodyColour}"/>`,
    ...(body
      ? scene.areas.map(({ points, colour }) => `<polygon points="${line(points)}" fill="${colour}"/>`)
      : []),
    body && linesPath(scene),
    edge,
    ...rounds,
    '</g>',
    marksGroup(scene, view, marks),
    '</svg>',
    '',
  ]
    .filter((line, i, all) => line !== '' || i === all.length - 1)
    .join('\n');
}

/** Marks of a chart, and the family of their lettering. */
interface Marks {
  readonly all: readonly ChartMark[];
  readonly font: string;
}
const NO_MARKS: Marks = { all: [], font: 'sans-serif' };

/** Height of the lettering, length of an arrow, and the room that marks outside the box are given, in stitch widths. */
const LETTERING = 0.5;
const ARROW = 0.62;
const MARK_ROOM = 1.7;
/** Apart from the ink of every yarn. */
const MARK_INK = '#8a4f00';

/** The box with room for the marks that stand outside it. */
function boxWith(box: Box, { all }: Marks): Box {
  return all.reduce(
    (b, { at, widthMm }) => ({
      minX: Math.min(b.minX, at.x - MARK_ROOM * widthMm),
      maxX: Math.max(b.maxX, at.x + MARK_ROOM * widthMm),
      minY: Math.min(b.minY, at.y - MARK_ROOM * widthMm),
      maxY: Math.max(b.maxY, at.y + MARK_ROOM * widthMm),
    }),
    box,
  );
}

function marksGroup({ mirrored }: Scene, box: Box, { all, font }: Marks): string {
  if (all.length === 0) return '';
  const seen = (x: number): number => (mirrored ? box.minX + box.maxX - x : x);
  const marks = all.map(({ at, arrow, towards, words, widthMm }) => {
    const dx = mirrored ? -towards.x : towards.x;
    const [half, type] = [(ARROW / 2) * widthMm, LETTERING * widthMm];
    const to = { x: seen(arrow.x) + dx * half, y: arrow.y + towards.y * half };
    // The barbs lie across the way that it points.
    const barb = (side: 1 | -1): string =>
      `${short(to.x - (dx * 0.2 - side * towards.y * 0.13) * widthMm)} ${short(to.y - (towards.y * 0.2 + side * dx * 0.13) * widthMm)}`;
    const line = `M${short(to.x - 2 * dx * half)} ${short(to.y - 2 * towards.y * half)}L${short(to.x)} ${short(to.y)}M${barb(1)}L${short(to.x)} ${short(to.y)}L${barb(-1)}`;
    // A long name runs away from the stitches that follow.
    const anchor = words.length < 3 ? 'middle' : dx < 0 ? 'start' : 'end';
    const off = words.length < 3 ? 0 : 0.15 * widthMm * (dx < 0 ? -1 : 1);
    const text = (paint: string): string =>
      `<text x="${short(seen(at.x) + off)}" y="${short(at.y + type * 0.35)}" font-size="${short(type)}" text-anchor="${anchor}" ${paint}>${words}</text>`;
    return (
      `<path d="${line}" stroke="#fff" stroke-width="${short(0.2 * widthMm)}"/>` +
      `<path d="${line}" stroke="${MARK_INK}" stroke-width="${short(0.08 * widthMm)}"/>` +
      text(`fill="#fff" stroke="#fff" stroke-width="${short(0.14 * widthMm)}"`) +
      text(`fill="${MARK_INK}"`)
    );
  });
  return `<g class="marks" font-family="${escaped(font)}" font-weight="700" fill="none" stroke-linejoin="round">${marks.join('')}</g>`;
}

/** Seams and holes. */
function linesPath({ lines, holes, edge }: Scene): string {
  if (lines.length === 0 && holes.length === 0) return '';
  const r = short(HOLE * edge.widthMm);
  const d = [
    ...lines.map(({ from, to }) => `M${short(from.x)} ${short(from.y)}L${short(to.x)} ${short(to.y)}`),
    ...holes.map(
      ({ x, y }) =>
        `M${short(x - HOLE * edge.widthMm)} ${short(y)}a${r} ${r} 0 1 1 ${short(2 * HOLE * edge.widthMm)} 0a${r} ${r} 0 1 1 ${short(-2 * HOLE * edge.widthMm)} 0`,
    ),
  ].join('');
  return `<path d="${d}" stroke="${tonesOf(edge.colour).edge}" stroke-width="${short(SEAM_LINE * edge.widthMm)}"/>`;
}

function roundGroup(
  { face }: Scene,
  round: DrawnRound,
  name: string,
  box: Box,
  definitions: Definitions,
): string {
  const { chart, widthMm } = round;
  const entries = entriesIn(round, box);
  const uses = (draw: (i: number, colour: string) => string): string =>
    entries
      .map((i) => {
        const content = draw(i, colourAt(round, i));
        if (content === '') return '';
        const id = definitions.id(content);
        const frames =
          face === 'yarn' ? yarnFramesOf(chart, i, widthMm).frames : symbolFramesOf(chart, i, widthMm);
        return frames.map((f) => `<use href="#${id}" transform="${matrix(f)}"/>`).join('');
      })
      .join('');
  const reaches = (): string =>
    entries
      .map((i) => {
        const { reach } = yarnFramesOf(chart, i, widthMm);
        return (
          reach &&
          `<use href="#${definitions.id(strands(REACHING, colourAt(round, i)))}" transform="${matrix(reach)}"/>`
        );
      })
      .filter((use) => use !== null)
      .join('');
  const ink = tonesOf(round.colour).edge;
  const parts =
    face === 'symbols'
      ? [
          `<g class="stitches" stroke="${ink}" stroke-width="${SYMBOL_LINE}">${uses((i, colour) => symbol(chart.ring.made[i]!, tonesOf(colour).edge, colour !== round.colour))}</g>`,
        ]
      : [
          `<g class="reaching">${reaches()}</g>`,
          `<g class="posts">${uses((i, colour) => strands(strandsIn(chart, i, round.seen).post, colour))}</g>`,
          `<g class="stitches">${uses((i, colour) => strands(strandsIn(chart, i, round.seen).top, colour))}</g>`,
        ];
  return `<g class="${name}">${parts.join('')}</g>`;
}

/** @param own its ink is not that of its round */
function symbol(stitch: Stitch, ink: string, own: boolean): string {
  const { lines, filled } = symbolOf(stitch);
  return `${lines && `<path d="${tidy(lines)}"${own ? ` stroke="${ink}"` : ''}/>`}${filled ? `<path d="${tidy(filled)}" fill="${ink}"/>` : ''}`;
}

/** Strands from the back to the front, each with its dark edge, its body and its light. */
function strands(paths: readonly string[], colour: string): string {
  const tones = tonesOf(colour);
  return paths
    .map((d) =>
      (['edge', 'body', 'light'] as const)
        .map((tone) => `<path d="${tidy(d)}" stroke="${tones[tone]}" stroke-width="${STRAND[tone]}"/>`)
        .join(''),
    )
    .join('');
}

/** Path data with its numbers rounded. */
const tidy = (d: string): string => d.replace(/-?\d+\.\d+(e-?\d+)?/g, (n) => short(Number(n)));
