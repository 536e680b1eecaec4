import { describe, expect, test } from '@jest/globals';
import { demoHems, demoPlans } from '../../demo/read.ts';
import { spacingsFor } from '../base/spacings.ts';
import { changePiece, plainSide } from '../document/changePiece.ts';
import type { Hem } from '../document/hem.ts';
import { newHem } from '../document/newHem.ts';
import { performed } from '../edits/edit.ts';
import type { Piece } from '../piece/piece.ts';
import { createPlanner, plan } from '../plan/planner.ts';
import { planComesOutEven } from '../plan/types.ts';
import { FAMILIES } from '../rounds/registry.ts';
import { newEntry } from '../stack/stack.ts';
import { chanceOf, type Chance } from '../chance.ts';
import { randomEdit } from '../testing/randomEdits.ts';
import { patience, seeds, withSeed } from '../testing/seeds.ts';
import { takeSolution } from '../edits/solution.ts';
import { changesNothing } from './fit.ts';
import { fitHem, worstOf } from './open.ts';

const START = newHem('fit', new Date('2026-01-01T00:00:00Z'));

/** Hems by chance: a demo or a small piece, some of its sides counted anew, one to three rounds of any family. */
function someHem(chance: Chance, said: string[]): Hem {
  const pieces: readonly Piece[] = [
    {
      kind: 'grid',
      lattice: 'squares',
      halves: false,
      halfStitches: null,
      cornerChains: 2,
      cells: ['###', '###'],
      edge: { kind: 'solid', stitch: 'dc', stitches: chance.int(7, 24), between: false },
      motifCm: 12,
    },
    { kind: 'counted', sides: [{ lengthCm: 60, stitches: chance.int(60, 110), turnDegrees: 0 }] },
    {
      kind: 'motif',
      corners: chance.pick([0, 3, 4, 6]),
      cornerChains: 2,
      edge: {
        kind: 'clustered',
        clusters: chance.int(7, 14),
        stitchesEach: 3,
        chainsBetween: chance.int(0, 1),
      },
      sideCm: 25,
    },
    {
      kind: 'blocks',
      stitch: 'hdc',
      loopChains: 2,
      blocksWide: chance.int(6, 12),
      blocksHigh: 9,
      widthCm: 30,
      heightCm: 28,
    },
    {
      kind: 'rows',
      foundation: 'both loops of the chain',
      lastRow: 'stitch tops',
      stitches: chance.int(40, 70),
      rows: [{ stitch: chance.pick(['dc', 'hdc', 'tr'] as const), count: chance.int(15, 30) }],
      widthCm: 38,
      heightCm: 36,
    },
  ];
  const piece = chance.pick(pieces);
  const bare = { ...START, rounds: [] };
  const blank = { ...bare, ...changePiece(bare, piece) };
  const { edges } = plan(blank).body;
  const sides = edges.map((edge) =>
    plainSide(chance.maybe(0.5) ? spacingsFor(edge)[0]! : chance.pick(spacingsFor(edge))),
  );
  const rounds = Array.from({ length: chance.int(1, 3) }, (_, i) => {
    const family = chance.pick(FAMILIES);
    return { ...newEntry(family, `r${i}`, 'body'), cornerOpen: chance.maybe(0.2) };
  });
  said.push(piece.kind, sides[0]!.school, ...rounds.map((r) => r.family));
  return { ...blank, base: { ...blank.base, sides }, rounds };
}

describe('every fit that is offered', () => {
  test(
    'comes out even when it is taken and planned again, as flat as it says, the flattest first',
    () => {
      let offered = 0;
      for (const seed of seeds(60)) {
        withSeed(seed, (said) => {
          const chance = chanceOf(seed);
          const hem = someHem(chance, said);
          const made = plan(hem);
          const fit = fitHem(hem);
          const stack = made.rounds.slice(1).map((r) => r.written!);
          for (const s of fit.solutions) {
            offered++;
            const outcome = performed(hem, takeSolution(stack, s));
            if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
            const taken = plan(outcome.value);
            expect([s.changes, s.quiet, planComesOutEven(taken)]).toEqual([s.changes, s.quiet, true]);
            expect([s.changes, s.quiet, worstOf(taken)]).toEqual([s.changes, s.quiet, s.worst]);
            expect(taken.sides.map((x) => x.count)).toEqual(s.counts);
            // What says that nothing is changed changes nothing.
            if (changesNothing(s))
              expect(taken.rounds.map((r) => r.total)).toEqual(made.rounds.map((r) => r.total));
          }
          const flatness = fit.solutions.map((s) => ['flat', 'blocks out'].indexOf(s.worst!.verdict) >>> 0);
          expect(flatness).toEqual([...flatness].sort((a, b) => a - b));
          // What comes out even as it is has nothing in its way.
          if (
            planComesOutEven(made) &&
            made.rounds.length ===
              hem.rounds.reduce(
                (n, r) => n + r.times * FAMILIES.find((f) => f.id === r.family)!.roundsPerRepeat,
                1,
              )
          )
            expect([fit.standsInTheWay, fit.solutions.length > 0]).toEqual([null, true]);
        });
      }
      expect(offered).toBeGreaterThan(100);
    },
    patience(240_000),
  );

  test(
    'of the demos after edits by chance holds too',
    () => {
      for (const seed of seeds(8)) {
        withSeed(seed, (said) => {
          const chance = chanceOf(seed * 31);
          const planner = createPlanner();
          let made = planner(chance.pick(demoHems()));
          for (let k = 0; k < 6; k++) {
            const next = randomEdit(made, chance, `e${k}`);
            const outcome = next && performed(made.hem, next);
            if (!outcome?.ok) continue;
            said.push(next!.label);
            made = planner(outcome.value);
          }
          const stack = made.rounds.slice(1).map((r) => r.written!);
          for (const s of fitHem(made.hem).solutions) {
            const outcome = performed(made.hem, takeSolution(stack, s));
            expect(outcome.ok && planComesOutEven(plan(outcome.value))).toBe(true);
          }
        });
      }
    },
    patience(240_000),
  );

  test('is quiet where nothing needs to be changed: what contains it is not shown', () => {
    for (const [, made] of demoPlans()) {
      if (!planComesOutEven(made) || worstOf(made).verdict !== 'flat') continue;
      const { solutions } = fitHem(made.hem);
      expect(solutions.map(changesNothing)).toEqual([true]);
    }
  });
});

test('what comes out even on a circle is offered once, as it is', () => {
  const start = newHem('disc', new Date('2026-01-01T00:00:00Z'));
  const disc: Piece = {
    kind: 'motif',
    corners: 0,
    cornerChains: 0,
    edge: { kind: 'solid', stitch: 'dc', stitches: 120, between: false },
    sideCm: 89,
  };
  const hem = { ...start, ...changePiece(start, disc) };
  const found = fitHem(hem).solutions.filter(changesNothing);
  expect(found).toHaveLength(1);
  expect(found[0]!.quiet).toEqual([[0, 0]]);
});
