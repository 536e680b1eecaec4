/**
 * A round family: a way of working that crocheters know by name. It is written down as crochet, and what it
 * needs, how it grows and what it sits on are computed from that.
 */
import { LOOPS, type PlainPlace } from '../terms/places.ts';
import { STITCHES, type StitchKind } from '../terms/stitches.ts';
import type { CornerId } from '../terms/corners.ts';
import type { Loop } from '../ring/stitch.ts';

/** Choices of the maker for a round of a family. */
export interface Choice {
  readonly stitch: StitchKind;
  readonly corner: CornerId;
  readonly loop: Loop;
  readonly into: PlainPlace;
  /** The side of the work that faces; null leaves it to the family. */
  readonly facing: 'right' | 'wrong' | null;
  /** Its unit is the family's own, see {@link Family.sizes}. */
  readonly size: number;
}

export interface Family {
  readonly id: string;
  readonly name: string;
  /** One line: what it looks like and what it is good for. */
  readonly about: string;
  /** Choices; a single entry leaves no choice. The first of each is where a new round starts. */
  readonly stitches: readonly StitchKind[];
  readonly corners: readonly CornerId[];
  readonly loops: readonly Loop[];
  /** Places that it can go into, where that is a choice; else stitches stand for whatever it is written for. */
  readonly places: readonly PlainPlace[];
  /** Sizes of the motif, and what a size counts, such as “stitches to a picot”. */
  readonly sizes: readonly number[];
  readonly sizeCounts: string;
  /** The corner that its size is about, where it is about one alone. */
  readonly sizedCorner: CornerId | null;
  /** Its size is the chains between its groups: as many as the groups below have. */
  readonly chainsAsBelow: boolean;
  /** Worked rounds in one repeat of the family. */
  readonly roundsPerRepeat: number;
  /** Whether the family can be worked again on top of itself. */
  readonly repeatable: boolean;
  readonly edge: 'straight' | 'lobed' | 'fringed';
  /** It is meant to ripple: that it lies flat is said of what is under it. */
  readonly ruffles: boolean;
  /** Stitches in the end stitch of rows along a part of a piece, in US terms; null for the first stitch of its side. */
  readonly atEnd: string | null;
  /** A caution to show with it: small parts, loops. */
  readonly caution: string | null;
  /**
   * The round as written crochet in US terms.
   *
   * @param round counts the worked rounds of the entry from 0, through all its repeats
   */
  readonly write: (choice: Choice, round: number) => string;
}

/** A family with nothing to choose: the starting point that each family changes where it differs. */
const USUAL: Omit<Family, 'id' | 'name' | 'about' | 'write'> = {
  stitches: ['dc'],
  corners: ['three'],
  loops: ['both'],
  places: ['stitch'],
  sizes: [1],
  sizeCounts: '',
  sizedCorner: null,
  chainsAsBelow: false,
  roundsPerRepeat: 1,
  repeatable: false,
  edge: 'straight',
  ruffles: false,
  atEnd: null,
  caution: null,
};

export const family = (given: Pick<Family, 'id' | 'name' | 'about' | 'write'> & Partial<Family>): Family => ({
  ...USUAL,
  ...given,
});

/** Of a family of groups: the chains between them are chosen, and are at first as many as the groups below have. */
export const chainsBetweenGroups = (
  sizes: readonly number[],
): Pick<Family, 'sizes' | 'sizeCounts' | 'chainsAsBelow'> => ({
  sizes,
  sizeCounts: 'chains between groups',
  chainsAsBelow: true,
});

/** A side of groups with chains before the first of them and after each: “ch 1, *3 dc in next gap, ch 1*”. */
export const withChains = (side: string, chains: number): string =>
  chains === 0 ? side : `ch ${chains}, ${side.replace(/(\*[^*]*? in next [\w-]+)/, `$1, ch ${chains}`)}`;

/** The chosen stitch in US terms, with its loop. */
export const choiceStitchWords = ({ stitch, loop }: Choice): string =>
  [STITCHES[stitch].us.abbreviation, LOOPS[loop].short].join(' ').trim();

export const SMALL_PARTS =
  'Not for babies: small parts can come off and be swallowed. For a baby’s sleep follow local safe-sleep advice.';
export const LONG_LOOPS =
  'Not for babies: fingers can catch in long loops. For a baby’s sleep follow local safe-sleep advice.';
