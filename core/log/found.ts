/** Plan and finding: counts, yarn, height, size, and how each side lay. */
import { held } from '../held.ts';
import { FLAT_LIMITS, verdict, type Verdict } from '../flat/flat.ts';
import { limitsFor, type Lay } from '../hands/flatness.ts';
import { standing } from '../document/record.ts';
import { extent } from '../piece/outline.ts';
import { looksOf, metresBetween } from '../plan/observed.ts';
import { isRound, type Plan } from '../plan/types.ts';
import { weighedStretches } from '../record/weighings.ts';

/** A number that was planned, and what was found. */
export interface LogFound {
  /** Number of the round up to whose place it was found. */
  readonly round: number;
  /** Number of the side, name of the yarn, or which way across; null where there is only one. */
  readonly of: number | string | null;
  readonly planned: number;
  readonly found: number;
}

/** How a side lay. */
export interface FoundLay {
  readonly round: number;
  readonly side: number;
  readonly planned: Verdict;
  /** Signed, as it was planned. */
  readonly strain: number;
  readonly found: Lay['lies'];
}

export interface AllFound {
  /** Stitches of sides that were counted, of rounds that stand. */
  readonly counts: readonly LogFound[];
  /** Grams from one weighing to the next; `of` is the yarn. */
  readonly yarn: readonly LogFound[];
  /** Across the rounds, cm. */
  readonly height: readonly LogFound[];
  /** From edge to edge, cm; `of` is “across” or “down”. */
  readonly size: readonly LogFound[];
  readonly lay: readonly FoundLay[];
}

/** All that was found, in the order in which it was noted; what was planned is what the plan said before any of it. */
export function foundOf(plan: Plan): AllFound {
  const { rounds } = plan;
  // What this hem taught of what lies flat came after it was planned.
  const known = plan.hem.hands?.flat;
  const limits = known ? limitsFor(known) : FLAT_LIMITS;
  const looks = looksOf(standing(plan.hem.record)).flatMap((look) => {
    const round = rounds.find((r) => isRound(r, look.round));
    return round ? [{ look, round }] : [];
  });
  return {
    counts: rounds.flatMap(({ number, done }) =>
      (done?.found ?? []).flatMap((found, side) =>
        found === null
          ? []
          : [{ round: number, of: side, planned: held(done, 'the round was done').planned[side]!, found }],
      ),
    ),
    yarn: weighedStretches(plan.hem.record).flatMap(({ yarn: id, from, to, grams }) => {
      const yarn = plan.hem.yarns.find((y) => y.id === id);
      const round = rounds.find((r) => isRound(r, to.round));
      const metres = metresBetween(rounds, id, from, to);
      if (!yarn || !round || metres <= 0) return [];
      const planned = (metres * 100) / yarn.metresPer100G;
      return [{ round: round.number, of: yarn.name, planned, found: grams }];
    }),
    height: looks.flatMap(({ look: { depthCm }, round }) =>
      depthCm === null
        ? []
        : [{ round: round.number, of: null, planned: round.plannedHeightMm / 10, found: depthCm }],
    ),
    size: looks.flatMap(({ look: { sizeCm }, round }) => {
      const { widthMm, heightMm } = extent(plan.body.outline, round.plannedHeightMm);
      return [widthMm, heightMm].flatMap((mm, i) => {
        const found = sizeCm[i] ?? null;
        const of = i === 0 ? 'across' : 'down';
        return found === null ? [] : [{ round: round.number, of, planned: mm / 10, found }];
      });
    }),
    lay: looks.flatMap(({ look: { lies }, round }) =>
      lies.flatMap((found, side) => {
        const strain = round.sides[side]?.strain;
        if (!found || strain === undefined) return [];
        return [{ round: round.number, side, planned: verdict(strain, limits), strain, found }];
      }),
    ),
  };
}
