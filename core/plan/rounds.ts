/** The rounds of a plan: each worked onto the ring below it, as far as `limits.ts` lets them go. */
import { planProblem } from './problems.ts';
import type { Hem } from '../document/hem.ts';
import { yarnOf } from '../document/hem.ts';
import { entryWidths, feetOnBody, feetOnRing, roundHeight } from '../flat/flat.ts';
import { knownFor, type KnownPart } from '../hands/hands.ts';
import { LIMITS } from '../limits.ts';
import type { Body } from '../piece/edge.ts';
import type { Outline } from '../piece/outline.ts';
import { inRound, type Problem } from '../problems.ts';
import type { FrozenRound } from '../record/record.ts';
import type { Layout, SideFit } from '../ring/along.ts';
import { mostMade } from '../ring/most.ts';
import type { CornerRecipe } from '../ring/recipe.ts';
import { mainStitch, tallyRing, type PlaceKind, type Ring } from '../ring/ring.ts';
import { workRound, type WorkedRound } from '../ring/work.ts';
import { bearingOf, circumstances, type RoundBearing, type WrittenRound } from '../stack/stack.ts';
import { PLACE_NAMES } from '../terms/places.ts';
import { yarnInRingM, type Yarn } from '../yarn/yarn.ts';
import type { BaseWorked } from './base.ts';
import type { Stages } from './stages.ts';
import { isEven, type MadeRound, type RoundPlan } from './types.ts';

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

/** How high a ring is, mm: by its tallest stitch and what is known of the heights of these hands. */
export function ringHeightMm(ring: Ring, widthMm: number, known: KnownPart | null, hookMm: number): number {
  const { ratio } = knownFor('height', known, mainStitch(ring), `${hookMm}`);
  return roundHeight(ring) * widthMm * ratio;
}

interface RoundsInputs {
  readonly body: Body;
  /** The rounds that have been begun, the base round first: they stand first in the stack. */
  readonly done: readonly FrozenRound[];
  readonly base: BaseWorked & { readonly corners: readonly CornerRecipe[] };
  readonly stack: readonly WrittenRound[];
}

/** @returns the rounds up to the one that cannot be worked, and why it cannot */
export function planRounds(
  stages: Stages,
  hem: Hem,
  { body, done, base, stack }: RoundsInputs,
): { readonly made: readonly MadeRound[]; readonly stopped: Problem | null } {
  const { outline } = body;
  const known = { knownHeights: hem.hands?.height ?? null, knownYarn: hem.hands?.yarn ?? null };
  const withYarn = (id: string) => {
    const { weight, diameterMm } = yarnOf(hem, id);
    return { yarnId: id, yarnWeight: weight, yarnDiameterMm: diameterMm };
  };
  const rounds = [
    stages.run('round 0', roundOnRing, {
      body,
      ...known,
      ...withYarn(hem.base.yarn),
      ...base,
      widthMm: widthWithHook(hem, hem.base.hookMm),
      hookMm: hem.base.hookMm ?? hem.gauge.hookMm,
      written: null,
      number: 0,
      onto: -1,
      sides: null,
      below: null,
    }),
  ];
  let onto = 0;
  let size = rounds[0]!.total;
  for (const [k, written] of stack.entries()) {
    const number = k + 1;
    const below = rounds[onto]!;
    const { entry, recipe, index, name, sitsOn } = written;
    const widthMm = widthWithHook(hem, entry.hookMm);
    const room = Math.min(LIMITS.stitchesInRound, LIMITS.stitchesInBorder - size);
    const worked = {
      ...bearingOf(written),
      outline,
      below: below.ring,
      highMm: below.plannedHeightMm,
      widthMm,
    };
    const fit = stages.run(`room ${number}`, fitsInto, { ...worked, room });
    const stop = { number, name, sitsOn, inRound: room === LIMITS.stitchesInRound };
    if (!fit) return { made: rounds, stopped: stages.run('stopped', tooLarge, stop) };
    const counts = done[number]?.counts ?? null;
    const ring = stages.run(`ring ${number}`, ringOfRound, { ...worked, counts });
    if (ring.ring.made.length === 0)
      return { made: rounds, stopped: stages.run('stopped', makesNothing, stop) };
    const round = stages.run(`round ${number}`, roundOnRing, {
      body,
      ...known,
      ...withYarn(done[number]?.yarn.id ?? entry.yarns[index % entry.yarns.length]!),
      ...ring,
      widthMm,
      hookMm: entry.hookMm ?? hem.gauge.hookMm,
      written,
      number,
      onto,
      below,
    });
    rounds.push(round);
    size += round.total;
    if (!recipe.surface) onto = number;
  }
  return { made: rounds, stopped: null };
}

