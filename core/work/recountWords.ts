/** Causes and repairs of a wrong count, in words. */
import { roundIn } from '../plan/roundNames.ts';
import { writtenOf } from '../plan/types.ts';
import { held } from '../held.ts';
import type { Plan, RoundPlan } from '../plan/types.ts';
import { oppositeSides } from '../piece/symmetry.ts';
import { differences, type Cause, type SideCounts, type WorkSlip } from './recount.ts';
import { facingApart, type Repair } from './repairs.ts';
import type { Left, RipPlace } from './progress.ts';
import { quietChange } from '../stack/stack.ts';
import { changeWords, solutionWords } from '../fit/fitWords.ts';
import { listWords } from '../say/lists.ts';
import { plural, timeWords, yarnLengthWords } from '../say/measures.ts';
import { cornerName, sideWords } from '../print/placeWords.ts';
import { WORDS } from '../terms/words.ts';
import { cornerAfter, orderOfWork } from '../procedure/order.ts';

/** A cause, and how far back to look. */
export function causeWords(plan: Plan, { slip, back, likelihood }: Cause): string {
  const look = slip.kind === 'miscount' ? '' : ` Look in the last ${plural(back, 'st')}.`;
  const words = slipWords(plan, slip);
  return `${LIKELIHOODS[likelihood]}: ${words.charAt(0).toLowerCase()}${words.slice(1)}.${look}`;
}

const LIKELIHOODS = { likely: 'Likely', possible: 'Possible', 'less likely': 'Less likely' } as const;

/** The corners at the ends of a side. */
function cornersAt(plan: Plan, side: number): string {
  const sides = plan.sides.length;
  return `corner ${cornerName(plan, side)} or ${cornerName(plan, (side + 1) % sides)}`;
}

function slipWords(plan: Plan, slip: WorkSlip): string {
  const { skip } = WORDS[plan.hem.preferences.language];
  switch (slip.kind) {
    case 'hidden stitch':
      return `The first st after corner ${cornerName(plan, slip.corner)} hides behind the corner: it may have been ${skip === 'skip' ? 'skipped' : 'missed'}, or a st of ${cornersAt(plan, slip.side)} left out`;
    case 'corner':
      return `Corner ${cornerName(plan, slip.corner)} may have been worked without its increase`;
    case 'corner twice':
      return `A corner may have been worked twice: ${cornersAt(plan, slip.side)}`;
    case 'miscount':
      return Math.abs(slip.count) === 10
        ? `Ten may have been counted ${slip.count > 0 ? 'twice' : 'too few'} on ${sideWords(plan, slip.side)}: count it again`
        : `The count of ${sideWords(plan, slip.side)} may be off: count it again, ten by ten`;
    case 'join':
      return `You may have counted the joining slip stitch, on ${sideWords(plan, slip.side)}`;
    case 'repeat':
      return slip.missed
        ? `A repeat may be missing on ${sideWords(plan, slip.side)}`
        : `There may be a repeat too many on ${sideWords(plan, slip.side)}`;
    case 'missed motif':
      return `The stitches of one motif may be missing on ${sideWords(plan, slip.side)}`;
    case 'places':
      return slip.count < 0
        ? `You may have ${skip === 'skip' ? 'skipped' : 'missed'} ${plural(-slip.count, 'place')} somewhere on ${sideWords(plan, slip.side)}`
        : `You may have worked twice into ${plural(slip.count, 'place')} somewhere on ${sideWords(plan, slip.side)}`;
  }
}

/** A repair and its price. */
export function repairWords(plan: Plan, repair: Repair): string {
  switch (repair.kind) {
    case 'rip':
      return repair.made === 0 ? 'Rip back to the beginning of the round' : 'Rip back to the corner';
    case 'fudge':
      return fudgeWords(
        plan,
        held(repair.fudge, 'a repair of this kind has it'),
        held(repair.round, 'a repair of this kind has it'),
      );
    case 'quiet':
      return `Go on, and make up for it in round ${repair.round}: ${quietWords(plan, repair)}`;
    case 'refit': {
      const { solution, plan: then } = held(repair.refit, 'a repair of this kind has it');
      return `Go on, and adjust the next rounds to match: ${solutionWords(then, solution)}`;
    }
    case 'leave':
      return 'Go on with what is there';
  }
}

/** Differences of a round that is to come from its plan. */
function quietWords(plan: Plan, { round, then }: Repair): string {
  const [was, is] = [
    writtenOf(plan.rounds[held(round, 'a repair that ends at a round has it')]!),
    writtenOf(then.rounds[held(round, 'a repair that ends at a round has it')]!),
  ];
  const changes = plan.sides.map((_, side) => quietChange(is, side) - quietChange(was, side));
  return changeWords(
    changes,
    plan.sides.map((s) => s.name),
  );
}

