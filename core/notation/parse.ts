/** Written crochet → recipe. The grammar is `written.peggy`; docs/notation.md describes it with examples. */
import { notationProblem, withExample } from './problems.ts';
import { abbreviation, stitchCalled, type Language } from '../terms/stitches.ts';
import { LIMITS } from '../limits.ts';
import { done, failed, inAll, inLine, type Outcome, type Problem, type ProblemPlace } from '../problems.ts';
import { stitchOf, type Stitch } from '../ring/stitch.ts';
import {
  placesUsed,
  type CornerRecipe,
  type Instruction,
  type Recipe,
  type RecipeStep,
} from '../ring/recipe.ts';
import { everyday } from './everyday.ts';
import { SyntaxError as WrittenError, parse } from './written.generated.js';

interface Located {
  readonly location: { readonly start: { readonly line: number; readonly column: number } };
}
type RawInstruction = Instruction & Partial<Located>;
type Line = Located &
  (
    | { readonly line: 'side' | 'round' | 'lopsided' | 'around'; readonly steps: readonly RawInstruction[] }
    | { readonly line: 'corner'; readonly corner: CornerRecipe }
    | { readonly line: 'pair'; readonly pair: readonly [readonly Stitch[], readonly Stitch[]] }
    | { readonly line: 'surface' }
    | { readonly line: 'facing'; readonly facing: Recipe['facing'] }
  );

/**
 * Reads one round of written crochet.
 *
 * @param said lines `side:` (or `round:` for a pattern that ignores corners), `corner:`, and if wanted
 *   `lopsided:`, `around:`, `pair:`, `facing:`
 * @param language what "dc" means in it
 * @returns the recipe, or problems that name line, column and what was expected there
 */
export function parseRound(said: string, language: Language): Outcome<Recipe> {
  const outcome = read(said, language);
  if (outcome.ok) return outcome;
  // Examples are to be right in the language in force.
  const sc = abbreviation('sc', language);
  return failed(...outcome.problems.map((p) => withExample(p, sc)));
}

function read(said: string, language: Language): Outcome<Recipe> {
  const beyond = beyondLimits(said);
  if (beyond) return failed(beyond);
  const text = everyday(said);
  let lines: readonly Line[];
  try {
    lines = parse(text, {
      stitchCalled: (word: string) => stitchCalled(word.toLowerCase().replace('slst', 'sl st'), language),
    }) as readonly Line[];
  } catch (error) {
    if (error instanceof WrittenError) return failed(unreadable(text, error));
    throw error;
  }
  return assemble(lines);
}

/** Most asterisks in a line: two belong to its repeat, more are a slip that is named as such. */
const MOST_ASTERISKS = 8;
/** Most legs of one stitch. */
const MOST_LEGS = 20;

/** Excess of a text that is too much to be read at all; found without parsing it. */
function beyondLimits(text: string): Problem | null {
  if (text.length > LIMITS.writtenLetters) {
    return notationProblem('written-too-long', inAll('the round'), {
      letters: text.length,
      most: LIMITS.writtenLetters,
    });
  }
  for (const [i, line] of text.split('\n').entries()) {
    const at = (column: number): ProblemPlace => inLine(i + 1, column + 1);
    let depth = 0;
    for (const { 0: bracket, index } of line.matchAll(/[[\](){}]/g)) {
      depth += '[({'.includes(bracket) ? 1 : -1;
      if (depth > LIMITS.writtenDepth)
        return notationProblem('written-too-deep', at(index), { most: LIMITS.writtenDepth });
    }
    const stars = [...line.matchAll(/\*/g)];
    if (stars.length > MOST_ASTERISKS)
      return notationProblem('written-two-open-repeats', at(stars[2]!.index));
    for (const { 0: number, index } of line.matchAll(/\d+/g)) {
      if (Number(number) === 0) return notationProblem('written-zero', at(index));
      if (Number(number) > LIMITS.writtenCount)
        return notationProblem('written-too-many', at(index), {
          count: number.length > 12 ? `${number.slice(0, 12)}…` : number,
          of: 'at once',
          most: LIMITS.writtenCount,
        });
    }
  }
  return null;
}

/** The recipe of a text that is part of the program and known to be sound. */
export function recipeOf(text: string, language: Language = 'us'): Recipe {
  const key = `${language} ${text}`;
  let recipe = known.get(key);
  if (!recipe) {
    const outcome = parseRound(text, language);
    if (!outcome.ok) throw new Error(`invalid written round: ${JSON.stringify(outcome.problems)}\n${text}`);
    recipe = outcome.value;
    known.set(key, recipe);
  }
  return recipe;
}
const known = new Map<string, Recipe>();

function unreadable(text: string, error: InstanceType<typeof WrittenError>): Problem {
  const { line, column } = error.location.start;
  const word = /^\S+/.exec(text.split('\n')[line - 1]?.slice(column - 1) ?? '')?.[0] ?? 'the end';
  const expected = new Set<string>();
  for (const e of error.expected ?? []) if (e.type === 'other') expected.add(e.description);
  for (const e of error.expected ?? [])
    if (e.type === 'literal' && e.text.trim()) expected.add(`“${e.text}”`);
  return notationProblem('written-unreadable', inLine(line, column), {
    word,
    expected: [...expected].slice(0, 6).join(', ') || 'something else',
  });
}

