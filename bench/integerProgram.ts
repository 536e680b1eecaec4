/**
 * The fit of stitch-wise rounds as an integer program in the text format of LP files, for comparing the search
 * with a general solver. Variables: x a choice of base count, u and d quiet changes up and down, r repeats,
 * e stitches by which facing sides differ, b whether they do.
 */
import { isPlainPattern, needsOf, needsOfPattern, sidePattern } from '../core/ring/recipe.ts';
import { tallySide, type Ring } from '../core/ring/ring.ts';
import { workRound } from '../core/ring/work.ts';
import { outlineOf } from '../core/fit/levels.ts';
import { trialBase } from '../core/base/baseRound.ts';
import { evenEdge } from '../core/piece/edge.ts';
import { VISIBILITY } from '../core/fit/cost.ts';
import type { FitTask } from '../core/fit/fit.ts';
import type { FitSide, FitStack } from '../core/fit/sideTask.ts';

/**
 * Writes the program.
 *
 * @param task stacks of rounds that go into stitches, side by side, at right-angled outer corners, with the
 *   symmetrical way only
 */
export function integerProgram(task: FitTask): string {
  const { stack, sides } = task;
  const objective: string[] = [];
  const rows: string[] = [];
  const bounds: string[] = [];
  const integers: string[] = [];
  const binaries: string[] = [];
  sides.forEach((side, s) => {
    const counts = Array.from({ length: side.to - side.from + 1 }, (_, i) => side.from + i);
    for (const c of counts) {
      const percent = (100 * (c - side.flat)) / side.flat;
      objective.push(`${percent * percent} x${s}_${c}`);
      binaries.push(`x${s}_${c}`);
    }
    rows.push(`${counts.map((c) => `x${s}_${c}`).join(' + ')} = 1`);
    // Stitches on the side before round k: a constant, so many per base stitch, and the changes so far.
    let terms = counts.map((c) => `${c} x${s}_${c}`);
    let constant = tallySide(trial(stack, side, 30), 0).stitches - 30;
    stack.rounds.forEach(({ recipe }, k) => {
      const pattern = sidePattern(recipe.side);
      const plain = isPlainPattern(pattern);
      const most = plain ? 1 : 2;
      const price = VISIBILITY[plain ? 'plain' : 'skip'](1, k === stack.rounds.length - 1);
      objective.push(`${price} u${s}_${k}`, `${price} d${s}_${k}`);
      bounds.push(`0 <= u${s}_${k} <= ${most}`, `0 <= d${s}_${k} <= ${most}`);
      integers.push(`u${s}_${k}`, `d${s}_${k}`);
      rows.push(`u${s}_${k} + d${s}_${k} <= ${most}`);
      const { made, used } = yieldOf(task, s, k);
      if (plain) {
        terms = [...terms, `1 u${s}_${k}`, `-1 d${s}_${k}`];
        constant += made.fixed;
        return;
      }
      const { modulus, least } = needsOf(recipe);
      integers.push(`r${s}_${k}`);
      bounds.push(`0 <= r${s}_${k} <= 10000`);
      rows.push(
        `${signed([...terms, `-1 u${s}_${k}`, `1 d${s}_${k}`, `-${modulus} r${s}_${k}`])} = ${least - constant}`,
      );
      terms = [`${made.perRepeat} r${s}_${k}`];
      constant = made.fixed;
      if (used !== modulus) throw new Error('a pattern that is not of stitches alone');
    });
  });
  task.opposite.forEach(([a, b], p) => {
    const base = (s: number, sign: string): string[] =>
      Array.from(
        { length: sides[s]!.to - sides[s]!.from + 1 },
        (_, i) => `${sign}${sides[s]!.from + i} x${s}_${sides[s]!.from + i}`,
      );
    rows.push(`${signed([...base(a, ''), ...base(b, '-'), `-1 e${p}`])} <= 0`);
    rows.push(`${signed([...base(b, ''), ...base(a, '-'), `-1 e${p}`])} <= 0`);
    rows.push(`e${p} - 1000 b${p} <= 0`);
    objective.push(`${VISIBILITY.unequalStitch} e${p}`, `${VISIBILITY.unequal} b${p}`);
    binaries.push(`b${p}`);
    bounds.push(`0 <= e${p} <= 1000`);
  });
  return [
    'Minimize',
    ` obj: ${signed(objective)}`,
    'Subject To',
    ...rows.map((row, i) => ` c${i}: ${row}`),
    'Bounds',
    ...bounds.map((b) => ` ${b}`),
    'General',
    ` ${integers.join(' ')}`,
    'Binary',
    ` ${binaries.join(' ')}`,
    'End',
  ].join('\n');
}

const signed = (terms: readonly string[]): string => terms.join(' + ').replaceAll('+ -', '- ');

/** Output of round `k` on a side for each repeat and besides, measured on two small rings. */
function yieldOf(
  { stack, sides }: FitTask,
  s: number,
  k: number,
): { readonly made: { readonly fixed: number; readonly perRepeat: number }; readonly used: number } {
  const side = sides[s]!;
  const { recipe } = stack.rounds[k]!;
  const pattern = sidePattern(recipe.side);
  const { modulus, least } = needsOfPattern(pattern, 'side');
  const corner = trial(stack, side, 0);
  const given = tallySide(corner, 0).stitches;
  const [one, two] = [1, 2].map((repeats) => {
    const ring = trial(stack, side, least + repeats * modulus + 5 * modulus - given);
    return tallySide(workRound(ring, recipe).ring, 0).stitches;
  }) as [number, number];
  const perRepeat = two - one;
  const fixed = isPlainPattern(pattern) ? one - (least + 6 * modulus) : one - 6 * perRepeat;
  return { made: { fixed, perRepeat }, used: modulus };
}

/** A base ring whose side takes any count, one stitch in each spot. */
function trial({ base }: FitStack, side: FitSide, count: number): Ring {
  const { choice, edge, stitchWidthMm } = side;
  const spots = evenEdge({ kind: 'counted stitch' }, count, edge.measuredMm, 'stitch');
  return trialBase(base, choice, spots, outlineOf(side), count, stitchWidthMm);
}
