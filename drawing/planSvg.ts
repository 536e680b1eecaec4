/** The plan of a piece with its border, to scale, as an SVG drawing for paper. */
import { held } from '../core/held.ts';
import { isDisc, type Point } from '../core/piece/outline.ts';
import type { Plan } from '../core/plan/types.ts';
import { pictureSize } from './pictureSize.ts';
import { planCorners, sideLabels } from './sideLabels.ts';

const short = (x: number): string => String(Math.round(x * 10) / 10);
const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('"', '&quot;');

/**
 * Outline, rounds in their colours, and at every side its letter, base count and length. A millimetre of the piece
 * to the unit.
 *
 * @param font family of the lettering
 * @param picture address of a picture of the piece as it is, to lie in the place of the rounds
 */
export function planSvg(plan: Plan, font = 'sans-serif', picture: string | null = null): string {
  const { outline } = plan.body;
  const { widthMm, heightMm } = plan.finishedSize;
  const largest = Math.max(widthMm, heightMm);
  const rim = largest * 0.11;
  const type = largest * 0.042;
  const at = (height: number): readonly Point[] => planCorners(plan, height);
  const colours = new Map(plan.hem.yarns.map((y) => [y.id, y.colour]));
  const line = `stroke="#333" stroke-width="${short(largest * 0.0008)}"`;
  const shape = (height: number, fill: string): string =>
    isDisc(outline)
      ? `<circle r="${short(Math.abs(at(height)[0]!.x))}" fill="${fill}" ${line}/>`
      : `<polygon points="${at(height)
          .map((p) => `${short(p.x)},${short(p.y)}`)
          .join(' ')}" fill="${fill}" ${line}/>`;
  const bands = [
    ...[...plan.rounds]
      .reverse()
      .map((r) => shape(r.heightMm, held(colours.get(r.yarnId), 'every round has a yarn of the hem'))),
    shape(0, plan.hem.pieceColour),
  ];
  const letters = sideLabels(plan, type).map(
    (label) =>
      `<text transform="translate(${short(label.at.x)} ${short(label.at.y)}) rotate(${short(label.tilt)})" y="${short(label.type * 0.35)}" ` +
      `font-size="${short(label.type)}" font-family="${escaped(font)}" text-anchor="middle" fill="#222">` +
      `${escaped(`${label.name} ${label.words}`.trim())}</text>`,
  );
  const box = [-widthMm / 2 - rim, -heightMm / 2 - rim, widthMm + 2 * rim, heightMm + 2 * rim]
    .map(short)
    .join(' ');
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box}" role="img" aria-label="${escaped(plan.hem.name)}, drawn to scale">`,
    `<title>${escaped(plan.hem.name)}, drawn to scale</title>`,
    ...(picture ? [pictured(plan, picture)] : bands),
    ...letters,
    '</svg>',
    '',
  ].join('\n');
}

function pictured(plan: Plan, address: string): string {
  const { widthMm: w, heightMm: h } = pictureSize(plan);
  return `<image href="${escaped(address)}" x="${short(-w / 2)}" y="${short(-h / 2)}" width="${short(w)}" height="${short(h)}"/>`;
}
