/** Words of the craft that not everybody has met, each explained in one line, in US terms. */

interface Meaning {
  /** The word as it stands in a sentence. */
  readonly word: string;
  readonly line: string;
  /** The part of the reference that shows it; null for what no drawing helps with. */
  readonly shownAt: 'places' | 'loops' | 'others' | null;
}

export const MEANINGS = {
  blocking: {
    word: 'blocking',
    line: 'Wet the finished piece, pin it to size and let it dry. Small waves and tight places settle.',
    shownAt: null,
  },
  gauge: {
    word: 'gauge',
    line: 'How many stitches there are in 10 cm (4 in) of your own swatch.',
    shownAt: null,
  },
  'by gauge': {
    word: 'by gauge',
    line: 'As many stitches as are as wide together as the side is long, by the gauge of your swatch.',
    shownAt: null,
  },
  'motif seam': {
    word: 'motif seam',
    line: 'Where two motifs meet: the corner space of one, the seam between them, the corner space of the other.',
    shownAt: 'places',
  },
  foundation: {
    word: 'foundation chain',
    line: 'The chain that the piece was begun with, under row 1.',
    shownAt: 'places',
  },
  post: {
    word: 'post',
    line: 'The upright of a stitch, between its top and the stitch below.',
    shownAt: 'others',
  },
  'third loop': {
    word: 'third loop',
    line: 'The bar below the back loop, on the far side of the stitch.',
    shownAt: 'loops',
  },
  'standing stitch': {
    word: 'standing stitch',
    line: 'A first stitch made with the new yarn on the hook: no slip stitch joins it and no chain lifts it.',
    shownAt: null,
  },
  'dye lot': {
    word: 'dye lot',
    line: 'The batch that a yarn was dyed in. Its number is on the band; another lot can be another shade.',
    shownAt: null,
  },
  'right side': {
    word: 'right side',
    line: 'The face of the piece that is meant to be seen.',
    shownAt: null,
  },
  'wrong side': {
    word: 'wrong side',
    line: 'The back of the piece. Work with it facing you when you have turned.',
    shownAt: null,
  },
} satisfies Readonly<Record<string, Meaning>>;

export type MeaningId = keyof typeof MEANINGS;

/** The meaning of a word. */
export const meaningOf = (id: MeaningId): Meaning => MEANINGS[id];
