import { describe, expect, test } from '@jest/globals';
import { recipeOf } from '../notation/parse.ts';
import { meetsNeeds, needsOf } from '../ring/recipe.ts';
import { placesOnSide, sideSpan, tallyRing, tallySide, type PlaceKind } from '../ring/ring.ts';
import { workRound } from '../ring/work.ts';
import { factsOf, firstChoice, familyNeededBelow, groundWith, workAll } from './facts.ts';
import { FAMILIES, familyById } from './registry.ts';
import { changePiece } from '../document/changePiece.ts';
import type { RoundEntry } from '../document/hem.ts';
import { newHem } from '../document/newHem.ts';
import type { Piece } from '../piece/piece.ts';
import { plan } from '../plan/planner.ts';
import type { Plan } from '../plan/types.ts';
import { newEntry } from '../stack/stack.ts';

const facts = (id: string) => factsOf(familyById(id)!);

/** What crocheters know of each family: what it sits on, modulus, remainder, and growth in its places. */
const KNOWN: readonly (readonly [string, PlaceKind, number, number, number | null])[] = [
  ['plain', 'stitch', 1, 0, 2],
  ['slip-edge', 'stitch', 1, 0, 0],
  ['reverse-edge', 'stitch', 1, 0, null],
  ['twisted-edge', 'stitch', 1, 0, null],
  ['applied-cord', 'stitch', 1, 0, null],
  ['shell', 'stitch', 4, 3, null],
  ['scallop', 'stitch', 4, 3, null],
  ['cluster', 'stitch', 3, 2, null],
  ['gap-scallop', 'gap', 1, 0, null],
  ['gap-cluster', 'gap', 1, 0, 1],
  ['loop-and-block', 'gap', 1, 0, 2],
  ['spider', 'stitch', 2, 1, null],
  ['puff', 'stitch', 2, 1, null],
  ['moss', 'stitch', 2, 1, null],
  ['layered-posts', 'post', 1, 0, 6],
  ['threes-and-ones', 'gap', 2, 1, null],
  ['crocodile', 'gap', 1, 0, null],
  ['triple-picot', 'stitch', 5, 0, null],
  ['dots', 'stitch', 3, 0, null],
  ['fill-loops', 'space', 1, 0, null],
  ['v-stitch', 'stitch', 3, 2, null],
  ['crossed-doubles', 'stitch', 2, 0, 4],
  ['bobbles', 'stitch', 2, 1, null],
  ['popcorns', 'stitch', 3, 2, null],
  ['filet-mesh', 'stitch', 2, 1, null],
  ['chevron', 'stitch', 11, 10, null],
  ['pointed-picot', 'stitch', 6, 1, null],
  ['ruffle', 'stitch', 1, 0, null],
];

describe('what crocheters know of a family follows from its repeat', () => {
  test.each(KNOWN)(
    '%s sits on a %s, needs a multiple of %i and %i',
    (id, sitsOn, modulus, remainder, growth) => {
      const f = facts(id);
      expect(f.sitsOn).toBe(sitsOn);
      expect([f.needs.modulus, f.needs.remainder]).toEqual([modulus, remainder]);
      if (growth !== null) expect(f.places).toMatchObject({ per: 1, plus: growth });
    },
  );

  test('those that ignore corners need it of the whole ring', () => {
    const onRing = FAMILIES.filter((f) => factsOf(f).needs.on === 'ring').map((f) => f.id);
    expect(onRing).toEqual(['triple-picot', 'dots']);
  });

  test('lopsided ways take the counts between', () => {
    expect(facts('spider').lopsidedNeeds).toMatchObject({ modulus: 2, remainder: 0 });
    expect(facts('puff').lopsidedNeeds).toMatchObject({ modulus: 2, remainder: 0 });
    expect(facts('threes-and-ones').lopsidedNeeds).toMatchObject({ modulus: 2, remainder: 0 });
  });

  test('every family that works side by side does so without a fault at the first three counts it needs', () => {
    for (const family of FAMILIES) {
      const choice = firstChoice(family);
      const { needs, sitsOn } = factsOf(family);
      if (needs.on === 'ring') continue;
      for (let k = 1; k <= 3; k++) {
        let ring = groundWith(sitsOn, needs.least + (k + 1) * needs.modulus);
        for (let r = 0; r < family.roundsPerRepeat; r++) {
          const recipe = recipeOf(family.write(choice, r));
          const worked = workRound(ring, recipe);
          expect([family.id, r, worked.sides[0]]).toEqual([
            family.id,
            r,
            expect.objectContaining({ over: 0, short: 0, stuck: false }),
          ]);
          if (!recipe.surface) ring = worked.ring;
        }
      }
    }
  });
});

