/** Edits of the piece, its colour, and the gauge of the border. */
import { changePiece, withSideLength } from '../document/changePiece.ts';
import type { Gauge } from '../document/hem.ts';
import { beyondPlanning } from '../piece/soundness.ts';
import type { Piece } from '../piece/piece.ts';
import { yarnWeight, type YarnWeightNumber } from '../terms/yarnWeights.ts';
import { edit, type Edit } from './edit.ts';

/** Another description of the piece; what is said of its sides follows. @param joined whether it joins others of its label */
export const describePiece = (label: string, piece: Piece, joined = true): Edit =>
  edit(
    label,
    (hem) => beyondPlanning(piece, 'the piece')[0] ?? changePiece(hem, piece),
    joined ? `piece ${label}` : null,
  );

/** One side as long as the tape says, in cm. */
export const measureSide = (name: string, side: number, lengthCm: number): Edit =>
  edit(
    `length of ${name}`,
    (hem) => changePiece(hem, withSideLength(hem.piece, side, lengthCm)),
    `length of side ${side}`,
  );

export const colourPiece = (pieceColour: string): Edit => edit('color of the piece', () => ({ pieceColour }));

/** Usual values of a yarn weight for the gauge and for every yarn. */
export const chooseWeight = (number: YarnWeightNumber): Edit =>
  edit('yarn weight', (hem) => {
    const { stitchesPer10Cm, hookMm, diameterMm, metresPer100G } = yarnWeight(number);
    return {
      gauge: { stitchesPer10Cm, hookMm: hookMm[0] },
      yarns: hem.yarns.map((yarn) => ({ ...yarn, weight: number, diameterMm, metresPer100G })),
    };
  });

/** Gauge or hook of the border. */
export const setGauge = (part: Partial<Gauge>): Edit => {
  const what = part.hookMm === undefined ? 'gauge' : 'hook';
  return edit(what, (hem) => ({ gauge: { ...hem.gauge, ...part } }), what);
};
