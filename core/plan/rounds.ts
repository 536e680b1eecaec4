/** The rounds of a plan: each worked onto the ring below it, measured and judged. */
import { baseCornerGroup } from '../base/baseRound.ts';
import type { Hem } from '../document/hem.ts';
import {
  entryWidths,
  feetOnBody,
  feetOnRing,
  naturalLengthMm,
  roundHeight,
  strain,
  verdict,
  type Feet,
} from '../flat/flat.ts';
import { LIMITS } from '../limits.ts';
import type { FrozenRound } from '../record/record.ts';
import type { Body } from '../piece/edge.ts';
import { problem, type Problem, inRound } from '../problems.ts';
import { sideCount, tallyRing, tallySide } from '../ring/ring.ts';
import type { SideFit } from '../ring/along.ts';
import { mostMade } from '../ring/most.ts';
import { workRound, type WorkedRound as WorkedRing } from '../ring/work.ts';
import { circumstancesOf, type WrittenRound } from '../stack/stack.ts';
import type { Stages } from '../stages.ts';
import { yarnInRingM } from '../yarn/yarn.ts';
import { isEven, type PathRound, type RoundPlan, type RoundSide } from './types.ts';

/**
 * Width of a stitch made with another hook: it follows the square root of the hook, so that a hook half a
 * size smaller (5 to 4.5 mm) makes stitches 5 % narrower. A rule of thumb until a round has been measured.
 */
export const widthWithHook = (widthMm: number, hookMm: number | null, usualMm: number): number =>
  hookMm === null ? widthMm : widthMm * Math.sqrt(hookMm / usualMm);

/** @param done the rounds that have been begun, the base round first: they stand first in the stack */
export function planRounds(
  stages: Stages,
  hem: Hem,
  body: Body,
  done: readonly FrozenRound[],
  baseWorked: Omit<WorkedRing, 'sides'>,
  stack: readonly WrittenRound[],
  usualWidthMm: number,
  baseWidthMm: number,
): { readonly paths: readonly PathRound[]; readonly stopped: Problem | null } {
  const diameter = (id: string): number => hem.yarns.find((y) => y.id === id)!.diameterMm;
  const { yarn: baseYarn, hookMm } = hem.base;
  const baseHookMm = hookMm ?? hem.gauge.hookMm;
  const rounds = [
    stages.run('round 0', [body, baseWorked, baseWidthMm, baseHookMm, baseYarn, diameter(baseYarn)], () =>
      planRound(body, baseWidthMm, diameter(baseYarn), {
        written: null,
        number: 0,
        name: 'Base round',
        yarnId: baseYarn,
        onto: -1,
        ...baseWorked,
        corners: body.outline.turns.map((turn) => ({
          before: [],
          group: baseCornerGroup(hem.base, turn),
          after: [],
        })),
        facing: 'right',
        backwards: false,
        hookMm: baseHookMm,
        fits: null,
        below: null,
      }),
    ),
  ];
  let onto = 0;
  let size = rounds[0]!.total;
  const stop = (k: number, values: { readonly most: number; readonly of: string } | null) =>
    stages.run('stopped', [k, stack[k], values?.most, values?.of], () => {
      const round = stack[k]!.name;
      return values
        ? problem('round-too-large', inRound(k + 1), { round, ...values })
        : problem('round-makes-nothing', inRound(k + 1), { round });
    });
  for (const [k, written] of stack.entries()) {
    const below = rounds[onto]!;
    const { entry, recipe, index } = written;
    const widthMm = widthWithHook(usualWidthMm, entry.hookMm, hem.gauge.hookMm);
    const room = Math.min(LIMITS.stitchesInRound, LIMITS.stitchesInBorder - size);
    const most = stages.run(
      `most ${k + 1}`,
      [below.ring, recipe, entry, index, body.outline, widthMm, room],
      () =>
        mostMade(below.ring, recipe, circumstancesOf(written, body.outline, below.heightMm / widthMm), room),
    );
    if (most > room) {
      const ofRound = room === LIMITS.stitchesInRound;
      const stopped = stop(k, {
        most: ofRound ? LIMITS.stitchesInRound : LIMITS.stitchesInBorder,
        of: ofRound ? 'in one round' : 'in the border',
      });
      return { paths: rounds, stopped };
    }
    const yarnId = entry.yarns[index % entry.yarns.length]!;
    const hookMm = entry.hookMm ?? hem.gauge.hookMm;
    const found = done[k + 1]?.counts;
    const inputs = [body, below, written, widthMm, hookMm, yarnId, diameter(yarnId), found];
    const round = stages.run(`round ${k + 1}`, inputs, () => {
      const circumstances = circumstancesOf(written, body.outline, below.heightMm / widthMm);
      const worked = stages.run(
        `ring ${k + 1}`,
        [
          below.ring,
          below.heightMm / widthMm,
          recipe,
          entry.corner,
          entry.changes[String(index)],
          written.backwards,
          body.outline,
          found,
        ],
        () => workRound(below.ring, recipe, { ...circumstances, ...(found && { found }) }),
      );
      if (worked.ring.made.length === 0) return null;
      return planRound(body, widthMm, diameter(yarnId), {
        written,
        number: k + 1,
        name: written.name,
        yarnId,
        onto,
        ring: worked.ring,
        layout: worked.layout,
        corners: circumstances.corners ?? body.outline.turns.map(() => recipe.corner),
        facing: written.facing,
        backwards: written.backwards,
        hookMm,
        fits: worked.sides,
        below,
      });
    });
    if (round === null) return { paths: rounds, stopped: stop(k, null) };
    rounds.push(round);
    size += round.total;
    if (!recipe.surface) onto = k + 1;
  }
  return { paths: rounds, stopped: null };
}

interface RoundParts extends Pick<
  RoundPlan,
  | 'written'
  | 'number'
  | 'name'
  | 'yarnId'
  | 'onto'
  | 'ring'
  | 'layout'
  | 'corners'
  | 'facing'
  | 'backwards'
  | 'hookMm'
> {
  readonly fits: readonly SideFit[] | null;
  readonly below: PathRound | null;
}

function planRound(body: Body, widthMm: number, diameterMm: number, parts: RoundParts): PathRound {
  const { fits, below, ...round } = parts;
  const surface = round.written?.recipe.surface ?? false;
  const free = surface || (round.written !== null && round.written.edge !== 'straight');
  const ownHeightMm = surface ? 0 : roundHeight(round.ring) * widthMm;
  const heightMm = (below?.heightMm ?? 0) + ownHeightMm;
  const feet = (): Feet =>
    below ? feetOnRing(below.ring, below.widths, below.stitchWidthMm / widthMm) : feetOnBody(body, widthMm);
  const widths = entryWidths(round.ring, feet);
  const judged = free && below ? below : { ring: round.ring, heightMm, stitchWidthMm: widthMm, widths };
  const sides = Array.from({ length: sideCount(round.ring) }, (_, side): RoundSide => {
    const natural = naturalLengthMm(judged.ring, side, judged.stitchWidthMm, judged.widths);
    const s = strain(natural, body.outline, side, judged.heightMm);
    return {
      tally: tallySide(round.ring, side),
      fit: fits && (fits[side] ?? fits[0]!),
      strain: s,
      verdict: verdict(s),
    };
  });
  return {
    ...round,
    free,
    sides,
    total: tallyRing(round.ring).stitches,
    stitchWidthMm: widthMm,
    widths,
    ownHeightMm,
    heightMm,
    pathM: yarnInRingM(round.ring, widthMm, diameterMm),
    even: sides.every(({ fit }) => fit === null || isEven(fit)),
  };
}