describe('families of several rounds', () => {
  const repeat = (id: string, from: PlaceKind, count: number, rounds: number) => {
    const family = familyById(id)!;
    const recipes = Array.from({ length: rounds }, (_, k) => recipeOf(family.write(firstChoice(family), k)));
    return recipes.map((_, k) => workAll(groundWith(from, count), recipes.slice(0, k + 1)));
  };
  const on = (ring: ReturnType<typeof repeat>[number], kind: PlaceKind) =>
    placesOnSide(ring, 0, new Set([kind])).length;

  test('loop and block on 21 clusters, the halves of the corners included: 21 loops, then 23 clusters', () => {
    const [loops, blocks] = repeat('loop-and-block', 'gap', 20, 2);
    expect(on(loops!, 'space')).toBe(21);
    expect(on(blocks!, 'gap') + 1).toBe(23);
  });

  test('mesh on 20 gaps: 22, 24, 26 pairs, and a scale on every pair: 288 scales on four sides', () => {
    const family = familyById('crocodile')!;
    let ring = groundWith('gap', 20);
    const pairs: number[] = [];
    let scales = 0;
    for (let round = 0; round < 6; round++) {
      const recipe = recipeOf(family.write(firstChoice(family), round));
      const worked = workRound(ring, recipe);
      if (recipe.surface) scales += tallyRing(worked.ring).stitches / 10;
      else {
        ring = worked.ring;
        pairs.push(on(ring, 'pair'));
      }
    }
    expect(pairs).toEqual([22, 24, 26]);
    expect(4 * scales).toBe(288);
  });

  test('spiders keep their spaces, moss gains one a round, filled loops make two of each and four more', () => {
    const spiders = repeat('spider', 'stitch', 51, 4);
    expect(spiders.map((r) => on(r, 'space'))).toEqual([25, 25, 25, 25]);
    const moss = repeat('moss', 'stitch', 51, 4);
    expect(moss.map((r) => on(r, 'space'))).toEqual([26, 27, 28, 29]);
    const [filled] = repeat('fill-loops', 'space', 30, 1);
    expect(tallySide(filled!, 0).stitches).toBe(64);
  });

  test('threes and ones end in fans over the threes', () => {
    const [first, loops, fans] = repeat('threes-and-ones', 'gap', 11, 3);
    expect(on(first!, 'space')).toBe(11 + 3);
    const span = sideSpan(loops!, 0);
    const chains = Array.from(
      { length: span.length },
      (_, k) => loops!.made[(span.start + k) % loops!.made.length]!,
    )
      .filter((s) => s.kind === 'ch')
      .map((s) => s.chains);
    expect(chains).toEqual([3, 5, 3, 5, 3, 5, 3, 5, 3, 5, 3, 5, 3]);
    // Six fans, seven singles, and half a fan of each corner.
    expect(tallySide(fans!, 0).stitches).toBe(6 * 7 + 7 + 2 * 3);
  });

  test('threes and ones over an even number of gaps pass every single with three chains, the corner’s too', () => {
    const [, loops, fans] = repeat('threes-and-ones', 'gap', 12, 3);
    const span = sideSpan(loops!, 0);
    const runs = Array.from(
      { length: span.length },
      (_, k) => loops!.made[(span.start + k) % loops!.made.length]!,
    );
    const chains = runs.filter((s) => s.kind === 'ch').map((s) => s.chains);
    expect(chains.filter((c) => c === 5)).toHaveLength(6);
    expect(chains.slice(-3)).toEqual([5, 3, 3]);
    expect(tallySide(fans!, 0).stitches).toBe(56);
  });

  test('layered posts are front-post doubles along the sides in every round; corners are halves after the first', () => {
    const rounds = repeat('layered-posts', 'post', 20, 3);
    rounds.forEach((ring, k) => {
      const { start, length } = sideSpan(ring, 0);
      const made = Array.from({ length }, (_, i) => ring.made[(start + i) % ring.made.length]!);
      const posts = made.filter((s) => s.post === 'front');
      expect(new Set(posts.map((s) => s.kind))).toEqual(new Set(['dc']));
      expect(new Set(made.filter((s) => s.post === 'none').map((s) => s.kind))).toEqual(
        new Set([k === 0 ? 'dc' : 'hdc']),
      );
    });
  });

  test('a clover stands on every fifth stitch of a ring of a multiple of five', () => {
    const recipe = recipeOf(
      familyById('triple-picot')!.write({ ...firstChoice(familyById('triple-picot')!), size: 5 }, 0),
    );
    const ring = groundWith('stitch', 41);
    const whole = placesOnSide(ring, 0, new Set<PlaceKind>(['stitch'])).length;
    expect(meetsNeeds(whole - (whole % 5), needsOf(recipe))).toBe(true);
    const { sides } = workRound(ring, recipe);
    expect(sides).toHaveLength(1);
    expect(sides[0]!.repeats).toBe(Math.floor(whole / 5));
  });

  test('what must come first is named where the ring does not offer it', () => {
    const plainRing = groundWith('stitch', 20);
    expect(familyNeededBelow(familyById('gap-scallop')!, plainRing)).toBe('cluster');
    expect(familyNeededBelow(familyById('gap-scallop')!, groundWith('gap', 9))).toBeNull();
    expect(familyNeededBelow(familyById('shell')!, plainRing)).toBeNull();
  });
});

