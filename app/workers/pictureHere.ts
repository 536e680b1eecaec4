import type { Hem } from '../../core/document/hem.ts';
import { createPlanner } from '../../core/plan/planner.ts';
import { paintPicture } from '../../drawing/picture.ts';
import { PICTURE_FORMAT } from './pictureFormat.ts';

/** Paints a hem in the page. Rejects where the picture is too large for the browser. */
export function paintHere(hem: Hem, ground: string, pixels: number): Promise<Blob> {
  const picture = paintPicture(createPlanner()(hem), ground, pixels, (width, height) =>
    Object.assign(document.createElement('canvas'), { width, height }),
  );
  return new Promise((resolve, reject) => {
    picture.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('The picture is too large for this browser'))),
      PICTURE_FORMAT.type,
      PICTURE_FORMAT.quality,
    );
  });
}
