/** Joined motifs as a grid in light lines, with the numbers that the written pattern gives their seams. */
import { landmarksOf } from '../core/chart/landmarks.ts';
import type { Point } from '../core/piece/outline.ts';
import { fabricOf } from '../core/piece/piece.ts';
import type { Plan } from '../core/plan/types.ts';
import { planCorners, sideLabels } from './sideLabels.ts';

const short = (x: number): string => String(Math.round(x * 10) / 10);

/** Null where nothing is joined. A millimetre of the piece to the unit. @param font family of the lettering */
export function motifGridSvg(plan: Plan, title: string, font = 'sans-serif'): string | null {
  const joins = landmarksOf(plan, 0).filter((l) => l.kind === 'join');
  if (joins.length === 0) return null;
  const mirrored = plan.hem.preferences.hand === 'left' ? -1 : 1;
  const { widthMm, heightMm } = plan.finishedSize;
  const largest = Math.max(widthMm, heightMm);
  const [rim, type] = [largest * 0.11, largest * 0.034];
  const points = (line: readonly Point[], mirror: number): string =>
    line.map((p) => `${short(p.x * mirror)},${short(p.y)}`).join(' ');
  const motifs = fabricOf(plan.hem.piece).flatMap((shape) =>
    shape.draw === 'line' && 'points' in shape.along
      ? [
          `<polygon points="${points(shape.along.points, mirrored)}" stroke-width="${short(largest * 0.0016)}"/>`,
        ]
      : [],
  );
  const words = (at: Point, text: string, tilt = 0, size = type): string =>
    `<text transform="translate(${short(at.x)} ${short(at.y)}) rotate(${short(tilt)})" y="${short(size * 0.35)}" font-size="${short(size)}">${text}</text>`;
  const labels = sideLabels(plan, type * 1.2);
  // A seam’s number stands inside the piece, away from its side.
  const inwards = (side: number, by: number): Point => {
    const [a, b] = labels[side]!.inner;
    const size = Math.hypot(b.x - a.x, b.y - a.y) || 1;
    return { x: ((b.y - a.y) / size) * by * mirrored, y: (-(b.x - a.x) / size) * by * mirrored };
  };
  const seams = joins.map(({ side, join, x, y }) => {
    const off = inwards(side, type * 0.9);
    return words({ x: x * mirrored + off.x, y: y + off.y }, String(join + 1));
  });
  const box = [-widthMm / 2 - rim, -heightMm / 2 - rim, widthMm + 2 * rim, heightMm + 2 * rim].map(short);
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box.join(' ')}" role="img" aria-label="${title}">`,
    `<title>${title}</title>`,
    '<g fill="none" stroke="#777">',
    `<polygon points="${points(planCorners(plan, 0), 1)}" stroke-width="${short(largest * 0.003)}"/>`,
    ...motifs,
    '</g>',
    `<g font-family="${font.replaceAll('"', '&quot;')}" text-anchor="middle" fill="#222">`,
    ...seams,
    ...labels.map((l) => words(l.at, l.name, l.tilt, Math.min(type, l.type))),
    '</g>',
    '</svg>',
    '',
  ].join('\n');
}
