/**
 * The schools of the base round: how many stitches each kind of spot takes. Every school is a rate for each
 * spot; its count is their sum, and its basis says what that sum is made of.
 */
import { abbreviation, type Language, type StitchKind } from '../terms/stitches.ts';
import type { Edge, Spot, SpotKind } from '../piece/piece.ts';

export type SchoolId = 'each' | 'halves' | 'gauge' | 'own';

/** The user's own rate: so many stitches to so many spots. */
export interface OwnRate {
  readonly stitches: number;
  readonly spots: number;
}

/** Stitches in a row end, by the kind of row: the full rate, and the closer one that some prefer. */
const FULL: Partial<Record<StitchKind, number>> = { dc: 2, tr: 3, dtr: 4 };
const CLOSER: Partial<Record<StitchKind, number>> = { hdc: 1.5, hhdc: 1.5, dc: 1.5, tr: 2.5, dtr: 3.5 };

/** Stitches that a school puts in one spot. `stitchWidthMm` is the border's. */
function rate(school: SchoolId, spot: Spot, stitchWidthMm: number, own: OwnRate): number {
  switch (school) {
    case 'each':
      return spot.kind === 'row end' ? (FULL[spot.stitch] ?? 1) : 1;
    case 'halves':
      return spot.kind === 'row end' ? (CLOSER[spot.stitch] ?? 1) : 1;
    case 'gauge':
      return spot.lengthMm / stitchWidthMm;
    case 'own':
      return own.stitches / own.spots;
  }
}

/** Rates for every spot of an edge, in working order. */
export function rates(school: SchoolId, edge: Edge, stitchWidthMm: number, own: OwnRate): readonly number[] {
  return edge.spots.map((spot) => rate(school, spot, stitchWidthMm, own));
}

/** The schools that say something of their own about an edge; `own` and `gauge` fit every edge. */
export function schoolsFor(edge: Edge): readonly SchoolId[] {
  const differs = edge.spots.some((s) => s.kind === 'row end' && CLOSER[s.stitch] !== undefined);
  return differs ? ['each', 'halves', 'gauge', 'own'] : ['each', 'gauge', 'own'];
}

/** Spots of one kind that take the same rate. */
export interface BasisPart {
  readonly spots: number;
  readonly kind: SpotKind;
  readonly stitch: StitchKind;
  /** Stitches for each spot; may be a fraction, such as 1.5 for three in two. */
  readonly rate: number;
}

/** What a school's count is made of. */
export function basis(edge: Edge, edgeRates: readonly number[]): readonly BasisPart[] {
  const parts: { spots: number; kind: SpotKind; stitch: StitchKind; rate: number }[] = [];
  edge.spots.forEach((spot, i) => {
    const same = parts.find(
      (p) => p.kind === spot.kind && p.stitch === spot.stitch && p.rate === edgeRates[i],
    );
    if (same) same.spots++;
    else parts.push({ spots: 1, kind: spot.kind, stitch: spot.stitch, rate: edgeRates[i]! });
  });
  return parts;
}

/** A kind of spot in words, for one or many. */
export function spotNoun(part: Pick<BasisPart, 'kind' | 'stitch'>, language: Language): string {
  return part.kind === 'row end' ? `${abbreviation(part.stitch, language)} row end` : part.kind;
}

/** A school's rule as a flag on the count line says it. */
export function schoolLabel(school: SchoolId, edge: Edge, own: OwnRate): string {
  if (school === 'gauge') return 'by gauge';
  if (school === 'own') return `${own.stitches} in ${own.spots}`;
  const kinds = new Set(edge.spots.filter((s) => s.kind === 'row end').map((s) => s.stitch));
  if (kinds.size === 0) return '1 in each';
  const table = school === 'each' ? FULL : CLOSER;
  if (kinds.size > 1) return school === 'each' ? 'each row by its kind' : 'by kind, closer';
  const only = table[[...kinds][0]!] ?? 1;
  return Number.isInteger(only) ? `${only} in each` : `${only * 2} in 2 rows`;
}