function assemble(lines: readonly Line[]): Outcome<Recipe> {
  const problems: Problem[] = [];
  const once = new Map<string, Line>();
  for (const line of lines) {
    const at = inLine(line.location.start.line);
    if (once.has(line.line)) problems.push(notationProblem('written-line-twice', at, { line: line.line }));
    once.set(line.line, line);
    if ('steps' in line) problems.push(...stepProblems(line.steps, at));
  }
  const along = [...once.values()].find((l) => l.line === 'side' || l.line === 'round');
  if (!along || !('steps' in along)) problems.push(notationProblem('written-no-side', inAll('the round')));
  if (once.has('side') && once.has('round'))
    problems.push(notationProblem('written-side-and-round', inAll('the round')));
  const corner = once.get('corner');
  if (along?.line === 'side' && !corner)
    problems.push(notationProblem('written-no-corner', inAll('the round')));
  if (problems.length > 0 || !along || !('steps' in along)) return failed(...problems);

  const paired = once.get('pair');
  const atCorner = Math.max(
    corner && 'corner' in corner ? corner.corner.group.length : 0,
    ...(paired && 'pair' in paired ? paired.pair.map((group) => group.length) : []),
  );
  if (atCorner > LIMITS.writtenCount) {
    return failed(
      notationProblem('written-too-many', inAll('the corner'), {
        count: atCorner,
        of: 'stitches',
        most: LIMITS.writtenCount,
      }),
    );
  }
  const lopsided = once.get('lopsided');
  const around = once.get('around');
  const pair = once.get('pair');
  const facing = once.get('facing');
  const cornerRecipe: CornerRecipe =
    corner && 'corner' in corner ? corner.corner : { before: [], group: [], after: [] };
  return done({
    scope: along.line === 'round' ? 'ring' : 'side',
    side: along.steps.map(instruction),
    ...(lopsided && 'steps' in lopsided ? { lopsided: lopsided.steps.map(instruction) } : {}),
    ...(around && 'steps' in around ? { around: around.steps.map(instruction) } : {}),
    corner: {
      before: cornerRecipe.before.map(stitchOf),
      group: cornerRecipe.group.map(stitchOf),
      after: cornerRecipe.after.map(stitchOf),
      ...(cornerRecipe.skipped ? { skipped: true } : {}),
      ...(pair && 'pair' in pair
        ? { pair: [pair.pair[0].map(stitchOf), pair.pair[1].map(stitchOf)] as const }
        : {}),
    },
    ...(once.has('surface') ? { surface: true } : {}),
    facing: facing && 'facing' in facing ? facing.facing : 'right',
  });
}

function stepProblems(steps: readonly RawInstruction[], at: ProblemPlace): readonly Problem[] {
  const problems: Problem[] = [];
  const open = steps.filter((s) => s.do === 'repeat' && s.times === 'to the corner');
  if (open.length > 1) problems.push(notationProblem('written-two-open-repeats', at));
  for (const step of steps) {
    if (step.do !== 'repeat') continue;
    if (step.body.some((inner) => (inner as Instruction).do === 'repeat')) {
      problems.push(notationProblem('written-repeat-in-repeat', at));
    }
    const uses = step.body.some((inner) => inner.do === 'skip' || inner.do === 'work');
    if (!uses) problems.push(notationProblem('written-repeat-uses-nothing', at));
  }
  problems.push(...tooMuch(steps, at));
  // A picot or a ball alone holds on to nothing.
  const isWorked = (s: RecipeStep): boolean =>
    s.do === 'work' && s.what.some(({ form }) => form !== 'picot' && form !== 'dot');
  const works = steps.some((s) => (s.do === 'repeat' ? s.body.some(isWorked) : isWorked(s)));
  if (!works) problems.push(notationProblem('written-no-stitch', at));
  return problems;
}

/** A side's steps unrolled make no more than anyone works. */
function tooMuch(steps: readonly RawInstruction[], at: ProblemPlace): readonly Problem[] {
  let made = 0;
  let used = 0;
  let legs = 0;
  for (const instruction of steps) {
    const times =
      instruction.do === 'repeat' && instruction.times !== 'to the corner' ? instruction.times : 1;
    for (const s of instruction.do === 'repeat' ? instruction.body : [instruction as RecipeStep]) {
      if ((s as Instruction).do === 'repeat') continue;
      used += times * placesUsed(s);
      if (s.do === 'work') made += times * s.times * s.what.length;
      if (s.do === 'work') legs = Math.max(legs, ...s.what.map((stitch) => stitch.legs));
      if (s.do === 'make') legs = Math.max(legs, s.what.legs);
    }
  }
  const most = LIMITS.writtenSteps;
  if (made > most) return [notationProblem('written-too-many', at, { count: made, of: 'stitches', most })];
  if (used > most) return [notationProblem('written-too-many', at, { count: used, of: 'places', most })];
  if (legs > MOST_LEGS)
    return [notationProblem('written-too-many', at, { count: legs, of: 'worked together', most: MOST_LEGS })];
  return [];
}

const step = (s: RecipeStep): RecipeStep => {
  if (s.do === 'work') {
    return { do: 'work', what: s.what.map(stitchOf), into: s.into, at: s.at, times: s.times };
  }
  return s.do === 'make' ? { do: 'make', what: stitchOf(s.what) } : { do: 'skip', count: s.count, of: s.of };
};

const instruction = (i: RawInstruction): Instruction =>
  i.do === 'repeat' ? { do: 'repeat', body: i.body.map(step), times: i.times } : step(i);
