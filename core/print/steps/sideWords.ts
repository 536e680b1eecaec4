/** Sides of a round in words, and exceptions on single sides. */
import { writtenOf } from '../../plan/types.ts';
import { isDisc } from '../../piece/outline.ts';
import { listWords, numbersWords, ordinal } from '../../say/lists.ts';
import { printStitch, printSteps } from '../../notation/print.ts';
import type { Plan, RoundPlan } from '../../plan/types.ts';
import { sideActs, type Along, type Procedure } from '../../procedure/acts.ts';
import { skipsAlong } from '../../ring/along.ts';
import { sidePattern, type RecipeStep } from '../../ring/recipe.ts';
import type { Language } from '../../terms/stitches.ts';
import { WORDS, capital } from '../../terms/words.ts';
import { plural } from '../../say/measures.ts';
import { eachPlace, placeNoun } from '../placeWords.ts';

/** Each line of what is done along the sides; sides that are worked alike are told together. */
export function sideLines(plan: Plan, procedure: Procedure, language: Language): readonly string[] {
  const sides = sideActs(procedure);
  const words = sides.map(({ along }) => alongWords(along, language, procedure.round));
  if (isDisc(plan.body.outline)) return [`All around: ${words[0]!}.`];
  if (sides.length < plan.sides.length && !plan.body.outline.part)
    return [`All around, past the corners: ${words[0]!}.`];
  const groups = new Map<string, string[]>();
  sides.forEach(({ side }, i) => {
    const name = plan.sides[side]!.name;
    groups.set(words[i]!, [...(groups.get(words[i]!) ?? []), name]);
  });
  return [...groups].map(([told, names]) => {
    const where =
      groups.size === 1 && names.length > 1
        ? 'Each side'
        : `${names.length === 1 ? 'Side' : 'Sides'} ${listWords(names)}`;
    return `${where}: ${told}.`;
  });
}

/** The way along a side. */
export function alongWords(along: Along, language: Language, round: RoundPlan): string {
  if (along.into === 'edge') return '';
  if (along.into === 'each') {
    const { stitch, kind } = along;
    return `${printStitch(stitch, language)} ${eachPlace(kind)}`;
  }
  const { head, body, tail } = sidePattern(along.steps);
  const steps = (list: readonly RecipeStep[]): string => printSteps(list, language);
  const kind = writtenOf(round).sitsOn;
  if (body.length === 0) return printSteps(along.steps, language);
  const until =
    round.layout.sides.length === 1
      ? 'to the end of the round'
      : along.lastPlaces === 0
        ? 'to the corner'
        : along.lastPlaces === 1
          ? `to last ${placeNoun(kind, 1)}`
          : `to last ${along.lastPlaces} ${placeNoun(kind, 2)}`;
  return [
    ...(head.length > 0 ? [steps(head)] : []),
    `*${steps(body)}; repeat from * ${until}`,
    ...(tail.length > 0 ? [steps(tail)] : []),
  ].join(', ');
}

/** Exceptions on single sides: at which stitches, at which skips, what is left over. */
export function adjustmentLines(plan: Plan, procedure: Procedure, language: Language): readonly string[] {
  const { round } = procedure;
  const circle = round.layout.sides.length < plan.sides.length || isDisc(plan.body.outline);
  const groups = new Map<string, string[]>();
  const tell = (words: string, side: number): void => {
    groups.set(words, [...(groups.get(words) ?? []), plan.sides[side]!.name]);
  };
  for (const { side, along } of sideActs(procedure)) {
    if (along.into === 'each') for (const words of changeWords(along, language, circle)) tell(words, side);
    else if (along.into === 'repeats')
      for (const words of skipWords(along, language, round, circle)) tell(words, side);
  }
  return [...groups].map(([words, names]) =>
    circle ? `${capital(words)}.` : `Side${names.length === 1 ? '' : 's'} ${listWords(names)}: ${words}.`,
  );
}

function changeWords(
  along: Extract<Along, { into: 'each' }>,
  language: Language,
  circle: boolean,
): readonly string[] {
  const { changes, stitch, kind } = along;
  const from = circle ? 'counted from the start' : 'counted from the corner';
  const told: string[] = [];
  const byCount = new Map<number, number[]>();
  for (const c of changes) {
    if (c.kind === 'increase') byCount.set(c.count, [...(byCount.get(c.count) ?? []), c.number]);
  }
  for (const [count, numbers] of byCount) {
    numbers.sort((a, b) => a - b);
    told.push(
      `${count} ${printStitch(stitch, language)} in ${placeNoun(kind, numbers.length)} ${numbersWords(numbers)}, ${from}`,
    );
  }
  const decreases = changes.filter((c) => c.kind === 'decrease').sort((a, b) => a.number - b.number);
  if (decreases.length > 0) {
    const over = decreases.map((c) => `over ${placeNoun(kind, 2)} ${c.number} and ${c.number + 1}`);
    told.push(
      `${printStitch({ ...stitch, form: 'together', legs: 2 }, language)} ${listWords(over)}, ${from}`,
    );
  }
  return told;
}

/** The first, the last, the last but one or one by its number, from 1. */
const skipName = (number: number, all: number): string =>
  number === 1 ? 'first' : number === all ? 'last' : number === all - 1 ? 'last but one' : ordinal(number);

function skipWords(
  along: Extract<Along, { into: 'repeats' }>,
  language: Language,
  round: RoundPlan,
  circle: boolean,
): readonly string[] {
  const { skip } = WORDS[language];
  const { leftOver, missing, steps } = along;
  const told: string[] = [];
  const noun = writtenOf(round).sitsOn;
  if (missing > 0) return [`nothing: it has ${plural(missing, placeNoun(noun, 1))} too few`];
  const pattern = sidePattern(steps);
  const all = skipsAlong(pattern, along.repeats);
  // All the way around, what a repeat begins with before its first stitches comes at the end of the round.
  const late = circle && pattern.body[0]?.do === 'skip';
  for (const { at, by } of along.skips) {
    const which = skipName(late ? (at === 0 ? all.length : at) : at + 1, all.length);
    const usual = all[at] ?? 1;
    const now = usual + by;
    // Where more than one is passed over else, it is said how many are not.
    told.push(
      now <= 0 && usual === 1
        ? `do not ${skip} at the ${which} ${skip}`
        : `at the ${which} ${skip}, ${skip} ${Math.max(0, now)} ${placeNoun(noun, Math.max(0, now))} instead of ${usual}`,
    );
  }
  if (leftOver > 0)
    told.push(`after the last repeat, ${skip} the ${leftOver} ${placeNoun(noun, leftOver)} left over`);
  return told;
}
