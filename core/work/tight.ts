/** Places of a round that the next one enters with difficulty, known before they are made. */
import type { Plan } from '../plan/types.ts';
import { IN_NOTHING, isGap } from '../ring/ring.ts';
import type { Form } from '../ring/stitch.ts';

export type Tight = 'slip stitches' | 'closed stitches' | 'many in one';

export interface TightPlaces {
  readonly kind: Tight;
  /** Places of the round that are hard to enter. */
  readonly places: number;
  /** The most stitches that go into one of them. */
  readonly most: number;
}

/** Stitches that fill one place. A judgement. */
const MANY = 6;

const CLOSED: ReadonlySet<Form> = new Set(['puff', 'popcorn', 'bobble']);

/** Tight places of a round, by the rounds that are worked onto it. Spaces and gaps are wide; posts are gone around. */
export function tightPlacesOf(plan: Plan, number: number): readonly TightPlaces[] {
  const { ring } = plan.rounds[number]!;
  const found = new Map<Tight, Map<number, number>>();
  for (const above of plan.rounds) {
    if (above.onto !== number) continue;
    const entering = new Map<number, number>();
    above.ring.into.forEach((place, k) => {
      if (place === IN_NOTHING || isGap(place)) return;
      const below = ring.made[place]!;
      const { post, form } = above.ring.made[k]!;
      if (below.kind === 'ch' || post !== 'none' || form === 'tassel') return;
      entering.set(place, (entering.get(place) ?? 0) + 1);
    });
    for (const [place, into] of entering) {
      const below = ring.made[place]!;
      const kind: Tight | null =
        below.kind === 'slst'
          ? 'slip stitches'
          : CLOSED.has(below.form)
            ? 'closed stitches'
            : into >= MANY
              ? 'many in one'
              : null;
      if (kind === null) continue;
      const places = found.get(kind) ?? new Map<number, number>();
      places.set(place, Math.max(into, places.get(place) ?? 0));
      found.set(kind, places);
    }
  }
  return [...found].map(([kind, places]) => ({
    kind,
    places: places.size,
    most: Math.max(...places.values()),
  }));
}
