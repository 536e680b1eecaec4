/** How the base round crosses a join between two motifs: two corner spaces with a seam between them. */
import type { StitchKind } from '../terms/stitches.ts';
import { stitchOf, type Stitch } from '../ring/stitch.ts';

export type CrossingId = 'both' | 'together' | 'tall' | 'seam' | 'skip';

export interface Crossing {
  readonly name: string;
  /** Stitches in the first corner space, the seam and the second corner space. */
  readonly counts: readonly [number, number, number];
  /** The stitch that crosses, when it is another than the round's own. */
  readonly stitch: (own: StitchKind) => Stitch;
}

const TALLER: Partial<Record<StitchKind, StitchKind>> = {
  sc: 'hdc',
  esc: 'dc',
  hdc: 'dc',
  hhdc: 'dc',
  dc: 'tr',
  tr: 'dtr',
};

const plain = (kind: StitchKind): Stitch => stitchOf({ kind });

export const CROSSINGS: Readonly<Record<CrossingId, Crossing>> = {
  both: { name: 'one in each corner space', counts: [1, 0, 1], stitch: plain },
  together: {
    name: 'two together across the spaces',
    counts: [1, 0, 0],
    stitch: (kind) => stitchOf({ kind, form: 'together', legs: 2 }),
  },
  tall: {
    name: 'one taller stitch into the dip',
    counts: [0, 1, 0],
    stitch: (kind) => stitchOf({ kind: TALLER[kind] ?? kind }),
  },
  seam: { name: 'one through the seam', counts: [0, 1, 0], stitch: plain },
  skip: { name: 'skip it', counts: [0, 0, 0], stitch: plain },
};

export const CROSSING_IDS = Object.keys(CROSSINGS) as readonly CrossingId[];
