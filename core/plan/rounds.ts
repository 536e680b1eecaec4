/** The rounds of a plan: each worked onto the ring below it, measured and judged. */
import { baseCornerGroup } from '../base/baseRound.ts';
import { yarnOf, type Hem } from '../document/hem.ts';
import {
  entryWidths,
  feetOnBody,
  feetOnRing,
  naturalLengthMm,
  roundHeight,
  strain,
  verdict,
  type FootPlaces,
  type FlatLimits,
} from '../flat/flat.ts';
import { knownFor, type KnownHands } from '../hands/hands.ts';
import { LIMITS } from '../limits.ts';
import type { FrozenRound } from '../record/record.ts';
import type { Body } from '../piece/edge.ts';
import { problem, type Problem, inRound } from '../problems.ts';
import { mainStitch, sideCount, tallyRing, tallySide, type Ring } from '../ring/ring.ts';
import type { SideFit } from '../ring/along.ts';
import { mostMade } from '../ring/most.ts';
import { workRound, type WorkedRound as WorkedRing } from '../ring/work.ts';
import { circumstancesOf, type WrittenRound } from '../stack/stack.ts';
import { PLACE_NAMES } from '../terms/places.ts';
import type { Stages } from '../stages.ts';
import { yarnInRingM, type Yarn } from '../yarn/yarn.ts';
import { isEven, type MadeRound, type PathRound, type RoundPlan, type RoundSide } from './types.ts';

/**
 * Width of a stitch made with another hook, mm: it follows the square root of the hook, so that a hook half a
 * size smaller (5 to 4.5 mm) makes stitches 5 % narrower, and what is known of these hands with either hook.
 */
export function widthWithHook({ gauge, hands }: Pick<Hem, 'gauge' | 'hands'>, hookMm: number | null): number {
  const widthMm = 100 / gauge.stitchesPer10Cm;
  if (hookMm === null) return widthMm;
  const known = (hook: number): number =>
    hands?.width?.bySize[`${hook}`]?.ratio ?? hands?.width?.all.ratio ?? 1;
  return (widthMm * Math.sqrt(hookMm / gauge.hookMm) * known(hookMm)) / known(gauge.hookMm);
}

/** How high a ring is, mm: by its tallest stitch and what is known of these hands. */
export function ringHeightMm(ring: Ring, widthMm: number, hands: KnownHands | null, hookMm: number): number {
  const { ratio } = knownFor('height', hands?.height ?? null, mainStitch(ring), `${hookMm}`);
  return roundHeight(ring) * widthMm * ratio;
}