/** Work in the last place before a corner. */
function fudgeWords(plan: Plan, { side, more }: NonNullable<Repair['fudge']>, round: number): string {
  const { travel } = orderOfWork(plan.rounds[round]!);
  const corner = cornerName(plan, cornerAfter(side, plan.sides.length, travel));
  return more > 0
    ? `Work ${plural(more, 'st')} more into the last place before corner ${corner}`
    : `Before corner ${corner}, take the last ${-2 * more} sts out and work 2 together${more < -1 ? ' twice' : ''}`;
}

/** Stitches that come off, such as “Undoes 212 sts, about 10 min of work; frees about 4 m of yarn.” */
export const priceWords = (plan: Plan, { stitches, minutes, metres }: Left): string =>
  `Undoes ${plural(stitches, 'st')}, about ${timeWords(minutes)} of work; frees about ${yarnLengthWords(metres, plan.hem.preferences.length)} of yarn.`;

/** Price and outcome of a repair. */
export function outcomeWords(
  plan: Plan,
  {
    uneven,
    lies,
    shows,
    price,
    kind,
    then,
  }: Pick<Repair, 'uneven' | 'lies' | 'shows' | 'price' | 'kind' | 'then'>,
): string {
  const cost = price.stitches > 0 ? priceWords(plan, price) : 'Nothing is ripped.';
  const seen =
    kind === 'leave' && shows > 0
      ? facingApart(plan, then)
          .map(({ sides: [a, b], by }) => {
            const [more, fewer] = by > 0 ? [a, b] : [b, a];
            return `${plan.sides[fewer]!.name} stays ${plural(Math.abs(by), 'st')} short of ${plan.sides[more]!.name}.`;
          })
          .join(' ')
      : shows === 0
        ? // A round that does not fit is seen, whatever the repair itself looks like.
          uneven.length === 0
          ? 'It does not show.'
          : ''
        : shows <= 2
          ? 'It hardly shows.'
          : 'It can be seen.';
  const fits =
    uneven.length === 0
      ? 'Then every round fits.'
      : `Then round${uneven.length === 1 ? '' : 's'} ${listWords(uneven.map(String))} ${uneven.length === 1 ? 'does' : 'do'} not fit.`;
  const flat =
    lies === 'flat'
      ? 'Lies flat.'
      : lies === 'blocks out'
        ? 'Flattens with blocking.'
        : 'Does not lie flat everywhere.';
  return [cost, fits, flat, ...(seen ? [seen] : [])].join(' ');
}

/** A place that can be ripped back to. */
export function ripPlaceWords(plan: Plan, { round, made, corner }: RipPlace): string {
  const name = roundIn(plan, round);
  if (made === 0) return round === 0 ? 'All of the border' : `All of ${name}`;
  return corner === null ? `To the end of ${name}` : `To corner ${cornerName(plan, corner)} of ${name}`;
}

/** Down to where the border is known to be good. */
export const goodWords = (round: RoundPlan | null): string =>
  round === null
    ? 'No round has been counted and found right yet.'
    : round.number === 0
      ? 'Good through the base round, by its count or its look.'
      : `Good through round ${round.number}, by its count or its look.`;

/** Counts to compare one with: the side that faces it, and the last count of it that was right. */
export function comparedWords(plan: Plan, number: number, found: SideCounts): string {
  const round = plan.rounds[number]!;
  const facing = new Map(oppositeSides(plan.body).flatMap(([a, b]) => [[a, b] as const, [b, a] as const]));
  return differences(round, found)
    .flatMap((off, side): readonly string[] => {
      if (off === 0) return [];
      const other = facing.get(side);
      const right = plan.rounds.findLast(
        (r) => r.number < number && r.done !== null && r.done.found[side] === r.done.planned[side],
      );
      const name = plan.sides[side]!.name;
      const there = other === undefined ? null : (found[other] ?? round.done?.found[other] ?? null);
      return [
        ...(other === undefined
          ? []
          : [
              `${name} faces ${plan.sides[other]!.name}, which ${there === null ? 'is to have' : 'has'} ${there ?? round.sides[other]!.tally.stitches}.`,
            ]),
        ...(right
          ? [
              `${name} was right in ${roundIn(plan, right.number)}, with ${right.sides[side]!.tally.stitches}.`,
            ]
          : []),
      ];
    })
    .join(' ');
}
