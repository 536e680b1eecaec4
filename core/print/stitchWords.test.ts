import { describe, expect, test } from '@jest/globals';
import { demoPlan, demoPlans } from '../../demo/read.ts';
import { plan } from '../plan/planner.ts';
import type { Plan } from '../plan/types.ts';
import { stitchOf } from '../ring/stitch.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { entryWords, stitchWords } from './stitchWords.ts';

describe('what a stitch is', () => {
  test.each([
    [
      { kind: 'hdc' as const, loop: 'third' as const },
      'half double crochet in the third loop',
      'half treble crochet in the third loop',
    ],
    [
      { kind: 'dc' as const, post: 'front' as const },
      'front-post double crochet',
      'front-post treble crochet',
    ],
    [
      { kind: 'sc' as const, form: 'together' as const, legs: 2 },
      'single crochet 2 together',
      'double crochet 2 together',
    ],
    [
      { kind: 'dc' as const, form: 'bobble' as const, legs: 5 },
      'bobble of 5 × double crochet',
      'bobble of 5 × treble crochet',
    ],
    [{ kind: 'ch' as const, chains: 1 }, '1 chain', '1 chain'],
    [{ kind: 'ch' as const, chains: 3 }, '3 chains', '3 chains'],
    [{ kind: 'ch' as const, form: 'picot' as const, chains: 3 }, 'picot of 3 chains', 'picot of 3 chains'],
    [{ kind: 'sc' as const, form: 'reverse' as const }, 'reverse single crochet', 'reverse double crochet'],
    [{ kind: 'hdc' as const, form: 'puff' as const, legs: 3 }, 'puff', 'puff'],
  ])('%j', (given, us, uk) => {
    expect(stitchWords(stitchOf(given), 'us')).toBe(us);
    expect(stitchWords(stitchOf(given), 'uk')).toBe(uk);
  });
});

describe('where it stands and what it sits in', () => {
  const made = plan(
    rowsHem({ rounds: [entry({ corner: 'chain-2' }), entry({ id: 'b', stitch: 'hdc', corner: 'chain-2' })] }),
  );
  const words = (p: Plan, round: number, entryNumber: number) => {
    const { where, what, into } = entryWords(p, round, entryNumber, 'us');
    return [where, what, into];
  };

  test('in the base round: the corner, then the spots of the edge by the maker’s own numbers', () => {
    expect(words(made, 0, 1)).toEqual([
      'Base round, the middle of corner D/A',
      'single crochet',
      'in the end stitch',
    ]);
    expect(words(made, 0, 3)).toEqual([
      'Base round, side A, 2nd of 152',
      'single crochet',
      'in stitch 1 of A',
    ]);
    const onB = made.rounds[0]!.ring.centres[1]!.start + 2;
    // Rows are counted from the foundation, side B is worked down from the last of them.
    expect(words(made, 0, onB)[2]).toBe('in dc row end 84 of B');
  });

  test('in a round: stitches, the space of a corner, and chains that sit in nothing', () => {
    const { ring } = made.rounds[2]!;
    const centre = ring.centres[0]!.start;
    expect(words(made, 2, centre)).toEqual(['Round 2, the middle of corner D/A', '2 chains', '']);
    expect(words(made, 2, centre + 1)[2]).toBe('in the ch-2 space of round 1');
    expect(words(made, 2, centre + 2)).toEqual([
      'Round 2, side A, 2nd of 156',
      'half double crochet',
      'in a single crochet of round 1',
    ]);
  });

  test('posts and gaps are told as what they are', () => {
    const square = demoPlan('big-square');
    const inGap = square.rounds[2]!.ring.into.findIndex((place) => place <= -2);
    expect(entryWords(square, 2, inGap, 'us').into).toBe('in a gap of round 1');
  });

  test.each(demoPlans())(
    '%s: every stitch has words, and the numbers of a side run up to its count',
    (_, p) => {
      p.rounds.forEach((round) => {
        const seen = new Map<string, number>();
        for (let i = 0; i < round.ring.made.length; i += 1) {
          const { where, what } = entryWords(p, round.number, i, 'uk');
          expect(what).not.toBe('');
          const found = /(?:side (\S+)|all the way around), (\d+)\S\S of (\d+)$/.exec(where);
          if (found) seen.set(found[1] ?? '', Math.max(seen.get(found[1] ?? '') ?? 0, Number(found[2])));
        }
        const sides = round.sides.map(
          (s, i) => [p.sides.length === 1 ? '' : p.sides[i]!.name, s.tally.stitches] as const,
        );
        expect(new Map([...seen].sort())).toEqual(new Map(sides));
      });
    },
  );
});
