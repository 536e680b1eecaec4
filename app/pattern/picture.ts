import { held } from '../../core/held.ts';
import { context2d } from '../../drawing/context2d.ts';
import type { Hem } from '../../core/document/hem.ts';
import { pictureOf } from '../workers/picture.ts';

/** Pixels of the longer side of a picture on paper. */
const COVER_PIXELS = 1500;

/** The piece with its border, stitch by stitch, as a picture for paper; null where it cannot be painted. */
export async function coverOf(hem: Hem): Promise<string | null> {
  try {
    const blob = await pictureOf(hem, '#ffffff', COVER_PIXELS).done;
    const bitmap = await createImageBitmap(blob);
    const canvas = document.createElement('canvas');
    canvas.width = bitmap.width;
    canvas.height = bitmap.height;
    const context = context2d(canvas);
    context.fillStyle = '#ffffff';
    context.fillRect(0, 0, canvas.width, canvas.height);
    context.drawImage(bitmap, 0, 0);
    return canvas.toDataURL('image/jpeg', 0.9);
  } catch {
    return null;
  }
}

/** An SVG drawing as a PNG picture on white, so many pixels wide. */
export async function svgPicture(svg: string, width: number): Promise<Blob> {
  const [, , w, h] = held(
    /viewBox="(-?[\d.]+) (-?[\d.]+) ([\d.]+) ([\d.]+)"/.exec(svg),
    'every drawing has a view box',
  )
    .slice(1)
    .map(Number) as [number, number, number, number];
  const height = Math.round((width * h) / w);
  const sized = svg
    .replace(/^(<svg [^>]*?) width="[^"]*" height="[^"]*"/, '$1')
    .replace(/^<svg /, `<svg width="${width}" height="${height}" `);
  const url = URL.createObjectURL(new Blob([sized], { type: 'image/svg+xml' }));
  try {
    const image = new Image(width, height);
    image.src = url;
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = width;
    canvas.height = height;
    const context = context2d(canvas);
    context.fillStyle = '#ffffff';
    context.fillRect(0, 0, width, height);
    context.drawImage(image, 0, 0, width, height);
    return await new Promise((resolve, reject) => {
      canvas.toBlob((blob) =>
        blob ? resolve(blob) : reject(new Error('The picture is too large for this browser')),
      );
    });
  } finally {
    URL.revokeObjectURL(url);
  }
}
