import { describe, expect, test } from '@jest/globals';
import { demoPlans } from '../../demo/read.ts';
import { performed } from '../edits/edit.ts';
import { createPlanner, plan } from '../plan/planner.ts';
import { planComesOutEven, isEven, type Plan } from '../plan/types.ts';
import { FAMILIES } from '../rounds/registry.ts';
import { anyHem } from '../testing/anyHem.ts';
import { chanceOf } from '../chance.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { seeds, withSeed } from '../testing/seeds.ts';
import { troubleInShort, troubleWords } from './troubleWords.ts';
import { edgeOf, entriesFor, waysIn, withTrial } from './nextRound.ts';
import { madeAlike } from './alike.ts';
import { troublesOf } from './troubles.ts';

const said = (made: Plan): readonly string[] => troublesOf(made).map((t) => troubleWords(made, t));
const short = (made: Plan): readonly string[] => troublesOf(made).map((t) => troubleInShort(made, t));
const flat = rowsHem({ counts: [153, 164, 153, 164], rounds: [entry({ id: 'a' })] });
const withYarn = (haveG: number) => {
  const hem = flat;
  return plan({ ...hem, yarns: hem.yarns.map((y) => ({ ...y, haveG })) });
};

describe('what is wrong with a border', () => {
  test('is nothing where all fits and lies flat', () => {
    expect(said(plan(flat))).toEqual([]);
  });

  test('is said in words, the worst first', () => {
    const shell = plan(
      rowsHem({ counts: [151, 164, 151, 164], rounds: [entry({ family: 'shell', stitch: 'hdc' })] }),
    );
    expect(said(shell)[0]).toMatch(/^Round 1 \(shell edge\) does not fit: \d+ stitches left over on/);
    expect(short(shell)[0]).toBe('round 1 does not fit');
    const loose = plan(rowsHem({ counts: [190, 164, 190, 164] }));
    expect(said(loose)).toEqual(['The base round will ripple, most on side A.']);
    expect(short(loose)).toEqual(['side A ripples']);
    const tight = plan(rowsHem({ counts: [148, 164, 148, 164] }));
    expect(said(tight)).toEqual(['A little tight in the base round. Blocking will flatten it.']);
    const unlike = plan(rowsHem({ counts: [153, 164, 154, 164] }));
    expect(said(unlike)).toEqual(['Sides A and C face each other and differ: 155 and 156 stitches.']);
    expect(short(unlike)).toEqual(['A and C differ']);
  });

  test('counts yarn that will not last', () => {
    const [first] = plan(flat).yarns;
    const { grams } = first!.quantity;
    expect(said(withYarn(Math.round(grams * 2)))).toEqual([]);
    expect(said(withYarn(Math.round(grams)))[0]).toMatch(
      /may run out\. You have \d+ g; this border takes \d+ to \d+ g\.$/,
    );
    expect(said(withYarn(Math.round(grams / 2)))[0]).toMatch(/is not enough\./);
    expect(short(withYarn(Math.round(grams / 2)))[0]).toMatch(/ends in|is not enough/);
  });

  test.each(demoPlans())('of %s agrees with its rounds', (_, made) => {
    const found = troublesOf(made);
    expect(found.filter((t) => t.kind === 'does not fit').length).toBe(
      made.rounds.filter((r) => !r.even).length,
    );
    for (const text of [...said(made), ...short(made)]) expect(text).not.toMatch(/undefined|NaN|null/);
  });

  test('names on any hem all that is off, and makes sides alike that are not', () => {
    for (const seed of seeds(40)) {
      withSeed(seed, () => {
        const made = plan(anyHem(chanceOf(seed)));
        for (const text of [...said(made), ...short(made)]) expect(text).not.toMatch(/undefined|NaN|null/);
        for (const t of troublesOf(made)) {
          if (t.kind === 'does not fit') expect(t.sides.every(({ fit }) => !isEven(fit))).toBe(true);
          if (t.kind !== 'unlike') continue;
          const edit = madeAlike(made, t.sides);
          const outcome = edit && performed(made.hem, edit);
          if (!outcome?.ok) continue;
          const [a, b] = t.sides.map((s) => plan(outcome.value).rounds[0]!.sides[s]!.tally.stitches);
          expect(a).toBe(b);
        }
      });
    }
  });
});

describe('a round for a border that ends in an edge', () => {
  const ends = rowsHem({
    counts: [151, 169, 151, 169],
    rounds: [entry({ id: 'a' }), entry({ id: 's', family: 'scallop', stitch: 'dc', corner: 'three' })],
  });
  const made = plan(ends);
  const family = (id: string) => FAMILIES.find((f) => f.id === id)!;

  test('goes under it, or an edge in its place', () => {
    expect(edgeOf(made)!.id).toBe('s');
    expect(waysIn(made, family('plain'))).toEqual(['under', 'instead']);
    expect(waysIn(made, family('shell'))).toEqual(['instead']);
    expect(waysIn(made, family('applied-cord'))).toEqual(['under', 'instead']);
    const under = withTrial(made, family('plain'), 'under')!;
    expect(under.rounds.map((r) => r.family)).toEqual(['plain', 'plain', 'scallop']);
    expect(withTrial(made, family('shell'))!.rounds.map((r) => r.family)).toEqual(['plain', 'shell']);
    expect(entriesFor(made, family('gap-scallop'), 'instead', 'y1', ['g', 'n']).map((e) => e.family)).toEqual(
      ['cluster', 'gap-scallop'],
    );
  });

  test('of no family is worked into the scalloped edge of it', () => {
    const planner = createPlanner();
    for (const f of FAMILIES) {
      for (const where of waysIn(made, f)) {
        const then = planner(withTrial(made, f, where)!);
        expect([f.id, where, then.problems.filter((p) => p.code === 'on-an-edge')]).toEqual([
          f.id,
          where,
          [],
        ]);
      }
    }
  });

  test('that is put onto it all the same is told of', () => {
    const bad = plan({ ...ends, rounds: [...ends.rounds, entry({ id: 'p' })] });
    expect(short(bad)).toContain('round 3 lies on an edge');
    expect(said(bad)).toContainEqual(
      expect.stringMatching(/^Round 3 \(.*\) is worked into the scalloped edge of round 2 \(scallop edge\)/),
    );
  });

  test('has no place once the edge has been worked', () => {
    const begun = { ...made, rounds: made.rounds.map((r) => ({ ...r, done: {} as never })) };
    expect(waysIn(begun, family('plain'))).toEqual([]);
    expect(planComesOutEven(made)).toBe(made.rounds.every((r) => r.even));
  });
});
