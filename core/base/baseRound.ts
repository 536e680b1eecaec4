/** The base round: the body's ragged edge becomes one even ring of stitches. */
import type { StitchKind } from '../terms/stitches.ts';
import { plainRound, type CornerId } from '../terms/corners.ts';
import type { Body, Edge } from '../piece/piece.ts';
import { recipeOf } from '../notation/parse.ts';
import { centreOf } from '../ring/work.ts';
import { NOTHING, type Centre, type Ring } from '../ring/ring.ts';
import { isChainRun, stitchOf } from '../ring/stitch.ts';
import { rates, type OwnRate, type SchoolId } from './schools.ts';
import { spread } from './spread.ts';

/** What the user chose for one side. */
export interface SideChoice {
  readonly school: SchoolId;
  readonly own: OwnRate;
  /** Stitches along the edge; null leaves it to the school. */
  readonly count: number | null;
}

export interface BaseRound {
  readonly stitch: StitchKind;
  readonly corner: CornerId;
  readonly yarn: string;
  /** One for each side of the outline. */
  readonly sides: readonly SideChoice[];
}

/** Stitches that a school gives along an edge, before any change by hand. */
export function schoolCount(school: SchoolId, edge: Edge, stitchWidthMm: number, own: OwnRate): number {
  return Math.round(rates(school, edge, stitchWidthMm, own).reduce((sum, rate) => sum + rate, 0));
}

/** Where the stitches of one side go: one number for each spot of the edge, summing to the side's count. */
export function placement(choice: SideChoice, edge: Edge, stitchWidthMm: number): readonly number[] {
  const edgeRates = rates(choice.school, edge, stitchWidthMm, choice.own);
  const total = choice.count ?? Math.round(edgeRates.reduce((sum, rate) => sum + rate, 0));
  return spread(total, edgeRates);
}

/**
 * The ring after the base round.
 *
 * @param placements one list for each side: stitches for each spot of its edge
 * @returns a ring whose `into` numbers the spots of the body in working order: the corner before side 0, the
 *   spots of side 0, the corner before side 1, and so on
 */
export function workBase(body: Body, base: BaseRound, placements: readonly (readonly number[])[]): Ring {
  const stitch = stitchOf({ kind: base.stitch });
  const corner = recipeOf(plainRound(base.stitch, base.corner, 0)).corner.group;
  const made = [];
  const into: number[] = [];
  const centres: Centre[] = [];
  let spot = 0;
  for (const [side, counts] of placements.entries()) {
    if (body.outline.turns.length > 0) {
      const group = corner.length > 0 ? corner : [stitch];
      const centre = centreOf(group);
      centres.push({ start: made.length + centre.start, length: centre.length });
      for (const s of group) {
        made.push(s);
        into.push(isChainRun(s) ? NOTHING : spot);
      }
    }
    spot++;
    const edge = body.edges[side]!;
    for (let i = 0; i < edge.spots.length; i++, spot++) {
      for (let k = counts[i]!; k > 0; k--) {
        made.push(stitch);
        into.push(spot);
      }
    }
  }
  return { made, into: Int32Array.from(into), centres };
}
