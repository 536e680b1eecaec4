/** The sides of the base round: what each spacing would give, and which counts lie flat. */
import { rateChoices, schoolCount, stitchesAtJoins } from '../base/baseRound.ts';
import { basis, rates, schoolLabel, schoolsFor } from '../base/schools.ts';
import type { Hem } from '../document/hem.ts';
import { naturalLengthMm, type FlatLimits } from '../flat/flat.ts';
import type { Body, Edge } from '../piece/edge.ts';
import { tallySide, type Ring } from '../ring/ring.ts';
import type { PathRound, SchoolPlan, SidePlan } from './types.ts';

/** What a spacing would give on a side, before it is judged. */
type Spacing = Omit<SchoolPlan, 'strain'>;

/** The spacings that apply to a side; its count does not bear on them. */
export const spacingsOf = (
  { base, preferences }: Hem,
  side: number,
  edge: Edge,
  widthMm: number,
): readonly Spacing[] => {
  const choice = base.sides[side]!;
  const chosen = rateChoices(base, choice);
  return schoolsFor(edge).map((id) => ({
    id,
    label: schoolLabel(id, edge, chosen, widthMm, preferences.language),
    count: schoolCount(id, edge, base, choice, widthMm),
    basis: basis(edge, rates(id, edge, widthMm, chosen)),
    atJoins: stitchesAtJoins(edge, base, choice),
  }));
};

export function planSide(
  hem: Hem,
  body: Body,
  side: number,
  counts: readonly number[],
  spacings: readonly Spacing[],
  /** As it was to be made, whatever was found. */
  ring: Ring,
  baseRound: PathRound,
  widthMm: number,
  limits: FlatLimits,
): SidePlan {
  const { base } = hem;
  const choice = base.sides[side]!;
  const edge = body.edges[side]!;
  const count = counts.reduce((sum, c) => sum + c, 0);
  // Everything but the stitches along the edge: what corners and chains give to this side.
  const others = naturalLengthMm(baseRound.ring, side, widthMm, baseRound.widths) / widthMm - count;
  const unstrained = (count + others) / (1 + baseRound.sides[side]!.strain);
  const at = (s: number): number => unstrained * (1 + s) - others;
  const schoolPlans = spacings
    .filter(({ id }) => id !== 'own' || choice.school === 'own')
    .map((spacing): SchoolPlan => ({ ...spacing, strain: (spacing.count + others) / unstrained - 1 }));
  return {
    name: body.outline.sides[side]!.name,
    edge,
    choice,
    count,
    corners: tallySide(ring, side).stitches - count,
    schools: schoolPlans.filter(
      ({ id, count: own }) =>
        // A table that comes to what another spacing does is shown where it was chosen.
        id !== 'kinds' || choice.school === id || !schoolPlans.some((o) => o.id !== id && o.count === own),
    ),
    flatCount: at(0),
    flatFrom: at(-limits.flat),
    flatTo: at(limits.flat),
    blocksFrom: at(-limits.blocks),
    blocksTo: at(limits.blocks),
    placement: counts,
  };
}
