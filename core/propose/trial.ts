/** Parts of a border worked on a short ring: how high they are and what they are like is known before any border is planned. */
import { held } from '../held.ts';
import type { Hem, RoundEntry } from '../document/hem.ts';
import { entryWidths, feetOnRing, naturalLengthMm } from '../flat/flat.ts';
import type { RoundPlan } from '../plan/types.ts';
import { ringHeightMm, widthWithHook } from '../plan/rounds.ts';
import { placesOnSide, tallySide, type Ring } from '../ring/ring.ts';
import { workRound } from '../ring/work.ts';
import { groundWith } from '../rounds/facts.ts';
import { fillLoops } from '../rounds/fillLoops.ts';
import { familyById } from '../rounds/registry.ts';
import { asWorkedOn } from '../edits/rounds.ts';
import { entriesOnto, writtenRounds } from '../stack/stack.ts';
import type { CharacterRound } from './character.ts';
import { entryFor, firstOf, idUnder, type PartRounds } from './grammar.ts';

export type TriedRound = CharacterRound & Pick<RoundPlan, 'ownHeightMm' | 'yarnId'>;

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
const TRIAL_STITCHES = 41;

/** Nothing but what stays below. @param on the ring of what stays; null for a base round alone */
export function trialOn(on: { readonly ring: Ring; readonly widths: Float32Array | null } | null): Trial {
  const { ring, widths } = on ?? { ring: groundWith('stitch', TRIAL_STITCHES), widths: null };
  return { entries: [], rounds: [], top: ring, widths, highMm: 0 };
}

/** A part on a trial. @param ids of the entry that it may need below it, and of its own */
export function tried(
  hem: Hem,
  below: Trial,
  layer: PartRounds,
  yarn: string,
  ids: readonly [string, string],
): Trial {
  const family = familyById(layer.family);
  const asked = asWorkedOn(hem.base, entryFor(layer, ids[1], [yarn]));
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
    const ownHeightMm = surface
      ? 0
      : ringHeightMm(ring, widthMm, hem.hands?.height ?? null, hem.gauge.hookMm);
    const own = entryWidths(ring, () => feetOnRing(on, onWidths, 1));
    rounds.push({ ring, widths: own, written, ownHeightMm, yarnId: yarn });
    highMm += ownHeightMm;
    if (surface) continue;
    top = ring;
    widths = own;
  }
  return { entries, rounds, top, widths, highMm };
}

/** Where chains make up more than this of a side, plain rounds in its stitches would draw in. */
const OPEN = 0.2;

/**
 * Footing of plain rounds on a ring of loops or meshes: a round that fills its spaces, in the size that comes nearest to its
 * length. Null on a ring that is closed.
 */
export function fillFor({ top, widths }: Trial, yarn: string): RoundEntry | null {
  const first = top.part?.first ?? 0;
  const long = naturalLengthMm(top, first, 1, widths);
  const { stitches } = tallySide(top, first);
  if (long <= 0 || 1 - stitches / long < OPEN) return null;
  const tries = fillLoops.sizes.map((size) => {
    const entry = entryFor({ ...firstOf(fillLoops), size }, idUnder('ground'), [yarn]);
    const [written] = writtenRounds([entry]).rounds;
    const { ring } = workRound(top, held(written, 'it is tried on a border with a round').recipe);
    return { entry, off: Math.abs(naturalLengthMm(ring, first, 1, null) / long - 1) };
  });
  const [best] = tries.sort((a, b) => a.off - b.off);
  return placesOnSide(top, first, new Set(['space'])).length > 0
    ? held(best, 'it is tried on a border with a round').entry
    : null;
}
