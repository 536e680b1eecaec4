/** A whole piece with its border as a picture, stitch by stitch, however small it is. */
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
 */
export function paintPicture(plan: Plan, ground: string, pixels: number): OffscreenCanvas {
  const { widthMm, heightMm } = pictureSize(plan);
  const scale = pixels / Math.max(widthMm, heightMm);
  const stitchMm = Math.min(...plan.rounds.map((r) => r.stitchWidthMm));
  const times = Math.max(1, Math.min(MOST_PX / pixels, STITCH_PX / (stitchMm * scale)));
  const canvasOf = (factor: number): OffscreenCanvas =>
    new OffscreenCanvas(
      Math.max(1, Math.round(widthMm * scale * factor)),
      Math.max(1, Math.round(heightMm * scale * factor)),
    );
  const large = canvasOf(times);
  const scene = sceneOf(plan, { face: 'yarn', seen: 'right', round: null, ground, pieceInFull: true });
  paint(large.getContext('2d')!, scene, { x: 0, y: 0, scale: scale * times });
  if (times === 1) return large;
  const small = canvasOf(1);
  const context = small.getContext('2d')!;
  context.imageSmoothingQuality = 'high';
  context.drawImage(large, 0, 0, small.width, small.height);
  return small;
}
