/** The places that a round is worked into, numbered as its maker meets them. */
import { ACROSS_SEAM } from '../base/crossings.ts';
import type { SpotKind } from '../piece/edge.ts';
import { spotNoun } from '../base/spacings.ts';
import { endSpot, wholeEdge } from '../piece/along.ts';
import { isDisc } from '../piece/outline.ts';
import type { Plan } from '../plan/types.ts';
import { actsOf, type Procedure } from '../procedure/acts.ts';
import { orderOfWork, type InOrder } from '../procedure/order.ts';
import { inTravel, spotOf } from '../procedure/place.ts';
import { sidePattern, placeKindsUsed, waysOf } from '../ring/recipe.ts';
import { IN_NOTHING, entryOf, isGap, placesInSpan, type PlaceKind, type Ring } from '../ring/ring.ts';
import { isChainRun, placesTaken } from '../ring/stitch.ts';
import { placesBetween } from '../ring/turning.ts';
import type { Language } from '../terms/stitches.ts';
import { placeNoun } from '../print/placeWords.ts';

/** The places that a round may be worked into, in the order of work. */
export class Places {
  private readonly all: readonly number[];
  private readonly numbers: ReadonlyMap<number, number>;
  /** For each side the number of its first place; none where a round is not worked side by side. */
  private readonly begins = new Map<number, number>();
  private readonly ends = new Map<number, number>();
  private readonly order: InOrder;
  /** Its gaps are the spaces between stitches. */
  private readonly between: boolean;
  /** Whether the round goes back into places that it has passed over. */
  readonly goBack: boolean;

  constructor(
    private readonly plan: Plan,
    private readonly procedure: Procedure,
    private readonly language: Language,
  ) {
    const { round } = procedure;
    const { written } = round;
    this.order = orderOfWork(round);
    const way = written ? waysOf(written.recipe, !isDisc(plan.body.outline)).own : [];
    const { head, body, tail } = sidePattern(way);
    this.goBack = [...head, ...body, ...tail].some((s) => s.do === 'work' && s.at === 'skipped');
    const below = plan.rounds[round.onto]?.ring;
    const { travel } = this.order;
    const kinds = placeKindsUsed(way);
    this.between = kinds.has('between');
    if (!below || !written) {
      // Spots of the edge are numbered as they come, corners among them.
      this.all = spotsMet(plan, round.ring);
    } else if (isDisc(plan.body.outline) || written.recipe.scope === 'ring') {
      this.all = inTravel(placesInSpan(below, { start: 0, length: below.made.length }, kinds), travel);
    } else {
      const recipes = new Map(actsOf(procedure, 'corner').map((act) => [act.corner, act.recipe]));
      const sides = plan.sides.map((_, side) => {
        const [before, after] = [side, (side + 1) % plan.sides.length].map((c) => recipes.get(c));
        const corners = [before ?? written.recipe.corner, after ?? written.recipe.corner] as const;
        return { side, places: inTravel(placesBetween(below, side, kinds, corners), travel) };
      });
      const all: number[] = [];
      for (const { side, places } of travel === 1 ? sides : sides.reverse()) {
        this.begins.set(side, all.length);
        all.push(...places);
        this.ends.set(side, all.length);
      }
      this.all = all;
    }
    this.numbers = new Map(this.all.map((place, i) => [place, i]));
  }

  /** Places passed over from one number to another, round the ring; below 0 where it goes back. */
  over(from: number, to: number): number {
    const size = this.all.length;
    const over = (((to - from - 1) % size) + size) % size;
    return this.goBack && over > size / 2 ? over - size : over;
  }

  /** The number of the first place of a side; undefined where a round is not worked side by side. */
  beginOf(side: number): number | undefined {
    return this.begins.get(side);
  }

  /** One more than the number of the last place of a side. */
  endOf(side: number): number {
    return this.ends.get(side) ?? this.all.length;
  }

  /** Names of so many places after one that is known by its number. */
  nounsAfter(number: number, count: number): ReadonlySet<string | null> {
    const places = Array.from({ length: count }, (_, k) => this.all[(number + 1 + k) % this.all.length]!);
    return new Set(places.map((place) => this.nounOf(place)));
  }

  /** Name of a place; null for stitches that go into none. */
  nounOf(place: number): string | null {
    if (place === IN_NOTHING) return null;
    const { round } = this.procedure;
    if (round.onto < 0) return edgeNoun(this.plan, place, this.language);
    const { ring } = this.plan.rounds[round.onto]!;
    const kind: PlaceKind = isGap(place)
      ? this.between
        ? 'between'
        : 'gap'
      : isChainRun(ring.made[entryOf(place)]!)
        ? 'space'
        : 'stitch';
    return placeNoun(kind, 1);
  }

  /**
   * The numbers of the places that an entry takes up, and the last of them: one, or for stitches worked together as many
   * as it has legs. On the edge those are of one kind: over a seam, the spaces on either side; over a corner, the corner.
   *
   * @param w the entry, in the order of work
   */
  usedBy(w: number): { readonly from: number; readonly to: number; readonly last: number } | null {
    const place = this.order.into(w);
    const number = this.numbers.get(place);
    if (number === undefined) return null;
    const more = placesTaken(this.order.stitch(w)) - 1;
    if (this.procedure.round.onto < 0) {
      // Over a seam, whose spot lies between the two spaces.
      const to = more > 0 && spotOf(this.plan, place).on === 'edge' ? number + ACROSS_SEAM : number;
      return { from: number, to, last: this.all[to % this.all.length]! };
    }
    // Worked against the order of the ring, a place is known by the last of those that are taken together.
    if (this.order.travel === -1) return { from: number - more, to: number, last: place };
    return { from: number, to: number + more, last: this.all[(number + more) % this.all.length]! };
  }
}

/** Kinds of spots of which a maker works one kind and sees no others: stitches, and what lies between them. */
const ONE_OR_OTHER: ReadonlySet<SpotKind> = new Set([
  'stitch top',
  'cluster stitch',
  'between stitches',
  'gap',
]);

/** Spots of the edge and its corners as the base round meets them, without kinds that it never works into on a side. */
function spotsMet({ body }: Plan, { into }: Ring): readonly number[] {
  const worked = new Set(into);
  const met: number[] = [];
  let first = 0;
  for (const { spots } of body.edges) {
    const from = first + 1;
    const kinds = new Set(spots.filter((_, k) => worked.has(from + k)).map((s) => s.kind));
    met.push(first);
    spots.forEach(({ kind }, k) => {
      if (kinds.has(kind) || !ONE_OR_OTHER.has(kind)) met.push(from + k);
    });
    first += spots.length + 1;
  }
  return met;
}

/** Name of a place of the edge. */
function edgeNoun(plan: Plan, place: number, language: Language): string {
  const at = spotOf(plan, place);
  const end = at.on === 'edge corner' ? endSpot(plan.body, at.corner) : null;
  if (end) return spotNoun(wholeEdge(plan.body.edges[end.side]!).spots[end.spot]!, language);
  return at.on === 'edge corner'
    ? plan.body.cornerPlaces[at.corner]!
    : spotNoun(plan.body.edges[at.side]!.spots[at.spot]!, language);
}
