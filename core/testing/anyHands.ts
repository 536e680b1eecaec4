/** Knowledge of hands by chance, for hems of tests. */
import { learnFlat, type Lay } from '../hands/flatness.ts';
import {
  PARTS,
  knownFrom,
  partFrom,
  type HandsPart,
  type KnownHands,
  type StitchObservation,
} from '../hands/hands.ts';
import type { Chance } from '../chance.ts';
import { MAKER_STITCHES } from './maker.ts';

/** Knowledge of some hands, by chance. */
export function anyHands(chance: Chance): KnownHands | null {
  const seen = (): readonly (readonly StitchObservation[])[] =>
    Array.from({ length: chance.int(0, 2) }, () =>
      Array.from({ length: chance.int(0, 4) }, () => ({
        stitch: chance.pick(MAKER_STITCHES),
        size: chance.pick(['4', '5']),
        ratio: chance.pick([0.3, 0.8, 0.95, 1, 1.1, 1.4, 6]),
        error: chance.pick([0.005, 0.05, 0.4]),
      })),
    );
  const lays = Array.from({ length: chance.int(0, 5) }, (): Lay => ({
    strain: chance.pick([0, 0.01, -0.04, 0.2]),
    lies: chance.pick(['flat', 'ripples', 'cups'] as const),
  }));
  const parts = Object.fromEntries(PARTS.map((of) => [of, partFrom(of, seen())])) as Record<
    HandsPart,
    ReturnType<typeof partFrom>
  >;
  return knownFrom({ ...parts, flat: learnFlat(null, [{ lays, error: 0.05 }]) });
}
