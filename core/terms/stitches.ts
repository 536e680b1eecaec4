/**
 * The stitches of the craft: what they are called in both languages, how tall they stand and how much
 * yarn they take. Heights are starting values in stitch widths; a measured round replaces them.
 */

export type Language = 'us' | 'uk';

/** Stitches are named inside the code by their US abbreviation; see {@link StitchTerm} for the words. */
export type StitchKind = 'ch' | 'slst' | 'sc' | 'esc' | 'hdc' | 'hhdc' | 'dc' | 'tr' | 'dtr';

interface Words {
  readonly name: string;
  readonly abbreviation: string;
}

export interface StitchTerm {
  readonly us: Words;
  readonly uk: Words;
  /** Height of the post, in stitch widths. */
  readonly height: number;
  /** Chains that lift a new round to this stitch's height: fewest and most in common use. */
  readonly turningChain: readonly [number, number];
  /** Wraps round the post: bars drawn across it and yarn-overs before the hook goes in. */
  readonly wraps: number;
}

const words = (name: string, abbreviation: string): Words => ({ name, abbreviation });

export const STITCHES: Readonly<Record<StitchKind, StitchTerm>> = {
  ch: {
    us: words('chain', 'ch'),
    uk: words('chain', 'ch'),
    height: 0.35,
    turningChain: [0, 0],
    wraps: 0,
  },
  slst: {
    us: words('slip stitch', 'sl st'),
    uk: words('slip stitch', 'ss'),
    height: 0.35,
    turningChain: [0, 1],
    wraps: 0,
  },
  sc: {
    us: words('single crochet', 'sc'),
    uk: words('double crochet', 'dc'),
    height: 0.95,
    turningChain: [1, 1],
    wraps: 0,
  },
  esc: {
    us: words('extended single crochet', 'esc'),
    uk: words('extended double crochet', 'edc'),
    height: 1.25,
    turningChain: [1, 1],
    wraps: 0,
  },
  hdc: {
    us: words('half double crochet', 'hdc'),
    uk: words('half treble crochet', 'htr'),
    height: 1.35,
    turningChain: [1, 2],
    wraps: 0,
  },
  hhdc: {
    us: words('herringbone half double crochet', 'hhdc'),
    uk: words('herringbone half treble crochet', 'hhtr'),
    height: 1.35,
    turningChain: [1, 2],
    wraps: 0,
  },
  dc: {
    us: words('double crochet', 'dc'),
    uk: words('treble crochet', 'tr'),
    height: 1.9,
    turningChain: [2, 3],
    wraps: 1,
  },
  tr: {
    us: words('treble crochet', 'tr'),
    uk: words('double treble crochet', 'dtr'),
    height: 2.7,
    turningChain: [3, 4],
    wraps: 2,
  },
  dtr: {
    us: words('double treble crochet', 'dtr'),
    uk: words('triple treble crochet', 'trtr'),
    height: 3.5,
    turningChain: [5, 5],
    wraps: 3,
  },
};

const STITCH_KINDS = Object.keys(STITCHES) as readonly StitchKind[];

/**
 * The abbreviation of a stitch in the language in force.
 *
 * @example abbreviation('sc', 'uk') // 'dc'
 */
export function abbreviation(kind: StitchKind, language: Language): string {
  return STITCHES[kind][language].abbreviation;
}

/**
 * The full name of a stitch in the language in force.
 *
 * @example stitchName('hdc', 'uk') // 'half treble crochet'
 */
export function stitchName(kind: StitchKind, language: Language): string {
  return STITCHES[kind][language].name;
}

/**
 * The stitch that an abbreviation means in a language, or undefined for a word that is none.
 *
 * @example stitchCalled('dc', 'uk') // 'sc'
 */
export function stitchCalled(word: string, language: Language): StitchKind | undefined {
  return STITCH_KINDS.find((kind) => STITCHES[kind][language].abbreviation === word);
}
