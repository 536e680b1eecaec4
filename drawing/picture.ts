/** A whole piece with its border as a picture, stitch by stitch, however small it is. */
import { context2d } from './context2d.ts';
import type { Plan } from '../core/plan/types.ts';
import { paint } from './paint.ts';
import { pictureSize } from './pictureSize.ts';
import { sceneOf } from './scene.ts';

/** Device pixels to a stitch width at which stitches are still told apart; a smaller picture is painted larger first. */
const STITCH_PX = 3.4;
/** Longest side that is painted, pixels. */
const MOST_PX = 4096;
/**
 * Paints it on a clear ground.
 *
 * @param ground that it is to lie on, #rrggbb
 * @param pixels of its longer side
 * @param newCanvas makes a clear canvas, pixels
 */
export function paintPicture<C extends HTMLCanvasElement | OffscreenCanvas>(
  plan: Plan,
  ground: string,
  pixels: number,
  newCanvas: (width: number, height: number) => C,
): C {
  const { widthMm, heightMm } = pictureSize(plan);
  const scale = pixels / Math.max(widthMm, heightMm);
  const stitchMm = Math.min(...plan.rounds.map((r) => r.stitchWidthMm));
  // A power of two, so that it is made smaller by halves, each pixel of four.
  const finer = Math.min(MOST_PX / pixels, STITCH_PX / (stitchMm * scale));
  const halvings = Math.max(
    0,
    Math.min(Math.floor(Math.log2(MOST_PX / pixels)), Math.ceil(Math.log2(finer))),
  );
  const canvasOf = (factor: number): C =>
    newCanvas(
      Math.max(1, Math.round(widthMm * scale) * factor),
      Math.max(1, Math.round(heightMm * scale) * factor),
    );
  let picture = canvasOf(2 ** halvings);
  const scene = sceneOf(plan, { face: 'yarn', seen: 'right', round: null, ground, pieceInFull: true });
  paint(context2d(picture), scene, { x: 0, y: 0, scale: scale * 2 ** halvings });
  if (halvings === 0) return picture;
  for (let k = halvings - 1; k >= 0; k--) picture = laidOn(canvasOf(2 ** k), picture, 0);
  // Stitches of two pixels would beat with the pixels, and stripe the piece: between pixels, each is the mean of four.
  return laidOn(canvasOf(1), picture, 0.5);
}

function laidOn<C extends HTMLCanvasElement | OffscreenCanvas>(canvas: C, picture: C, at: number): C {
  context2d(canvas).drawImage(picture, at, at, canvas.width, canvas.height);
  return canvas;
}
