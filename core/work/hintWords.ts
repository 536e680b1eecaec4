/** Hints for a place of the work: how a side ends, which stitch is the middle of a corner, what will be tight, where the border may be left. */
import { WORDS, capital } from '../terms/words.ts';
import { abbreviation, type Language } from '../terms/stitches.ts';
import { roundIn } from '../plan/roundNames.ts';
import type { Plan } from '../plan/types.ts';
import { isRowEnd } from '../print/steps/rowWords.ts';
import { sideWords } from '../print/placeWords.ts';
import { isDisc } from '../piece/outline.ts';
import { countsAsStitch } from '../ring/stitch.ts';
import { lengthWords, plural } from '../say/measures.ts';
import { ordinal } from '../say/lists.ts';
import { ballNow } from './balls.ts';
import { seamAhead } from './seam.ts';
import { seamAheadWords } from './seamWords.ts';
import { sideEndOf } from './sideEnd.ts';
import { sideInHandOf } from './sideWays.ts';
import { onTableWords } from './sideWayWords.ts';
import { isTapeAsked, tapeOf } from './tape.ts';
import { tapeAsked, tapeWords } from './tapeWords.ts';
import { earlyEndsOf, type EarlyEnd } from './earlyEnds.ts';
import type { WorkStep, Stride } from './steps.ts';
import { tightPlacesOf, type TightPlaces } from './tight.ts';

/** Hints for a step of a round, the nearest first; none where it goes without saying. */
export function hintsOf(
  plan: Plan,
  number: number,
  step: WorkStep,
  stride: Stride,
  language: Language,
): readonly string[] {
  if (step.does === 'begin') return tightPlacesOf(plan, number).map((tight) => tightWords(tight, language));
  if (step.does === 'end') return leaveHere(plan, number);
  if (step.where.on === 'corner') return middleWords(plan, number, step.where.corner);
  return stride === 'repeat' ? sideEndWords(plan, number, language) : [];
}

function sideEndWords(plan: Plan, number: number, language: Language): readonly string[] {
  const end = sideEndOf(plan, language);
  if (!end) return [];
  const up =
    !end.atCorner || isDisc(plan.body.outline)
      ? 'Up to the end of the round'
      : isRowEnd(plan, (end.side + (plan.rounds[number]!.backwards ? 0 : 1)) % plan.sides.length)
        ? 'Up to the end of the row'
        : 'Up to the corner';
  const { skip } = WORDS[language];
  const words = end.words.length <= MOST_LETTERS ? `: ${end.words}` : '.';
  const { unlike } = end;
  const last = end.over > 0 ? `${skip} ${end.over} before the corner` : 'go straight into the corner';
  return [
    // The last step says itself what is made.
    ...(end.steps > 1 ? [`${up}, ${plural(end.stitches, 'st')}${words}`] : []),
    ...(unlike?.ends
      ? [`This side ends otherwise than ${sideWords(plan, unlike.side)}: ${unlike.ends}`]
      : unlike
        ? [`Otherwise than on ${sideWords(plan, unlike.side)}, ${last}.`]
        : end.over > 0
          ? [`${capital(last)}.`]
          : []),
  ];
}

/** Questions and offers beside a step, for whoever has it said. */
export function asidesOf(plan: Plan, language: Language): readonly string[] {
  const tape = tapeOf(plan);
  const seam = seamAhead(plan);
  const inHand = sideEndOf(plan, language) && sideInHandOf(plan);
  return [
    ...(tape ? tapeWords(plan, tape).slice(0, 1) : isTapeAsked(plan) ? [tapeAsked(plan)] : []),
    ...(seam ? [seamAheadWords(plan, seam, language)] : []),
    ...(inHand ? [onTableWords(plan, inHand)] : []),
  ];
}

/** Letters from which on the way of a side up to its end is too long for a hint: its steps tell it. */
const MOST_LETTERS = 90;

/** Which stitch of those that share the place of a corner is its middle. */
function middleWords(plan: Plan, number: number, corner: number): readonly string[] {
  const below = plan.rounds[plan.rounds[number]!.onto];
  const centre = below?.ring.centres[corner];
  if (!below || centre?.length !== 1 || isRowEnd(plan, corner)) return [];
  const { made, into } = below.ring;
  const at = centre.start;
  if (!countsAsStitch(made[at]!)) return [];
  const shares = (k: number): boolean => into[(k + made.length) % made.length] === into[at];
  let [first, last] = [at, at];
  while (at - first < made.length && shares(first - 1)) first--;
  while (last - at < made.length && shares(last + 1)) last++;
  const stitches = Array.from(
    { length: last - first + 1 },
    (_, k) => made[(first + k + made.length) % made.length]!,
  );
  if (stitches.length < 3 || !stitches.every(countsAsStitch)) return [];
  const middle = plan.rounds[number]!.backwards ? last - at + 1 : at - first + 1;
  return [
    `The middle of the corner is the ${ordinal(middle)} of the ${stitches.length} sts that stand in one place.`,
  ];
}

function tightWords({ kind, places, most }: TightPlaces, language: Language): string {
  const where = plural(places, 'place');
  switch (kind) {
    case 'slip stitches':
      return `The next round goes into the ${abbreviation('slst', language)}s of this one, in ${where}: make them loosely.`;
    case 'closed stitches':
      return `The next round goes into the tops of closed stitches, in ${where}: close them loosely.`;
    case 'many in one':
      return `The next round works up to ${most} stitches into one st, in ${where}: make the st there loosely, or put a marker into it.`;
  }
}

/** Whether a border may be left at the end of a round; nothing of the last one. */
function leaveHere(plan: Plan, number: number): readonly string[] {
  const end = earlyEndsOf(plan).find(({ round }) => round === number);
  if (!end) return [];
  const grams = ballNow(plan);
  const ball = grams === null ? '' : ` About ${Math.round(grams)} g are left of the ball.`;
  return [
    `You may leave the border here: ${widthWords(plan, end.widthMm)} wide, and its edge is closed.${ball}`,
  ];
}

const widthWords = (plan: Plan, mm: number): string => lengthWords(mm, plan.hem.preferences.length);

/** A place to end, as a button names it. */
export const earlyEndWords = (plan: Plan, { round, widthMm }: EarlyEnd): string =>
  `End it with ${roundIn(plan, round)}: ${widthWords(plan, widthMm)} wide`;

/** Words on all of them: the shortest, and the last one that the yarn reaches. */
export function earlyEndsWords(plan: Plan, ends: readonly EarlyEnd[]): readonly string[] {
  const [first] = ends;
  if (!first)
    return [
      'No round before the last ends the border well: its edge would be open, or it would not lie flat.',
    ];
  const surely = ends.filter((s) => s.yarnLasts);
  const last = surely.at(-1);
  return [
    `The shortest border from here that looks finished ends with ${roundIn(plan, first.round)}, ${widthWords(plan, first.widthMm)} wide.`,
    ...(ends.every((s) => s.yarnLasts === null)
      ? []
      : last
        ? ends.length === surely.length
          ? [`The yarn in the basket is surely enough for ${ends.length === 1 ? 'it' : 'each of them'}.`]
          : [
              `${capital(roundIn(plan, last.round))} is the last of them for which the yarn in the basket is surely enough.`,
            ]
        : [`The yarn in the basket may not be enough for ${ends.length === 1 ? 'it' : 'any of them'}.`]),
  ];
}
