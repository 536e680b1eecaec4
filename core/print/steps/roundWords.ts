/** A round after the base round in words, and rounds that repeat folded into one telling. */
import { held } from '../../held.ts';
import { sidesWorked, writtenOf } from '../../plan/types.ts';
import { isDisc } from '../../piece/outline.ts';
import type { Plan, RoundPlan } from '../../plan/types.ts';
import { problemLine } from '../../problems.ts';
import { proceduresOf } from '../../procedure/procedure.ts';
import type { Procedure } from '../../procedure/acts.ts';
import {
  isOneInEach,
  sidePattern as patternSteps,
  placeKindsUsed,
  plainStitchOf,
} from '../../ring/recipe.ts';
import { mainStitch } from '../../ring/ring.ts';
import { HAS_THIRD_LOOP } from '../../terms/places.ts';
import { abbreviation, type Language } from '../../terms/stitches.ts';
import { markersPast } from '../../procedure/markers.ts';
import { cornerName } from '../placeWords.ts';
import { cornerLines } from './cornerWords.ts';
import { adjustmentLines, sideLines } from './sideWords.ts';
import { startLines } from './startWords.ts';
import { endLines, joinPlaceWords } from './endWords.ts';
import { listWords, namesBySaid } from '../../say/lists.ts';
import { plural } from '../../say/measures.ts';
import { MOST_BY_NAME } from '../../plan/countWords.ts';
import { writtenLine, type PatternLine } from '../section.ts';

/** Beginnings or ends of some of the rounds that are told together. */
export interface PartWords {
  readonly rounds: readonly RoundPlan[];
  readonly texts: readonly string[];
}

/** Rounds that are worked and told alike: one, or several running. How they begin and end may differ. */
export interface FoldedRounds {
  readonly rounds: readonly RoundPlan[];
  readonly starts: readonly PartWords[];
  readonly lines: readonly PatternLine[];
  readonly ends: readonly PartWords[];
}

/** The rounds after the base round; those of one entry that read alike are folded. */
export function foldRounds(plan: Plan, language: Language): readonly FoldedRounds[] {
  const folded: {
    rounds: RoundPlan[];
    starts: PartWords[];
    lines: readonly PatternLine[];
    ends: PartWords[];
  }[] = [];
  for (const procedure of proceduresOf(plan).slice(1)) {
    const { round } = procedure;
    const lines = roundLines(plan, procedure, language);
    const starts = startLines(plan, procedure, language);
    const ends = endLines(plan, procedure, language);
    const last = folded[folded.length - 1];
    const same =
      last !== undefined &&
      plan.rounds[round.number - 1]!.yarnId === round.yarnId &&
      writtenOf(last.rounds[0]!).name === writtenOf(round).name &&
      last.lines.length === lines.length &&
      last.lines.every((l, i) => l.text === lines[i]!.text);
    if (same) {
      last.rounds.push(round);
      addPart(last.starts, round, starts);
      addPart(last.ends, round, ends);
    } else {
      folded.push({
        rounds: [round],
        starts: [{ rounds: [round], texts: starts }],
        lines,
        ends: [{ rounds: [round], texts: ends }],
      });
    }
  }
  return folded;
}

function addPart(parts: PartWords[], round: RoundPlan, texts: readonly string[]): void {
  const last = parts[parts.length - 1]!;
  if (last.texts.join('\n') === texts.join('\n')) {
    parts[parts.length - 1] = { rounds: [...last.rounds, round], texts };
  } else parts.push({ rounds: [round], texts });
}

/** The lines of parts, each led by the rounds that it is for where they are not all. */
export function partLines(parts: readonly PartWords[]): readonly string[] {
  return parts.flatMap(({ rounds, texts }) => {
    if (parts.length === 1) return texts;
    const [first, last] = [rounds[0]!.number, rounds[rounds.length - 1]!.number];
    return texts.map((text) => `In round${first === last ? ` ${first}` : `s ${first}–${last}`}: ${text}`);
  });
}

/** Work of a round between its start and its end; counts, which differ from round to round, are told apart. */
function roundLines(plan: Plan, procedure: Procedure, language: Language): readonly PatternLine[] {
  const [explained, cautions] = onceLines(plan, procedure.round, language);
  return [
    ...explained,
    ...sideLines(plan, procedure, language).map(writtenLine),
    ...cornerLines(plan, procedure, language).map(writtenLine),
    ...otherwiseLines(plan, procedure, language),
    ...cautions,
  ];
}

/** Lines about single sides of a round, where it is otherwise, and about faults. */
export const otherwiseLines = (
  plan: Plan,
  procedure: Procedure,
  language: Language,
): readonly PatternLine[] => [
  ...adjustmentLines(plan, procedure, language).map(writtenLine),
  ...[markersWords(plan, procedure.round)].flatMap((words) => (words === null ? [] : [writtenLine(words)])),
  ...plan.problems
    .filter((p) => p.where.in === 'round' && p.where.number === procedure.round.number)
    .map((p): PatternLine => ({ kind: 'care', text: `Take care: ${problemLine(p)}` })),
];

