import { describe, expect, test } from '@jest/globals';
import { changePiece } from '../document/changePiece.ts';
import { checkHem } from '../document/check.ts';
import type { Hem } from '../document/hem.ts';
import { plan } from '../plan/planner.ts';
import { planComesOutEven, type Plan } from '../plan/types.ts';
import { anyHem } from '../testing/anyHem.ts';
import { chanceOf } from '../chance.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { seeds, withSeed } from '../testing/seeds.ts';
import { after, workedInto } from '../testing/worked.ts';
import { progressOf, stepDone, stepInHand } from './progress.ts';
import { seamAhead, seamWays } from './seam.ts';
import { seamAheadWords, seamWayOutcome, seamWayWords } from './seamWords.ts';

const plain = rowsHem({ rounds: [entry()] });
const piece = {
  kind: 'grid',
  lattice: 'squares',
  halves: false,
  halfStitches: null,
  cornerChains: 2,
  cells: ['###', '###'],
  edge: { kind: 'solid', stitch: 'sc', stitches: 12, between: false },
  motifCm: 9,
} as const;
const joined: Hem = (() => {
  const grid = { ...plain, ...changePiece(plain, piece) };
  const outcome = checkHem({ ...grid, base: { ...grid.base, crossing: 'both' } });
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
  return outcome.value;
})();

/** Places of the base round at which a seam is told of, step by step. */
function* nearSeams(of: Hem): Generator<Plan> {
  let now = workedInto(of, 0, 0);
  for (
    let step = stepInHand(now, 'repeat');
    step?.does === 'make' || step?.does === 'begin';
    step = stepInHand(now, 'repeat')
  ) {
    if (seamAhead(now)) yield now;
    now = plan(after(now.hem, stepDone(now, step)));
  }
}

describe('a seam of joined motifs', () => {
  const now = [...nearSeams(joined)][0]!;
  const seam = seamAhead(now)!;

  test('is told of before it is reached, each once or twice in steps of ten', () => {
    const seams = new Set([...nearSeams(joined)].map((p) => `${seamAhead(p)!.side} ${seamAhead(p)!.join}`));
    // Two seams along three motifs, one along two.
    expect([...seams]).toEqual(['0 0', '0 1', '1 0', '2 0', '2 1', '3 0']);
    expect([seam.crossing, seam.last, seam.further]).toEqual(['both', null, 5]);
    expect(seamAheadWords(now, seam, 'us')).toMatch(
      /^After \d+ sts? comes seam 1 of side A: one in each corner space\.$/,
    );
  });

  test('can be crossed in every way; counts follow and what is made stays', () => {
    const ways = seamWays(now, seam, false);
    const counts = Object.fromEntries(
      ways.map((w) => [w.crossing, w.count - now.rounds[0]!.sides[0]!.tally.stitches]),
    );
    expect(counts).toEqual({ both: 0, three: 1, together: -1, tall: -1, seam: -1, skip: -2 });
    for (const way of ways) {
      const on = plan(after(now.hem, way.deeds));
      expect([
        way.crossing,
        on.rounds[0]!.sides[0]!.tally.stitches,
        on.rounds[0]!.sides[2]!.tally.stitches,
      ]).toEqual([way.crossing, way.count, now.rounds[0]!.sides[2]!.tally.stitches]);
      expect(progressOf(on).made).toBe(progressOf(now).made);
      // No later round was asked to be other than it would be on such a base round.
      expect(planComesOutEven(on)).toBe(way.uneven.length === 0);
      expect(`${seamWayWords(now, way, seam, 'uk')} ${seamWayOutcome(now, way)}`).not.toMatch(
        /undefined|NaN/,
      );
    }
    expect(seamWayWords(now, ways[0]!, seam, 'us')).toMatch(
      /^One in each corner space, as planned: \d+ sts on side A$/,
    );
  });

  test('all further ones go with it where that is said, and the next one is told as last time', () => {
    const way = seamWays(now, seam, true).find((w) => w.crossing === 'three')!;
    const on = after(now.hem, way.deeds);
    const counts = (p: Plan): readonly number[] => p.rounds[0]!.sides.map((s) => s.tally.stitches);
    expect(counts(plan(on)).map((n, s) => n - counts(now)[s]!)).toEqual([2, 1, 2, 1]);
    const one = after(now.hem, seamWays(now, seam, false).find((w) => w.crossing === 'three')!.deeds);
    const atNext = (of: Hem): Plan => {
      let p = plan(of);
      while (seamAhead(p)?.join !== 1) p = plan(after(p.hem, stepDone(p, stepInHand(p, 'repeat')!)));
      return p;
    };
    const next = atNext(one);
    expect([seamAhead(next)!.crossing, seamAhead(next)!.last]).toEqual(['both', 'three']);
    expect(seamAheadWords(next, seamAhead(next)!, 'us')).toMatch(/otherwise than last time\.$/);
    expect(seamAheadWords(atNext(on), seamAhead(atNext(on))!, 'us')).toMatch(/, as last time\.$/);
  });
});

test('by chance: every way across a seam is sound, leaves what is made, and comes to its count', () => {
  let met = 0;
  for (const seed of seeds(40))
    withSeed(seed, (said) => {
      const chance = chanceOf(seed + 9000);
      const hem = anyHem(chance);
      if (plan(hem).body.edges.every((e) => e.joins.length === 0)) return;
      const all = [...nearSeams(hem)];
      if (all.length === 0) return;
      const now = chance.pick(all);
      const seam = seamAhead(now)!;
      const ways = seamWays(now, seam, chance.maybe(0.5));
      said.push(JSON.stringify(seam));
      for (const way of ways) {
        met++;
        const on = after(now.hem, way.deeds);
        expect(checkHem(on).ok).toBe(true);
        expect(plan(on).rounds[0]!.sides[seam.side]!.tally.stitches).toBe(way.count);
        expect(
          `${seamAheadWords(now, seam, 'us')} ${seamWayWords(now, way, seam, 'us')} ${seamWayOutcome(now, way)}`,
        ).not.toMatch(/undefined|NaN|null/);
      }
    });
  expect(met).toBeGreaterThan(10);
});
