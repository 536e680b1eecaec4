/** Plain rounds under an edge, so that a border comes to a width that is wanted. */
import { held } from '../held.ts';
import type { Hem, RoundEntry } from '../document/hem.ts';
import { createPlanner } from '../plan/planner.ts';
import { plain } from '../rounds/plain.ts';
import { turnsSquarely } from '../piece/symmetry.ts';
import { newEntry } from '../stack/stack.ts';
import type { StitchKind } from '../terms/stitches.ts';

/** Stitches that the rounds may be of. */
const STITCHES: readonly StitchKind[] = ['sc', 'hdc', 'dc'];
/** The most rounds that are put in. */
const MOST = 24;
/** Widths that are as near as can be worked, mm. */
const AS_NEAR = 3;

interface Beneath {
  readonly entry: RoundEntry;
  readonly offMm: number;
  /** Rounds that do not lie flat. */
  readonly bent: number;
}

/**
 * The hem with plain rounds right above its base round, so that its border comes as near to a width as it can.
 *
 * @param widthMm of the border from the piece to its outermost point
 * @param id of the entry that is put in
 * @returns the same hem where the border is as wide already, or nearer without than with one more round
 */
export function broughtToWidth(hem: Hem, widthMm: number, id: string): Hem {
  const planner = createPlanner();
  const { borderWidthMm, body } = planner(hem);
  const yarn = held(hem.yarns[0], 'a hem has a yarn').id;
  const corner = hem.base.corner === 'angle' && !turnsSquarely(body) ? ('angle' as const) : null;
  const withRounds = (stitch: StitchKind, times: number): readonly [Hem, RoundEntry] => {
    const usual = newEntry(plain, id, yarn);
    const entry: RoundEntry = { ...usual, stitch, times, ...(corner && { corner }) };
    return [{ ...hem, rounds: [entry, ...hem.rounds] }, entry];
  };
  const tried = STITCHES.flatMap((stitch): readonly Beneath[] => {
    const [one] = withRounds(stitch, 1);
    const roundMm = planner(one).borderWidthMm - borderWidthMm;
    const times = Math.min(MOST, Math.round((widthMm - borderWidthMm) / roundMm));
    if (roundMm <= 0 || times < 1) return [];
    const [made, entry] = withRounds(stitch, times);
    const { borderWidthMm: wide, rounds } = planner(made);
    return [
      {
        entry,
        offMm: Math.abs(wide - widthMm),
        bent: rounds.filter((r) => r.sides.some((s) => s.verdict !== 'flat')).length,
      },
    ];
  });
  // Of those that come as near, the ones that lie flattest, and of these the one with the fewest rounds.
  const nearest = Math.min(...tried.map((t) => t.offMm));
  const [best] = tried
    .filter((t) => t.offMm <= nearest + AS_NEAR)
    .sort((a, b) => a.bent - b.bent || a.entry.times - b.entry.times);
  if (!best || best.offMm >= Math.abs(borderWidthMm - widthMm)) return hem;
  return { ...hem, rounds: [best.entry, ...hem.rounds] };
}
