/** How a round begins, its starting chain, and into what it is joined. */
import { STITCHES_BEFORE_CORNER } from '../base/start.ts';
import type { Plan } from '../plan.ts';
import { STITCHES, type Language, type StitchKind } from '../terms/stitches.ts';

/** A corner by the two sides that meet there, in working order. */
export const cornerName = (plan: Plan, side: number): string =>
  `${plan.sides[(side - 1 + plan.sides.length) % plan.sides.length]!.name}/${plan.sides[side]!.name}`;

function liftWords(stitch: StitchKind, counts: boolean): string {
  const [fewest, most] = STITCHES[stitch].turningChain;
  if (most === 0) return 'No starting chain.';
  // A chain that stands for the first stitch must be as tall as it; one that does not may be shorter.
  return counts
    ? `Ch ${most}, which counts as the first stitch.`
    : `Ch ${Math.max(1, fewest)}, which does not count as a stitch.`;
}

/** Where a round begins, and its starting chain. @param round the base round is 0 */
export function startWords(plan: Plan, stitch: StitchKind, round: number): string {
  const { start } = plan.hem.base;
  const side = plan.sides[start.side]!.name;
  const lift = liftWords(stitch, start.chainCounts);
  if (plan.body.outline.turns.length === 0) return `Begin anywhere. ${lift}`;
  const corner = cornerName(plan, start.side);
  switch (start.at) {
    case 'corner':
      return `Begin in corner ${corner}. ${lift} ${round === 0 || start.join === 'centred' ? 'Work the last part of this corner first, and its first part when you come back to it.' : 'Finish this corner when you come back to it.'}`;
    case 'before the corner':
      return `Begin ${STITCHES_BEFORE_CORNER} stitches before corner ${corner}. ${lift}`;
    case 'along the side':
      return `Begin along side ${side}, a third of the way on. ${lift}`;
  }
}

/** Into what a round is joined. */
export function joinWords(plan: Plan, language: Language): string {
  const { start } = plan.hem.base;
  const slip = language === 'us' ? 'a sl st' : 'an ss';
  const into = start.chainCounts ? 'the top of the starting chain' : 'the first stitch';
  const join = `Join with ${slip} to ${into}: it is not a stitch, do not count or work it.`;
  const centred = plan.body.outline.turns.length > 0 && start.at === 'corner' && start.join === 'centred';
  return centred ? `${join} Slip to the corner’s centre, where the next round begins.` : join;
}