interface RingInputs extends RoundBearing {
  readonly outline: Outline;
  readonly below: Ring;
  /** Height of the ring below above the body. */
  readonly highMm: number;
  readonly widthMm: number;
}

const onPiece = ({ outline, highMm, widthMm, ...round }: RingInputs) =>
  circumstances(round, outline, highMm / widthMm);

/** Whether a round makes no more stitches than there is room for. */
const fitsInto = ({ room, ...round }: RingInputs & { readonly room: number }): boolean =>
  mostMade(round.below, round.recipe, onPiece(round), room) <= room;

interface StoppedInputs {
  readonly number: number;
  readonly name: string;
  readonly sitsOn: PlaceKind;
  /** Too many for one round; else for the border. */
  readonly inRound: boolean;
}

const tooLarge = ({ number, name, inRound: alone }: StoppedInputs): Problem =>
  planProblem('round-too-large', inRound(number), {
    round: name,
    most: alone ? LIMITS.stitchesInRound : LIMITS.stitchesInBorder,
    of: alone ? 'in one round' : 'in the border',
  });

const makesNothing = ({ number, name, sitsOn }: StoppedInputs): Problem =>
  planProblem('round-makes-nothing', inRound(number), { round: name, places: PLACE_NAMES[sitsOn].long[1] });

/** A round worked onto the ring below; with what went into each corner on this piece. */
function ringOfRound({
  counts,
  ...round
}: RingInputs & {
  /** As they were found, between the corners; null where the round has not been begun. */
  readonly counts: readonly number[] | null;
}): WorkedRound & { readonly corners: readonly CornerRecipe[] } {
  const { below, recipe, outline } = round;
  const here = onPiece(round);
  return {
    ...workRound(below, recipe, { ...here, ...(counts && { found: counts }) }),
    corners: here.corners ?? outline.turns.map(() => recipe.corner),
  };
}

interface OnRingInputs extends Pick<RoundPlan, 'written' | 'number' | 'onto' | 'hookMm' | 'yarnId'> {
  readonly body: Body;
  readonly widthMm: number;
  readonly yarnWeight: Yarn['weight'];
  readonly yarnDiameterMm: number;
  readonly knownHeights: KnownPart | null;
  readonly knownYarn: KnownPart | null;
  readonly ring: Ring;
  readonly layout: Layout;
  readonly corners: readonly CornerRecipe[];
  readonly sides: readonly SideFit[] | null;
  readonly below: MadeRound | null;
}

/** A ring as a round of the plan: its widths, its height and its yarn, by rules of thumb and what is known of these hands. */
function roundOnRing({
  body,
  widthMm,
  yarnId,
  yarnWeight,
  yarnDiameterMm,
  knownHeights,
  knownYarn,
  ring,
  sides: fits,
  below,
  ...round
}: OnRingInputs): MadeRound {
  const { written } = round;
  const surface = written?.recipe.surface ?? false;
  const stitch = mainStitch(ring);
  const ownHeightMm = surface ? 0 : ringHeightMm(ring, widthMm, knownHeights, round.hookMm);
  const yarnRatio = knownFor('yarn', knownYarn, stitch, `${yarnWeight}`).ratio;
  return {
    ...round,
    ring,
    yarnId,
    name: written?.name ?? 'Base round',
    facing: written?.facing ?? 'right',
    backwards: written?.backwards ?? false,
    stitch,
    free: surface || (written !== null && written.edge !== 'straight'),
    fits,
    total: tallyRing(ring).stitches,
    stitchWidthMm: widthMm,
    widths: entryWidths(ring, () =>
      below ? feetOnRing(below.ring, below.widths, below.stitchWidthMm / widthMm) : feetOnBody(body, widthMm),
    ),
    radiusMm: (written?.rounding?.to ?? 0) * widthMm,
    plannedOwnHeightMm: ownHeightMm,
    plannedHeightMm: (below?.plannedHeightMm ?? 0) + ownHeightMm,
    pathM: yarnInRingM(ring, widthMm, yarnDiameterMm) * yarnRatio,
    even: fits === null || fits.every(isEven),
  };
}