/** @param done the rounds that have been begun, the base round first: they stand first in the stack */
export function planRounds(
  stages: Stages,
  hem: Hem,
  body: Body,
  done: readonly FrozenRound[],
  baseWorked: Omit<WorkedRing, 'sides'>,
  stack: readonly WrittenRound[],
): { readonly made: readonly MadeRound[]; readonly stopped: Problem | null } {
  const { hands } = hem;
  const baseWidthMm = widthWithHook(hem, hem.base.hookMm);
  const { yarn: baseYarn, hookMm } = hem.base;
  const baseHookMm = hookMm ?? hem.gauge.hookMm;
  const rounds = [
    stages.run(
      'round 0',
      [body, baseWorked, baseWidthMm, baseHookMm, ...factsOf(yarnOf(hem, baseYarn)), hands],
      () =>
        makeRound(body, baseWidthMm, yarnOf(hem, baseYarn), hands, {
          written: null,
          number: 0,
          name: 'Base round',
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
      const { name: round, sitsOn } = stack[k]!;
      const places = PLACE_NAMES[sitsOn].long[1];
      return values
        ? problem('round-too-large', inRound(k + 1), { round, ...values })
        : problem('round-makes-nothing', inRound(k + 1), { round, places });
    });
  for (const [k, written] of stack.entries()) {
    const below = rounds[onto]!;
    const { entry, recipe, index } = written;
    const widthMm = widthWithHook(hem, entry.hookMm);
    const room = Math.min(LIMITS.stitchesInRound, LIMITS.stitchesInBorder - size);
    const most = stages.run(
      `most ${k + 1}`,
      [below.ring, recipe, entry, index, body.outline, widthMm, room],
      () =>
        mostMade(
          below.ring,
          recipe,
          circumstancesOf(written, body.outline, below.plannedHeightMm / widthMm),
          room,
        ),
    );
    if (most > room) {
      const ofRound = room === LIMITS.stitchesInRound;
      const stopped = stop(k, {
        most: ofRound ? LIMITS.stitchesInRound : LIMITS.stitchesInBorder,
        of: ofRound ? 'in one round' : 'in the border',
      });
      return { made: rounds, stopped };
    }
    const yarnId = done[k + 1]?.yarn.id ?? entry.yarns[index % entry.yarns.length]!;
    const hookMm = entry.hookMm ?? hem.gauge.hookMm;
    const found = done[k + 1]?.counts;
    const inputs = [body, below, written, widthMm, hookMm, ...factsOf(yarnOf(hem, yarnId)), found, hands];
    const round = stages.run(`round ${k + 1}`, inputs, () => {
      const circumstances = circumstancesOf(written, body.outline, below.plannedHeightMm / widthMm);
      const worked = stages.run(
        `ring ${k + 1}`,
        [
          below.ring,
          below.plannedHeightMm / widthMm,
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
      return makeRound(body, widthMm, yarnOf(hem, yarnId), hands, {
        written,
        number: k + 1,
        name: written.name,
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
    if (round === null) return { made: rounds, stopped: stop(k, null) };
    rounds.push(round);
    size += round.total;
    if (!recipe.surface) onto = k + 1;
  }
  return { made: rounds, stopped: null };
}

/** What of a yarn bears on how a round is made in it. */
const factsOf = ({ id, weight, diameterMm }: Yarn): readonly unknown[] => [id, weight, diameterMm];

interface RoundParts extends Pick<
  RoundPlan,
  'written' | 'number' | 'name' | 'onto' | 'ring' | 'layout' | 'corners' | 'facing' | 'backwards' | 'hookMm'
> {
  readonly fits: readonly SideFit[] | null;
  readonly below: MadeRound | null;
}

function makeRound(
  body: Body,
  widthMm: number,
  yarn: Yarn,
  hands: KnownHands | null,
  { fits, below, ...round }: RoundParts,
): MadeRound {
  const surface = round.written?.recipe.surface ?? false;
  const stitch = mainStitch(round.ring);
  const ownHeightMm = surface ? 0 : ringHeightMm(round.ring, widthMm, hands, round.hookMm);
  const feet = (): FootPlaces =>
    below ? feetOnRing(below.ring, below.widths, below.stitchWidthMm / widthMm) : feetOnBody(body, widthMm);
  return {
    ...round,
    yarnId: yarn.id,
    stitch,
    free: surface || (round.written !== null && round.written.edge !== 'straight'),
    fits,
    total: tallyRing(round.ring).stitches,
    stitchWidthMm: widthMm,
    widths: entryWidths(round.ring, feet),
    plannedOwnHeightMm: ownHeightMm,
    plannedHeightMm: (below?.plannedHeightMm ?? 0) + ownHeightMm,
    pathM:
      yarnInRingM(round.ring, widthMm, yarn.diameterMm) *
      knownFor('yarn', hands?.yarn ?? null, stitch, `${yarn.weight}`).ratio,
    even: fits === null || fits.every(isEven),
  };
}

/**
 * A round measured and judged.
 *
 * @param below the round that a free edge is judged by; null for the base round
 * @param taller what was measured of heights over what was planned
 */
export function judged(
  body: Body,
  { fits, ...round }: MadeRound,
  below: PathRound | null,
  taller: number,
  limits: FlatLimits,
): PathRound {
  const heightMm = round.plannedHeightMm * taller;
  const by = round.free && below ? below : { ...round, heightMm };
  const sides = Array.from({ length: sideCount(round.ring) }, (_, side): RoundSide => {
    const natural = naturalLengthMm(by.ring, side, by.stitchWidthMm, by.widths);
    const s = strain(natural, body.outline, side, by.heightMm);
    return {
      tally: tallySide(round.ring, side),
      fit: fits && (fits[side] ?? fits[0]!),
      strain: s,
      verdict: verdict(s, limits),
    };
  });
  return { ...round, sides, ownHeightMm: round.plannedOwnHeightMm * taller, heightMm };
}
