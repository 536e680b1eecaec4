/** How the base round crosses a join between two motifs: two corner spaces with a seam between them. */
import type { StitchKind } from '../terms/stitches.ts';
import { stitchOf, type Stitch } from '../ring/stitch.ts';

export type CrossingId = 'both' | 'three' | 'together' | 'tall' | 'seam' | 'skip';

/** Stitches in the first corner space, the seam and the second corner space. */
type Across = readonly [readonly Stitch[], readonly Stitch[], readonly Stitch[]];

export interface Crossing {
  readonly name: string;
  /** In the order of work; a stitch worked two together begins in the space that it stands at. */
  readonly stitches: (own: StitchKind) => Across;
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
/** From one corner space to the other across a seam, in spots of the edge. */
export const ACROSS_SEAM = 2;

const two = (kind: StitchKind): Stitch => stitchOf({ kind, form: 'together', legs: 2 });

/** The stitch that reaches into a dip: the next taller one. */
export const tallerStitch = (kind: StitchKind): StitchKind => TALLER[kind] ?? kind;

export const CROSSINGS: Readonly<Record<CrossingId, Crossing>> = {
  both: {
    name: 'one in each corner space',
    stitches: (kind) => [[plain(kind)], [], [plain(kind)]],
  },
  three: {
    name: 'one in each corner space, and two together across them between',
    stitches: (kind) => [[plain(kind), two(kind)], [], [plain(kind)]],
  },
  together: { name: 'two together across the spaces', stitches: (kind) => [[two(kind)], [], []] },
  tall: {
    name: 'one taller stitch into the dip',
    stitches: (kind) => [[], [plain(tallerStitch(kind))], []],
  },
  seam: { name: 'one through the seam', stitches: (kind) => [[], [plain(kind)], []] },
  skip: { name: 'skip it', stitches: () => [[], [], []] },
};

export const CROSSING_IDS = Object.keys(CROSSINGS) as readonly CrossingId[];
