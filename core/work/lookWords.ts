/** Advice for a side that was seen not to lie flat. */
import type { Lay } from '../hands/flatness.ts';
import type { Plan, RoundPlan } from '../plan/types.ts';
import { isPlainRound } from '../procedure/procedure.ts';
import { plural } from '../say/measures.ts';
import { sideLabel } from '../print/placeWords.ts';
import { hookLabel, nextHookMm } from '../terms/yarnWeights.ts';

/**
 * An answer to a side that ripples or pulls in: how many stitches are too many or too few as far as the plan knows, and the
 * nearest ways to mend it. Null for a side that lies flat.
 *
 * @param round that was looked at
 */
export function lookAnswer(plan: Plan, round: RoundPlan, side: number, lies: Lay['lies']): string | null {
  if (lies === 'flat') return null;
  const { strain, tally, verdict } = round.sides[side]!;
  const ripples = lies === 'ripples';
  const name = sideLabel(plan, side);
  const seen = `${name} ${ripples ? 'ripples' : 'pulls in'}`;
  const foretold = verdict !== 'flat' && strain > 0 === ripples;
  const size = foretold ? Math.abs(strain) : plan.flatLimits.flat;
  const stitches = plural(Math.max(1, Math.round(size * tally.stitches)), 'stitch');
  const next = plan.rounds.find(
    (r) => r.number > round.number && r.done === null && r.written && isPlainRound(plan, r.number),
  );
  const change = next
    ? `work ${stitches} ${ripples ? 'fewer' : 'more'} on ${name.toLowerCase().replace(/ (\w)$/, (end) => end.toUpperCase())} in round ${next.number}`
    : 'rip it back';
  const hook = hookLabel(
    nextHookMm(round.hookMm, ripples ? 'smaller' : 'larger'),
    plan.hem.preferences.language,
  );
  if (verdict === 'blocks out' && foretold) return `${seen}, as expected. Blocking will flatten it.`;
  if (foretold)
    return `${seen}: it has about ${stitches} too ${ripples ? 'many' : 'few'}. Rip it back, or ${change}.`;
  return `${seen}, though it should lie flat. Count it first: ${tally.stitches}. If that is right, use a ${hook} hook, or ${change}.`;
}
