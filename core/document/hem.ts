/** The project file of one hem (shape: hem.schema.ts). */
import type { Yarn } from '../yarn/yarn.ts';
import type { Hem } from './hem.schema.ts';

export type { Gauge, Hem, Preferences, WeighIn } from './hem.schema.ts';
export type { WorkEvent } from './record.schema.ts';
export type { RoundEntry, RoundIdentity } from './round.schema.ts';
export type { KeptBorder } from './hem.schema.ts';

/** Id of the family of rounds that the user wrote. */
export const OWN = 'own';

/**
 * A yarn of the basket by its id.
 *
 * @throws RangeError when it has none of that id: a hem that was checked names only yarns that it has
 */
export function yarnOf({ yarns }: Pick<Hem, 'yarns'>, id: string): Yarn {
  const yarn = yarns.find((y) => y.id === id);
  if (!yarn) throw new RangeError(`the basket has no yarn “${id}”`);
  return yarn;
}
