/** A scene as an SVG drawing. Every stitch is defined once and placed as often as it is worked. */
import { tonesOf } from './colours.ts';
import { entriesIn, type Box } from './find.ts';
import { framesOf, yarnFramesOf, type Frame } from './frames.ts';
import { HOLE, SEAM_LINE, colourAt, type DrawnRound, type Scene } from './scene.ts';
import { SYMBOL_LINE, symbolOf } from './symbolFace.ts';
import { REACHING, STRAND, strandsOf } from './yarnFace.ts';
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
 */
export function svgOf(scene: Scene, box: Box, title: string): string {
  const width = box.maxX - box.minX;
  const height = box.maxY - box.minY;
  const definitions = new Definitions(`${scene.face}-${title.replace(/[^\w]+/g, '-')}-`);
  const rounds = scene.rounds.map((round, k) => roundGroup(scene, round, `round-${k}`, box, definitions));
  const edge = scene.body.length > 0 ? roundGroup(scene, scene.edge, 'edge', box, definitions) : '';
  const body = scene.body.map((p) => `${short(p.x)},${short(p.y)}`).join(' ');
  // Mirrored about the middle of the box, as the canvas mirrors about the middle of the view.
  const mirror = scene.mirrored ? ` transform="matrix(-1 0 0 1 ${short(box.minX + box.maxX)} 0)"` : '';
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${[box.minX, box.minY, width, height].map(short).join(' ')}" ` +
      `width="${short(width)}mm" height="${short(height)}mm" role="img" aria-label="${escaped(title)}">`,
    `<title>${escaped(title)}</title>`,
    `<defs>${definitions.written.join('')}</defs>`,
    `<g stroke-linecap="round" stroke-linejoin="round" fill="none"${mirror}>`,
    body && `<polygon points="${body}" fill="${scene.bodyColour}"/>`,
    body && linesPath(scene),
    edge,
    ...rounds,
    '</g>',
    '</svg>',
    '',
  ]
    .filter((line, i, all) => line !== '' || i === all.length - 1)
    .join('\n');
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
  const uses = (draw: (stitch: Stitch, colour: string) => string): string =>
    entries
      .map((i) => {
        const content = draw(chart.ring.made[i]!, colourAt(round, i));
        if (content === '') return '';
        const id = definitions.id(content);
        const frames = face === 'yarn' ? yarnFramesOf(chart, i, widthMm).frames : framesOf(chart, i, widthMm);
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
          `<g class="stitches" stroke="${ink}" stroke-width="${SYMBOL_LINE}">${uses((s, colour) => symbol(s, tonesOf(colour).edge, colour !== round.colour))}</g>`,
        ]
      : [
          `<g class="reaching">${reaches()}</g>`,
          `<g class="posts">${uses((s, colour) => strands(strandsOf(s, round.seen).post, colour))}</g>`,
          `<g class="stitches">${uses((s, colour) => strands(strandsOf(s, round.seen).top, colour))}</g>`,
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
