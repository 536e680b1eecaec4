/** For tests: every family as the next round of a hem, and the hems that the application ships with. */
import type { Hem } from '../document/hem.ts';
import { plan } from '../plan/planner.ts';
import { topOf, type Plan } from '../plan/types.ts';
import { FAMILIES } from '../rounds/registry.ts';
import type { Family } from '../rounds/family.ts';
import { entriesOnto } from '../stack/stack.ts';

/** A plan with a family on top, and what it needs under it. */
function withFamily(hem: Hem, family: Family): Plan {
  const below = plan(hem);
  const top = topOf(below);
  const yarn = hem.yarns[hem.yarns.length - 1]!.id;
  return plan({ ...hem, rounds: [...hem.rounds, ...entriesOnto(top.ring, family, yarn, ['ground', 'new'])] });
}

/** One plan for every family on top of a hem. */
export const withEveryFamily = (hem: Hem): readonly (readonly [string, Plan])[] =>
  FAMILIES.map((family) => [family.id, withFamily(hem, family)]);
