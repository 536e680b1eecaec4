/** Compares what a literal maker made with a plan: stitch by stitch, and foot by foot. */
import type { Plan } from '../../plan/types.ts';
import { IN_NOTHING, entryOf, isGap } from '../../ring/ring.ts';
import type { Made, RoundMade } from './made.ts';

/** Where the two differ; empty when every round is the same. */
export function unlike(plan: Plan, made: readonly RoundMade[]): readonly string[] {
  const found: string[] = [];
  if (made.length !== plan.rounds.length)
    found.push(`${made.length} rounds made, ${plan.rounds.length} planned`);
  /** Entry of the planned ring for everything that was made. */
  const entries = new Map<Made, number>();
  for (const round of made) {
    const planned = plan.rounds[round.number];
    found.push(...round.miscounts);
    if (!planned) continue;
    const { ring } = planned;
    const n = ring.made.length;
    if (round.onto !== planned.onto)
      found.push(`round ${round.number} is worked into ${round.onto}, not ${planned.onto}`);
    if (round.made.length !== n) {
      found.push(`round ${round.number}: ${round.made.length} made, ${n} planned`);
      return found;
    }
    // A stitch worked over a corner begins beside it; the text says only over which it lies.
    const footOf = (m: Made): number | null => {
      if (m.into === null) return IN_NOTHING;
      if (typeof m.into === 'number') return m.into;
      return 'gapBefore' in m.into
        ? -2 - (entries.get(m.into.gapBefore) ?? -1)
        : (entries.get(m.into) ?? null);
    };
    const agrees = (m: Made, i: number): boolean =>
      m.stitch === ring.made[i] && (m.stitch.form === 'together' || footOf(m) === ring.into[i]);
    let best = { shift: 0, first: -1 };
    for (let shift = 0; shift < n; shift++) {
      const first = round.made.findIndex((m, k) => !agrees(m, (k + shift) % n));
      if (first < 0) {
        best = { shift, first };
        break;
      }
      if (first > best.first) best = { shift, first };
    }
    if (best.first >= 0) {
      const at = (best.first + best.shift) % n;
      const m = round.made[best.first]!;
      const place = ring.into[at]!;
      found.push(
        `round ${round.number} differs at entry ${at}: ${words(m.stitch)} in ${footOf(m)} made, ` +
          `${words(ring.made[at]!)} in ${isGap(place) ? `gap ${entryOf(place)}` : place} planned`,
      );
      return found;
    }
    round.made.forEach((m, k) => entries.set(m, (k + best.shift) % n));
  }
  return found;
}

const words = ({ kind, form, chains, legs }: Made['stitch']): string =>
  `${kind}${form === 'plain' ? '' : ` ${form}`}${chains > 0 ? ` ${chains}` : ''}${legs > 1 ? ` of ${legs}` : ''}`;
