/** Edges of a piece and the spots that they offer the hook. */
import type { StitchKind } from '../terms/stitches.ts';
import type { Outline } from './outline.ts';

/** Material of a stretch of an edge. */
export type SpotKind =
  | 'stitch top'
  | 'foundation chain'
  | 'row end'
  | 'cluster stitch'
  | 'between stitches'
  | 'gap'
  | 'corner space'
  | 'seam'
  | 'block'
  | 'block gap'
  | 'hole'
  | 'bound-off stitch'
  | 'cast-on stitch'
  | 'knit row end'
  | 'ridge'
  | 'slipped edge stitch'
  | 'counted stitch';

/** One place of an edge that the base round can work into any number of times. */
export interface Spot {
  readonly kind: SpotKind;
  /** The stitch of the row that ends here, or whose top this is; undefined where there is none. */
  readonly stitch?: StitchKind;
  /** Length of edge that it stands for, mm. */
  readonly lengthMm: number;
  /** Chains over a gap; of a motif’s corner, 0 for a stitch. */
  readonly chains?: number;
}

export interface Edge {
  /** In working order. */
  readonly spots: readonly Spot[];
  /** Name of a spot's number and where it counts from, in words for the run. */
  readonly numbering: { readonly noun: string; readonly from: 'first' | 'last' };
  /** First spot of each join: a corner space, a seam, a corner space. */
  readonly joins: readonly number[];
  /** The edge is the feet of its stitches, not their tops. */
  readonly atFeet?: boolean;
  /** Stitches of a whole cluster, on a clustered edge. */
  readonly clusterStitches?: number;
  /** Chains between singles when the edge is worked in loops. */
  readonly loopChains?: number;
  /** How its base round begins, where that is not one stitch in each. */
  readonly startsBy?: 'gauge' | 'loops';
  /** Place that the stitches go into, where that has to be said. */
  readonly workedInto?: string;
  /** Length by the maker's tape, mm. */
  readonly measuredMm: number;
  /** Length that the description gives by itself, mm. */
  readonly computedMm: number;
  /** The edge that it is a stretch of: so many spots of that come before its own. */
  readonly stretch?: { readonly from: number; readonly of: Edge };
}

export interface Body {
  readonly outline: Outline;
  readonly edges: readonly Edge[];
  /** Place that the corner before each side is worked into, in words that fit “3 sc in …”. */
  readonly cornerPlaces: readonly string[];
  /** Stitch width of the body, mm; undefined when the description does not tell. */
  readonly stitchWidthMm?: number;
}

/** An edge whose spots are all alike. */
export function evenEdge(spot: Omit<Spot, 'lengthMm'>, count: number, lengthMm: number, noun: string): Edge {
  const each: Spot = { ...spot, lengthMm: lengthMm / Math.max(1, count) };
  return {
    spots: Array.from({ length: count }, () => each),
    numbering: { noun, from: 'first' },
    joins: [],
    measuredMm: lengthMm,
    computedMm: lengthMm,
  };
}