/** Markers of a round that runs past the corners: “Markers: D/A in repeat 1, A/B in repeat 8.” */
export function markersWords(plan: Plan, round: RoundPlan): string | null {
  const markers = markersPast(plan, round);
  if (markers.length === 0) return null;
  const told = markers.map(({ corner, repeat }) => `${cornerName(plan, corner)} in repeat ${repeat}`);
  return `Markers: ${told.join(', ')}.`;
}

/** Lines that hold for all rounds of a kind: explanations, and cautions. */
export function onceLines(
  plan: Plan,
  round: RoundPlan,
  language: Language,
): readonly [explained: readonly PatternLine[], cautions: readonly PatternLine[]] {
  const caution = writtenOf(round).family?.caution;
  return [
    explanations(plan, round, language).map((text): PatternLine => ({ kind: 'plain', text })),
    caution ? [{ kind: 'caution', text: `Caution: ${caution}` }] : [],
  ];
}

/** Places that a maker may not know by their name. */
function explanations(plan: Plan, round: RoundPlan, language: Language): readonly string[] {
  const { recipe } = writtenOf(round);
  const kinds = placeKindsUsed(recipe.side);
  const st = abbreviation(plainStitchOf(recipe).kind, language);
  return [
    ...(kinds.has('pair') ? [`In a pair means between the two ${st} of it, not in either of them.`] : []),
    ...(recipe.surface && kinds.has('post')
      ? ['A scale goes down one post of a pair and, after its chain, up the post of the partner.']
      : []),
    ...(takesThirdOf(plan, round) ? [thirdLoopWords(plan, round, language)] : []),
    ...(kinds.has('between')
      ? [
          'A sp between sts is under the tops of two sts side by side, between their posts; beside a marked st there is one, too.',
        ]
      : []),
    ...(kinds.has('gap') ? ['A gap is the space between two groups, with or without a chain over it.'] : []),
  ];
}

/** Whether a round goes into third loops of stitches that have none of their own. */
const takesThirdOf = (plan: Plan, { ring, onto }: RoundPlan): boolean =>
  onto >= 0 &&
  ring.made.some((s) => s.loop === 'third') &&
  !HAS_THIRD_LOOP.has(mainStitch(plan.rounds[onto]!.ring));

const thirdLoopWords = (plan: Plan, { onto }: RoundPlan, language: Language): string =>
  `The third loop of ${abbreviation(mainStitch(plan.rounds[onto]!.ring), language)} is the strand behind the back loop.`;

/** How often the repeat is worked on each side, or once for the whole round; null for a plain round, whose repeats are its stitches. */
export function repeatsOf(plan: Plan, round: RoundPlan): readonly number[] | null {
  const { recipe } = writtenOf(round);
  if (isOneInEach(patternSteps(recipe.side)) && recipe.scope === 'side') return null;
  const sides = recipe.scope === 'ring' || isDisc(plan.body.outline) ? round.sides.slice(0, 1) : round.sides;
  return sides.map((s) => held(s.fit, 'a side of a round has a fit').repeats);
}

/** The same in words. */
export function repeatsWords(plan: Plan, round: RoundPlan): string | null {
  const repeats = repeatsOf(plan, round);
  if (repeats === null) return null;
  if (repeats.length === 1) return `Repeats: ${repeats[0]!} in the round.`;
  const told = sidesWorked(plan).map((side) => `${plan.sides[side]!.name} ${repeats[side]!}`);
  return `Repeats: ${told.join(' · ')}.`;
}

/** Counts of every side, and where the join lies. @param named the round by its number, among others told with it */
export function countsLine(plan: Plan, round: RoundPlan, named = false): string {
  const spaces = (count: number): string => (count > 0 ? ` and ${plural(count, 'ch-sp')}` : '');
  const of = named ? ` after round ${round.number}` : '';
  if (isDisc(plan.body.outline)) {
    return `Count${of}: ${round.total} sts${spaces(round.sides[0]!.tally.spaces)} in all.`;
  }
  const worked = sidesWorked(plan).map((side) => {
    const { tally } = round.sides[side]!;
    return [plan.sides[side]!.name, `${tally.stitches}${spaces(tally.spaces)}`] as const;
  });
  const sides =
    worked.length > MOST_BY_NAME
      ? [...namesBySaid(worked)].map(([count, names]) => `${count} on ${listWords(names)}`)
      : worked.map(([name, count]) => `${name} ${count}`);
  if (plan.body.outline.part)
    return `Count${of}${sides.length > 1 ? ' from marker to marker' : ''}: ${sides.join(' · ')}. In all: ${round.total} sts.`;
  const join = joinPlaceWords(plan, proceduresOf(plan)[round.number]!);
  return `Count${of} from marker to marker: ${sides.join(' · ')}. In all: ${round.total} sts.${join ? ` ${join}` : ''}`;
}
