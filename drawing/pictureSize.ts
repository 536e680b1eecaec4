/** How much of the ground the picture of a piece shows. */
import type { Plan } from '../core/plan/types.ts';

/** Room round the piece for lobes and tassels, as a part of its size. */
const ROOM = 0.03;

/** Size of what the picture shows, mm; the middle of the piece is its middle. */
export const pictureSize = ({
  finishedSize,
}: Plan): { readonly widthMm: number; readonly heightMm: number } => {
  const room = 2 * ROOM * Math.max(finishedSize.widthMm, finishedSize.heightMm);
  return { widthMm: finishedSize.widthMm + room, heightMm: finishedSize.heightMm + room };
};
