/** A border in a few lines. */
import type { RoundEntry } from '../document/hem.ts';
import { familyById } from '../rounds/registry.ts';

/** Its rounds, the outermost first: “shell edge”, “2 × plain round”, and last the base round. */
export function borderLines(rounds: readonly RoundEntry[]): readonly string[] {
  const lines = rounds.map(({ family, times }) => {
    const name = (familyById(family)?.name ?? 'your round').toLowerCase();
    return times === 1 ? name : `${times} × ${name}`;
  });
  return [...lines.reverse(), 'base round'];
}
