/** Stitches of a part of a round, place by place. */
import { printGroup, printStitch } from '../../notation/print.ts';
import type { Plan } from '../../plan/types.ts';
import type { ActOf, Procedure, Worked } from '../../procedure/acts.ts';
import { orderOfWork, type InOrder } from '../../procedure/order.ts';
import { IN_NOTHING, isGap } from '../../ring/ring.ts';
import { countsAsStitch, type Stitch } from '../../ring/stitch.ts';
import type { Language } from '../../terms/stitches.ts';

/** A place of a corner: the only one that it has, or one of two stitches. */
export function placeInCorner(
  plan: Plan,
  { round }: Procedure,
  { corner, into }: ActOf<'corner'>,
  place: number,
  only: string,
): string {
  if (into.on !== 'two stitches' || isGap(place)) return only;
  const { ring } = plan.rounds[round.onto]!;
  const { start } = ring.centres[corner]!;
  const earlier = orderOfWork(round).travel === 1 ? start : (start + 1) % ring.made.length;
  return `the ${place === earlier ? 'first' : 'second'} of its two places`;
}

/**
 * Stitches as they go into their places, one after the other: “2 hdc in the same place, ch 1”.
 *
 * @param nameOf what a place is called
 */
export function placedWords(
  order: InOrder,
  worked: Worked,
  language: Language,
  nameOf: (place: number) => string,
): string {
  const runs: { readonly place: number; readonly stitches: Stitch[] }[] = [];
  for (let k = 0; k < worked.length; k++) {
    const place = order.into(worked.start + k);
    const last = runs[runs.length - 1];
    if (last?.place === place) last.stitches.push(order.stitch(worked.start + k));
    else runs.push({ place, stitches: [order.stitch(worked.start + k)] });
  }
  return runs
    .map(({ place, stitches }) => {
      const only = stitches.length === 1 && countsAsStitch(stitches[0]!);
      const group =
        place === IN_NOTHING
          ? stitches.map((st) => printStitch(st, language)).join(', ')
          : `${only ? '1 ' : ''}${printGroup(stitches, language)}`;
      if (place === IN_NOTHING) return group;
      const post = stitches.some((s) => s.post !== 'none');
      return `${group} ${post ? 'around' : 'in'} ${nameOf(place)}`;
    })
    .join(', ');
}
