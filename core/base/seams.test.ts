import { describe, expect, test } from '@jest/globals';
import { checkHem } from '../document/check.ts';
import type { Hem } from '../document/hem.ts';
import { changePiece } from '../document/changePiece.ts';
import { plan } from '../plan/planner.ts';
import { placesOnSide } from '../ring/ring.ts';
import { mirrored } from '../ring/mirror.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { CROSSING_IDS, type CrossingId } from './crossings.ts';

/** A row of joined motifs of groups of 3, six on a side, worked around in groups. */
function groupsOver(motifs: number, crossing: CrossingId, clusterChains: number, backwards = false): Hem {
  const start = rowsHem({ rounds: [entry({ facing: backwards ? 'wrong' : null })] });
  const edge = { kind: 'clustered', clusters: 6, stitchesEach: 3, chainsBetween: 0 } as const;
  const piece = {
    kind: 'grid',
    lattice: 'squares',
    halves: false,
    halfStitches: null,
    cornerChains: 2,
    cells: ['#'.repeat(motifs)],
    edge,
    motifCm: 12,
  } as const;
  const grid: Hem = { ...start, ...changePiece(start, piece) };
  const sides = grid.base.sides.map((s) => ({ ...s, school: 'clusters' as const, count: null }));
  const base = { ...grid.base, stitch: 'dc', corner: 'twos', crossing, clusterChains, sides } as const;
  const outcome = checkHem({ ...grid, base });
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
  return outcome.value;
}

describe('groups over a seam', () => {
  // Five groups for each motif, one crossing for each seam, and a space or gap beside each corner: counted by hand.
  const byHand = (motifs: number, crossing: CrossingId): number =>
    5 * motifs + (crossing === 'skip' ? 0 : motifs - 1) + 1;

  test.each(CROSSING_IDS)('have as many spaces and gaps as by hand, crossed as “%s”', (crossing) => {
    expect([byHand(2, 'three'), byHand(3, 'three')]).toEqual([12, 18]);
    for (const motifs of [2, 3])
      for (const chains of [0, 1, 2]) {
        const { ring } = plan(groupsOver(motifs, crossing, chains)).rounds[0]!;
        const gaps = placesOnSide(ring, 0, new Set(['gap'])).length;
        expect([chains, gaps]).toEqual([chains, byHand(motifs, crossing)]);
        // Whichever way the next round goes.
        const other = mirrored(ring);
        const side = plan(groupsOver(motifs, crossing, chains)).sides.length - 1;
        expect(placesOnSide(other, side, new Set(['gap'])).length).toBe(byHand(motifs, crossing));
      }
  });

  test('offer the round above a place for each of them', () => {
    for (const chains of [0, 1]) {
      const hem = groupsOver(3, 'three', chains);
      const made = plan({
        ...hem,
        rounds: [entry({ id: 'g', family: 'gap-cluster', stitch: 'dc', corner: 'threes' })],
      });
      expect([chains, made.rounds[1]!.sides[0]!.fit!.places]).toEqual([chains, 18]);
    }
  });
});
