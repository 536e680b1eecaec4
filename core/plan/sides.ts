/** The sides of the base round: what each spacing would give, and which counts lie flat. */
import {
  rateChoices,
  spacingCount,
  stitchesAtJoins,
  type BaseRates,
  type SideRates,
} from '../base/baseRound.ts';
import type { SideChoice } from '../base/baseRound.ts';
import { basis, rates, spacingLabel, spacingsFor } from '../base/spacings.ts';
import { naturalLengthMm, type FlatLimits } from '../flat/flat.ts';
import type { Edge } from '../piece/edge.ts';
import { countSide, type Ring } from '../ring/ring.ts';
import type { Language } from '../terms/stitches.ts';
import type { PathRound, SpacingPlan, SidePlan } from './types.ts';

/** Count of a spacing on a side, before it is judged. */
type Spacing = Omit<SpacingPlan, 'strain'>;

export interface SpacingInputs extends BaseRates, SideRates {
  readonly edge: Edge;
  readonly widthMm: number;
  readonly language: Language;
}

/** The spacings that apply to a side; its count does not bear on them. */
export function spacingsAlong({ edge, widthMm, language, ...choice }: SpacingInputs): readonly Spacing[] {
  const chosen = rateChoices(choice, choice);
  return spacingsFor(edge).map((id) => ({
    id,
    label: spacingLabel(id, edge, chosen, widthMm, language),
    count: spacingCount(id, edge, choice, choice, widthMm),
    basis: basis(edge, rates(id, edge, widthMm, chosen)),
    atJoins: stitchesAtJoins(edge, choice, choice),
  }));
}

export interface SideInputs {
  readonly side: number;
  readonly name: string;
  readonly edge: Edge;
  readonly choice: SideChoice;
  /** Stitches for each spot of the edge. */
  readonly placement: readonly number[];
  readonly spacings: readonly Spacing[];
  /** As the base round was to be made, whatever was found. */
  readonly ring: Ring;
  readonly baseRound: PathRound;
  readonly widthMm: number;
  readonly limits: FlatLimits;
}

export function planSide({
  side,
  name,
  edge,
  choice,
  placement,
  spacings,
  ring,
  baseRound,
  widthMm,
  limits,
}: SideInputs): SidePlan {
  const count = placement.reduce((sum, c) => sum + c, 0);
  // Everything but the stitches along the edge: what corners and chains give to this side.
  const others = naturalLengthMm(baseRound.ring, side, widthMm, baseRound.widths) / widthMm - count;
  const unstrained = (count + others) / (1 + baseRound.sides[side]!.strain);
  const strainOf = (s: number): number => (unstrained === 0 ? 0 : (s + others) / unstrained - 1);
  const at = (s: number): number => unstrained * (1 + s) - others;
  const spacingPlans = spacings
    .filter(({ id }) => id !== 'own' || choice.school === 'own')
    .map((spacing): SpacingPlan => ({ ...spacing, strain: strainOf(spacing.count) }));
  return {
    name,
    edge,
    choice,
    count,
    corners: countSide(ring, side).stitches - count,
    spacings: spacingPlans.filter(
      ({ id, count: own }) =>
        // A table that comes to what another spacing does is shown where it was chosen.
        id !== 'kinds' || choice.school === id || !spacingPlans.some((o) => o.id !== id && o.count === own),
    ),
    flatCount: at(0),
    flatFrom: at(-limits.flat),
    flatTo: at(limits.flat),
    blocksFrom: at(-limits.blocks),
    blocksTo: at(limits.blocks),
    placement,
  };
}
