/** Recipe → written crochet, in either language. What it prints, the parser reads back as the same recipe. */
import { LIMITS } from '../limits.ts';
import { abbreviation, type Language } from '../terms/stitches.ts';
import { isChainRun, type Stitch } from '../ring/stitch.ts';
import { LOOPS, PLACE_NAMES } from '../terms/places.ts';
import type { CornerRecipe, Instruction, Recipe, Skip, RecipeStep, WorkInto } from '../ring/recipe.ts';

/** A whole round: the lines that the parser reads. */
export function printRound(recipe: Recipe, language: Language): string {
  const lines = [`${recipe.scope === 'ring' ? 'round' : 'side'}: ${printSteps(recipe.side, language)}`];
  if (recipe.lopsided) lines.push(`off center: ${printSteps(recipe.lopsided, language)}`);
  if (recipe.around) lines.push(`around: ${printSteps(recipe.around, language)}`);
  lines.push(`corner: ${printCorner(recipe.corner, language)}`);
  if (recipe.corner.pair) {
    const [first, second] = recipe.corner.pair;
    lines.push(`pair: ${printGroup(first, language)} in first, ${printGroup(second, language)} in second`);
  }
  if (recipe.surface) lines.push('surface: yes');
  if (recipe.facing === 'wrong') lines.push('facing: wrong');
  return lines.join('\n');
}

/** Words along a side. */
export const printSteps = (steps: readonly Instruction[], language: Language): string =>
  steps.map((i) => printInstruction(i, language)).join(', ');

function printInstruction(i: Instruction, language: Language): string {
  if (i.do === 'repeat') {
    const body = printSteps(i.body, language);
    return i.times === 'to the corner' ? `*${body}*` : `[${body}] ${i.times} times`;
  }
  return printStep(i, language);
}

function printStep(step: RecipeStep, language: Language): string {
  if (step.do === 'skip') return printSkip(step, language);
  if (step.do === 'make') return printStitch(step.what, language);
  return printWork(step, language);
}

function printSkip({ count, of }: Skip, language: Language): string {
  const word = language === 'us' ? 'sk' : 'miss';
  const [one, many] = PLACE_NAMES[of].short;
  return count === 1 ? `${word} next ${one}` : `${word} next ${count} ${many}`;
}

function printWork(work: WorkInto, language: Language): string {
  const { what, into, at, times } = work;
  const only = what[0]!;
  const isShort = only.form === 'together' && into === 'stitch' && only.post === 'none';
  if (what.length === 1 && isShort && at === 'next' && times === 1) {
    return printStitch(only, language);
  }
  const group = printGroup(what, language);
  const which = at === 'skipped' && language === 'uk' ? 'missed' : at;
  if (into === 'post')
    return times > 1 ? `${group} around each of next ${times} posts` : `${group} around ${which} post`;
  const place = PLACE_NAMES[into].short;
  if (times > 1) return `${group} in each of next ${times} ${place[1]}`;
  return `${group} in ${which} ${place[0]}`;
}

/** Words of one corner, without the word “corner:”. */
export function printCorner(corner: CornerRecipe, language: Language, place = 'corner'): string {
  if (corner.skipped) return 'skip';
  if (corner.group.length === 0) return 'walk round';
  const alone = corner.group.length === 1 && corner.before.length + corner.after.length === 0;
  if (alone && isChainRun(corner.group[0]!))
    return `${printStitch(corner.group[0]!, language)} over ${place}`;
  const parts = [
    ...corner.before.map((s) => printStitch(s, language)),
    `${printGroup(corner.group, language)} in ${place}`,
    ...corner.after.map((s) => printStitch(s, language)),
  ];
  return parts.join(', ');
}

/** Stitches that go into one place: “5 hdc”, or “(sc, ch 2, sc)”. */
export function printGroup(group: readonly Stitch[], language: Language): string {
  const runs: { stitch: Stitch; count: number }[] = [];
  for (const stitch of group) {
    const last = runs[runs.length - 1];
    // Not more at once than can be read.
    const room = last && last.count < LIMITS.writtenCount;
    if (last && room && last.stitch === stitch && !isChainRun(stitch)) last.count++;
    else runs.push({ stitch, count: 1 });
  }
  const words = runs.map(({ stitch, count }) =>
    count === 1 ? printStitch(stitch, language) : `${count} ${printStitch(stitch, language)}`,
  );
  return words.length === 1 && !isChainRun(group[0]!) ? words[0]! : `(${words.join(', ')})`;
}

/** One stitch, abbreviated. */
export function printStitch(s: Stitch, language: Language): string {
  const word = abbreviation(s.kind, language);
  const loop = s.loop === 'both' ? '' : ` ${LOOPS[s.loop].short}`;
  switch (s.form) {
    case 'picot':
      return s.chains === 3 ? 'picot' : `picot of ${s.chains}`;
    case 'dot':
    case 'tassel':
      return s.form;
    case 'cord':
    case 'puff':
    case 'popcorn':
      return `${s.form}${loop}`;
    case 'bobble':
      return `${s.legs}-${word} bobble${loop}`;
    case 'together':
      return `${postWord(s)}${word}${s.legs}tog${loop}`;
    case 'reverse':
      return `rev ${word}${loop}`;
    case 'twisted':
      return `twisted ${word}${loop}`;
    case 'plain':
      if (s.kind === 'ch') return `ch ${s.chains}`;
      return `${postWord(s)}${word}${loop}`;
  }
}

const postWord = ({ post }: Stitch): string => (post === 'none' ? '' : post === 'front' ? 'FP' : 'BP');
