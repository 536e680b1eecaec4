import { describe, expect, test } from '@jest/globals';
import { plan } from '../plan/planner.ts';
import { PIECES, on, small } from '../testing/anyHem.ts';
import { entry } from '../testing/hems.ts';
import { plainChange, workPlain } from './along.ts';
import { RingBuilder } from './maker.ts';
import { placesOnSide } from './ring.ts';
import { placesTaken, stitchOf } from './stitch.ts';

/** Motifs that leave out one: E and F, which are alike, meet in a corner that turns inwards. */
const [, stepped] = PIECES.find(([, piece]) => piece.kind === 'grid' && piece.cells.length === 2)!;
const INNER = 5;

describe('a corner that turns inwards', () => {
  test.each(['right', 'wrong'] as const)(
    'takes stitches, and no gap beyond them, the %s side facing',
    (facing) => {
      for (let count = 9; count <= 24; count += 3) {
        const hem = on(
          stepped,
          small({
            counts: [18, 18, 36, 18, count, count],
            rounds: [
              entry({ id: 'ground', family: 'cluster', stitch: 'dc', corner: 'sixes', facing }),
              entry({ id: 'loops', family: 'chain-loops' }),
            ],
          }),
        );
        const made = plan(hem);
        const { ring } = made.rounds[1]!;
        // One stitch of the last group of three on either side goes into the corner.
        expect(made.rounds[2]!.ring.made[made.rounds[2]!.ring.centres[INNER]!.start]!.legs).toBe(3);
        for (const side of [4, 5]) {
          const gaps = placesOnSide(ring, side, new Set(['gap'])).length;
          expect(gaps).toBeGreaterThan(1);
          expect(made.rounds[2]!.sides[side]!.fit!.places).toBe(gaps);
        }
      }
    },
  );

  test('its decrease sits in the corner, whichever side faces', () => {
    const facings = ['right', 'wrong', 'wrong', 'right', 'wrong'] as const;
    const made = plan(
      on(
        stepped,
        small({ rounds: facings.map((facing, i) => entry({ id: `r${i}`, stitch: 'dc', facing })) }),
      ),
    );
    for (const [number, { ring }] of made.rounds.entries()) {
      if (number < 2) continue;
      const corner = ring.centres[INNER]!.start;
      expect(placesTaken(ring.made[corner]!)).toBeGreaterThan(1);
      expect(ring.into[corner]).toBe(made.rounds[number - 1]!.ring.centres[INNER]!.start);
    }
  });
});

test('a quiet change in a plain side lies alike from both ends, and takes no more than two together', () => {
  const sc = stitchOf({ kind: 'sc' });
  for (let n = 1; n <= 40; n++) {
    for (let wanted = -4; wanted <= 4; wanted++) {
      const maker = new RingBuilder();
      const places = Array.from({ length: n }, (_, i) => i);
      const { change } = workPlain(maker, places, sc, wanted);
      expect(change).toBe(plainChange(wanted, n));
      expect(change).toBeGreaterThanOrEqual(-n / 2);
      expect(maker.made).toHaveLength(n + change);
      const taken = maker.made.map(placesTaken);
      if (change < 0) {
        expect(taken.reduce((a, b) => a + b)).toBe(n);
        expect(Math.max(...taken)).toBe(2);
        // Where the parity allows it.
        if (n % 2 === 0 || change % 2 === 0) expect([...taken].reverse()).toEqual(taken);
      } else expect(new Set(places)).toEqual(new Set(maker.made.map((_, i) => maker.placeOf(i)!)));
    }
  }
});
