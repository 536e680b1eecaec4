import { describe, expect, test } from '@jest/globals';
import { takeSolution } from '../edits/solution.ts';
import { performed } from '../edits/edit.ts';
import { worstOf } from '../fit/open.ts';
import { FLATNESS } from '../flat/flat.ts';
import { chanceOf } from '../chance.ts';
import type { Hem } from '../document/hem.ts';
import { plan as planOf } from '../plan/planner.ts';
import { planComesOutEven, writtenOf, type Plan } from '../plan/types.ts';
import { anyHem } from '../testing/anyHem.ts';
import { entry, flatBlanket } from '../testing/hems.ts';
import { seeds, withSeed } from '../testing/seeds.ts';
import { strainCauseWords } from './cureWords.ts';
import { curesOf, type Cure } from './cures.ts';
import { troublesOf } from './troubles.ts';

const withCounts = (hem: Hem, counts: readonly number[]): Hem => ({
  ...hem,
  base: { ...hem.base, sides: hem.base.sides.map((s, i) => ({ ...s, count: counts[i]! })) },
});
const why = (hem: Hem): string | null => {
  const plan = planOf(hem);
  const cause = curesOf(plan)?.cause;
  return cause ? strainCauseWords(plan, cause) : null;
};
const taken = (plan: Plan, cure: Cure): Plan => {
  const stack = plan.rounds.slice(1).map((r) => writtenOf(r));
  const outcome = performed(plan.hem, takeSolution(stack, cure));
  if (!outcome.ok) throw new Error('a cure cannot be taken');
  return planOf(outcome.value);
};

/** The blanket lies flat with 59 and 62 stitches along its edges, and 2 at the corners: 61 and 64 are shown. */
describe('the cause', () => {
  test('is the base round, with the counts that would lie flat', () => {
    expect(why(withCounts(flatBlanket(), [68, 62, 68, 62]))).toBe(
      'In the base round sides A and C have 70 stitches each; 61 would lie flat.',
    );
    expect(why(withCounts(flatBlanket(), [59, 50, 59, 62]))).toBe(
      'In the base round side B has 52 stitches; 64 would lie flat.',
    );
  });

  test('is what the corners add, round by round', () => {
    // At a right angle a side grows by twice the height of the round: about 4 widths of a double, 2 of a single.
    const three = entry({ stitch: 'dc', corner: 'three' });
    expect(why(flatBlanket([{ ...three, times: 5 }]))).toBe(
      'In rounds 1 to 5 (plain round) the corners add 2 stitches a time to each side; 4 would lie flat.',
    );
    expect(why(flatBlanket([entry({ stitch: 'sc', corner: 'chain-3' })]))).toBe(
      'In round 1 (plain round) the corners add 4 stitches to each side; 2 would lie flat.',
    );
  });

  test('is a round of shorter stitches', () => {
    expect(why(flatBlanket([entry({ family: 'v-stitch', stitch: 'dc' })]))).toMatch(
      /^Round 1 \(v-stitch\) is \d\.\d% too short for what it is worked into\.$/,
    );
  });

  test('is not asked for where all lies flat', () => {
    expect(curesOf(planOf(flatBlanket([entry()])))).toBeNull();
  });
});

describe('a cure', () => {
  test('is another corner, or other counts, whichever lies flatter', () => {
    const plan = planOf(flatBlanket([entry({ stitch: 'dc', corner: 'three', times: 5 })]));
    const [first] = curesOf(plan)!.ways;
    expect(Object.values(first!.corners!)).toHaveLength(1);
    expect(worstOf(taken(plan, first!)).verdict).toBe('flat');
    const many = planOf(withCounts(flatBlanket(), [68, 62, 68, 62]));
    const [fewer] = curesOf(many)!.ways;
    expect(fewer!.changes[0]).toBeLessThan(0);
    expect(worstOf(taken(many, fewer!)).verdict).toBe('flat');
  });

  test('lets every round fit and lie flatter, when it is taken and planned again', () => {
    let offered = 0;
    const anyPlain = (seed: number): Hem => {
      const chance = chanceOf(seed);
      const stitch = chance.pick(['sc', 'hdc', 'dc'] as const);
      const corner = chance.pick(['three', 'chain-2', 'chain-3', 'fours'] as const);
      const hem = flatBlanket([entry({ stitch, corner, times: chance.int(1, 3) })]);
      return withCounts(
        hem,
        [59, 62, 59, 62].map((count) => count + chance.int(-5, 5)),
      );
    };
    for (const seed of seeds(6)) {
      for (const hem of [anyPlain(seed), anyHem(chanceOf(seed))]) {
        withSeed(seed, (said) => {
          const plan = planOf(hem);
          const cures = curesOf(plan);
          expect(cures === null).toBe(troublesOf(plan).every((t) => t.kind !== 'not flat'));
          if (!cures) return;
          if (cures.cause) {
            said.push(strainCauseWords(plan, cures.cause));
            expect(said.at(-1)).not.toMatch(/NaN|undefined|-\d/);
          }
          for (const cure of cures.ways) {
            const made = taken(plan, cure);
            expect(planComesOutEven(made)).toBe(true);
            expect(worstOf(made)).toEqual(cure.worst);
            expect(FLATNESS[worstOf(made).verdict]).toBeLessThan(FLATNESS[worstOf(plan).verdict]);
            offered++;
          }
        });
      }
    }
    expect(offered).toBeGreaterThan(5);
  });
});
