/** Parts of a border worked on a short ring: how high they are and what they are like is known before any border is planned. */
import type { Hem, RoundEntry } from '../document/hem.ts';
import { entryWidths, feetOnRing } from '../flat/flat.ts';
import type { RoundPlan } from '../plan/types.ts';
import { ringHeightMm, widthWithHook } from '../plan/rounds.ts';
import type { Ring } from '../ring/ring.ts';
import { workRound } from '../ring/work.ts';
import { groundWith } from '../rounds/facts.ts';
import { familyById } from '../rounds/registry.ts';
import { entriesOnto, writtenRounds } from '../stack/stack.ts';
import type { Worked } from './character.ts';
import { entryFor, type Layer } from './grammar.ts';

export type TriedRound = Worked & Pick<RoundPlan, 'ownHeightMm' | 'yarnId'>;

/** A part on what is below it. */
export interface Trial {
  /** Its entry, after that of a round that it must stand on. */
  readonly entries: readonly RoundEntry[];
  /** All rounds up to its top. */
  readonly rounds: readonly TriedRound[];
  /** The ring that the next round goes into. */
  readonly top: Ring;
  readonly widths: Float32Array | null;
  readonly highMm: number;
}

/** Stitches on the side of a trial: room for every motif, several times. */
const TRIAL_STITCHES = 61;

/** Nothing but what stays below. @param on the ring of what stays; null for a base round alone */
export function trialOn(on: { readonly ring: Ring; readonly widths: Float32Array | null } | null): Trial {
  const { ring, widths } = on ?? { ring: groundWith('stitch', TRIAL_STITCHES), widths: null };
  return { entries: [], rounds: [], top: ring, widths, highMm: 0 };
}

/** A part on a trial. @param ids of the entry that it may need below it, and of its own */
export function tried(
  hem: Hem,
  below: Trial,
  layer: Layer,
  yarn: string,
  ids: readonly [string, string],
): Trial {
  const family = familyById(layer.family);
  const asked = entryFor(layer, ids[1], [yarn]);
  const entries = family
    ? entriesOnto(below.top, family, yarn, ids).map((e) => (e.id === ids[1] ? asked : e))
    : [asked];
  const widthMm = widthWithHook(hem, null);
  const rounds = [...below.rounds];
  let { top, widths, highMm } = below;
  for (const written of writtenRounds(entries).rounds) {
    const [on, onWidths] = [top, widths];
    const { ring } = workRound(on, written.recipe);
    const { surface } = written.recipe;
    const ownHeightMm = surface ? 0 : ringHeightMm(ring, widthMm, hem.hands, hem.gauge.hookMm);
    const own = entryWidths(ring, () => feetOnRing(on, onWidths, 1));
    rounds.push({ ring, widths: own, written, ownHeightMm, yarnId: yarn });
    highMm += ownHeightMm;
    if (surface) continue;
    top = ring;
    widths = own;
  }
  return { entries, rounds, top, widths, highMm };
}
