/** A handful of proposals that are near to the wish and different from each other. */
import { apart } from './grammar.ts';
import type { Proposal } from './search.ts';

/** What a whole difference is worth beside the cost: as much as being so many per cent off the wished width. */
const DIFFERENCE = 14;

/**
 * The best first; then, one after the other, the one that costs least less what it adds in difference from those that are picked
 * (maximal marginal relevance; Carbonell and Goldstein, 1998).
 */
export function picked(proposals: readonly Proposal[], most: number): readonly Proposal[] {
  const left = [...proposals].sort((a, b) => a.cost - b.cost);
  const chosen: Proposal[] = [];
  while (chosen.length < most && left.length > 0) {
    const worth = left.map((p) => {
      const nearest = Math.min(1, ...chosen.map((c) => apart(p.shape, c.shape)));
      return p.cost - DIFFERENCE * nearest;
    });
    const best = worth.indexOf(Math.min(...worth));
    chosen.push(...left.splice(best, 1));
  }
  return chosen;
}
