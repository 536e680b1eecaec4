/** Square pieces of a painted scene, at scales half an octave apart. */
import { context2d } from './context2d.ts';
import { boxOf, paint, type View } from './paint.ts';
import type { Scene } from './scene.ts';

/** Edge of a tile, device pixels. */
export const EDGE = 256;

/** Which piece: the scale is 2^(level / 2) device pixels to the millimetre; column and row 0 begin at the origin. */
export interface TilePlace {
  readonly level: number;
  readonly column: number;
  readonly row: number;
}

export const scaleOf = (level: number): number => 2 ** (level / 2);

/** The level that is at least as sharp as a scale. */
export const levelFor = (scale: number): number => Math.ceil(2 * Math.log2(scale) - 1e-6);

/** The places of a level that a canvas of `width` by `height` shows, those nearest to its middle first. */
export function placesIn(view: View, width: number, height: number, level: number): readonly TilePlace[] {
  const size = EDGE / scaleOf(level);
  const { minX, maxX, minY, maxY } = boxOf(view, width, height);
  const places: TilePlace[] = [];
  for (let column = Math.floor(minX / size); column <= Math.floor(maxX / size); column++) {
    for (let row = Math.floor(minY / size); row <= Math.floor(maxY / size); row++) {
      places.push({ level, column, row });
    }
  }
  const far = ({ column, row }: TilePlace): number =>
    Math.hypot((column + 0.5) * size - view.x, (row + 0.5) * size - view.y);
  return places.sort((a, b) => far(a) - far(b));
}

/** The four tiles round the origin that hold the whole piece. */
export function wholePiece({ rounds }: Scene): readonly TilePlace[] {
  const { headX, headY } = rounds[rounds.length - 1]!.chart;
  let reach = 1;
  for (let i = 0; i < headX.length; i++) reach = Math.max(reach, Math.abs(headX[i]!), Math.abs(headY[i]!));
  const level = Math.floor(2 * Math.log2(EDGE / (1.05 * reach)));
  return [-1, 0].flatMap((column) => [-1, 0].map((row) => ({ level, column, row })));
}

/**
 * Paints a tile of a scene, not mirrored.
 *
 * @param canvas clear, of `EDGE` by `EDGE`
 */
export function paintTile(
  canvas: HTMLCanvasElement | OffscreenCanvas,
  scene: Scene,
  { level, column, row }: TilePlace,
): void {
  const scale = scaleOf(level);
  const middle = { x: ((column + 0.5) * EDGE) / scale, y: ((row + 0.5) * EDGE) / scale, scale };
  paint(context2d(canvas), { ...scene, mirrored: false }, middle);
}
