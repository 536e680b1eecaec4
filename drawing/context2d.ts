import { held } from '../core/held.ts';

const USUAL = 'a canvas that is drawn on in two dimensions has a context for them';

/** Context in which a canvas is drawn on. */
export function context2d(canvas: HTMLCanvasElement): CanvasRenderingContext2D;
export function context2d(canvas: OffscreenCanvas): OffscreenCanvasRenderingContext2D;
export function context2d(
  canvas: HTMLCanvasElement | OffscreenCanvas,
): CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;
export function context2d(
  canvas: HTMLCanvasElement | OffscreenCanvas,
): CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D {
  const context: CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D | null =
    canvas.getContext('2d');
  return held(context, USUAL);
}
