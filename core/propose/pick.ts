/** A handful of proposals that are near to the wish and different from each other. */
import { apart, type Shape } from './grammar.ts';
import type { Proposal } from './search.ts';

/** What a whole difference is worth beside the cost: as much as being so many per cent off the wished width. */
const DIFFERENCE = 14;

/** What was said of proposals that were seen. */
export interface Taste {
  /** More like this. */
  readonly like: Shape | null;
  /** Not these, nor what is nearly the same. */
  readonly unlike: readonly Shape[];
}

const NO_TASTE: Taste = { like: null, unlike: [] };
/** Shapes that differ by less are nearly the same: another stitch in the ground. */
const NEARLY = 0.3;
/** What being unlike what is liked costs, for a whole difference. */
const UNLIKE = 40;

/**
 * The best first; then, one after the other, the one that costs least less what it adds in difference from those that are picked
 * (maximal marginal relevance; Carbonell and Goldstein, 1998).
 */
export function picked(
  proposals: readonly Proposal[],
  most: number,
  { like, unlike }: Taste = NO_TASTE,
): readonly Proposal[] {
  const minds = (p: Proposal): number => p.cost + (like ? UNLIKE * apart(p.shape, like) : 0);
  const left = proposals
    .filter((p) => unlike.every((u) => apart(p.shape, u) >= NEARLY))
    .sort((a, b) => minds(a) - minds(b));
  const chosen: Proposal[] = [];
  while (chosen.length < most && left.length > 0) {
    const worth = left.map((p) => {
      const nearest = Math.min(1, ...chosen.map((c) => apart(p.shape, c.shape)));
      return minds(p) - DIFFERENCE * nearest;
    });
    const best = worth.indexOf(Math.min(...worth));
    chosen.push(...left.splice(best, 1));
  }
  return chosen;
}