describe('on a ring without corners a round has no head and tail', () => {
  const disc = (stitches: number, rounds: readonly RoundEntry[]): Plan => {
    const start = newHem('disc', new Date('2026-01-01T00:00:00Z'));
    const piece: Piece = {
      kind: 'counted',
      sides: [{ lengthCm: stitches / 1.35, stitches, turnDegrees: 0 }],
    };
    return plan({ ...start, ...changePiece({ ...start, rounds }, piece) });
  };

  test.each([
    ['shell', 4],
    ['scallop', 4],
    ['cluster', 3],
    ['pointed-picot', 6],
    ['spider', 2],
    ['moss', 2],
    ['popcorns', 3],
    ['v-stitch', 3],
    ['filet-mesh', 2],
    ['triple-picot', 5],
    ['dots', 3],
  ])('%s needs its repeat alone, a multiple of %i, and closes', (id, modulus) => {
    const family = familyById(id)!;
    for (const count of [modulus * 20, modulus * 20 + 1]) {
      const round = disc(count, [newEntry(family, 'r', 'body')]).rounds[1]!;
      expect([count, round.even]).toEqual([count, count % modulus === 0]);
      if (round.even) expect(round.sides[0]!.fit!.repeats).toBe(20);
    }
  });

  test('threes and ones keep their loops over the threes', () => {
    const rounds = [
      newEntry(familyById('cluster')!, 'g', 'body'),
      newEntry(familyById('threes-and-ones')!, 'r', 'body'),
    ];
    const made = disc(60, rounds);
    const [, , first, loops, fans] = made.rounds;
    expect([first!.even, loops!.even, fans!.even]).toEqual([true, true, true]);
    // Twenty gaps: ten threes with five chains over each of them.
    const fives = loops!.ring.made.flatMap((s, i) => (s.kind === 'ch' && s.chains === 5 ? [i] : []));
    expect(fives).toHaveLength(10);
    for (const i of fives) {
      const size = loops!.ring.made.length;
      const before = loops!.ring.into[(i - 1 + size) % size]!;
      const after = loops!.ring.into[(i + 1) % size]!;
      const between = (after - before + first!.ring.made.length) % first!.ring.made.length;
      expect(between).toBe(4);
    }
    expect(fans!.total).toBe(10 * 8);
  });
});
