import { describe, expect, test } from '@jest/globals';
import { demoPlans } from '../../demo/read.ts';
import { OWN, type RoundEntry } from '../document/hem.ts';
import { recipeOf } from '../notation/parse.ts';
import { plan } from '../plan/planner.ts';
import { topOf } from '../plan/types.ts';
import { regular, rectangle } from '../piece/outline.ts';
import { FAMILIES, familyById } from '../rounds/registry.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { workedInto } from '../testing/worked.ts';
import { writtenPattern } from '../print/steps/pattern.ts';
import { patternText } from '../print/patternText.ts';
import { circumstancesOf, entriesOnto, newEntry, newOwnEntry, writtenRounds } from './stack.ts';
import { whereWords } from '../problems.ts';

describe('the stack unrolled', () => {
  test('an entry becomes as many rounds as it is worked times the rounds of its repeat', () => {
    const { rounds, problems } = writtenRounds([
      entry({ times: 3 }),
      entry({ id: 'l', family: 'loop-and-block', stitch: 'dc', corner: 'threes', times: 2 }),
    ]);
    expect(problems).toEqual([]);
    expect(rounds.map((r) => [r.entry.id, r.index])).toEqual([
      ['r1', 0],
      ['r1', 1],
      ['r1', 2],
      ['l', 0],
      ['l', 1],
      ['l', 2],
      ['l', 3],
    ]);
  });

  test('an own round with a fault is left out and pointed at, the others stay', () => {
    const own = {
      ...newOwnEntry('o', 'y1', 'us'),
      written: { text: 'side: *knit in next st*', language: 'us' as const, name: '', note: '' },
    };
    const { rounds, problems } = writtenRounds([entry(), own]);
    expect(rounds).toHaveLength(1);
    expect(problems.map((p) => whereWords(p.where))).toEqual(['own round, line 1, column 8']);
  });

  test('an own round reads as what it says, lobed when tall groups stand beside low stitches', () => {
    const made = (text: string) =>
      writtenRounds([{ ...newOwnEntry('o', 'y1', 'us', recipeOf(text)), times: 2 }]).rounds;
    expect(made('side: *sc in next st*\ncorner: 3 sc in corner').map((r) => [r.edge, r.family])).toEqual([
      ['straight', null],
      ['straight', null],
    ]);
    expect(
      made('side: *sk 1, 5 dc in next st, sk 1, sl st in next st*\ncorner: 7 dc in corner')[0]!.edge,
    ).toBe('lobed');
  });

  test('entries that did not change keep their rounds', () => {
    const kept = entry();
    const [before] = writtenRounds([kept]).rounds;
    const [after] = writtenRounds([kept, entry({ id: 'new' })]).rounds;
    expect(after).toBe(before);
  });
});

describe('how a piece bends a round', () => {
  const [plainRound] = writtenRounds([entry({ stitch: 'hdc' })]).rounds;

  test('a disc gains 2π times the height, carried over from round to round', () => {
    const disc = regular(0, 1000);
    let sum = 0;
    for (let k = 0; k < 20; k++) sum += circumstancesOf(plainRound!, disc, 1.35 * k).changes![0]!;
    expect(sum).toBe(Math.round(2 * Math.PI * 1.35 * 20));
  });

  test('a rectangle leaves a recipe as it is written', () => {
    expect(circumstancesOf(plainRound!, rectangle(500, 700), 0)).toEqual({});
  });

  test('corners by angle follow each corner, and inner ones always do', () => {
    const [byAngle] = writtenRounds([entry({ corner: 'angle' })]).rounds;
    const hexagon = circumstancesOf(byAngle!, regular(6, 300), 0).corners!;
    expect(hexagon).toHaveLength(6);
    const grown = (rounds: number): number => {
      let stitches = 0;
      for (let k = 0; k < rounds; k++) {
        stitches += circumstancesOf(byAngle!, regular(6, 300), 0.95 * k).corners![0]!.group.length - 1;
      }
      return stitches;
    };
    // 2·h·tan(30°) for each corner, rounded only in all.
    expect(Math.abs(grown(12) - 2 * 12 * 0.95 * Math.tan(Math.PI / 6))).toBeLessThan(1.01);
    const stepped = { ...rectangle(500, 700), turns: [Math.PI / 2, -Math.PI / 2, Math.PI / 2, Math.PI / 2] };
    const corners = circumstancesOf(plainRound!, stepped, 0).corners!;
    expect(corners.map((c) => c.group[0]!.form)).toEqual(['plain', 'together', 'plain', 'plain']);
  });
});

describe('new entries', () => {
  test('of every family can be planned on every demo, with what must come first', () => {
    for (const [file, made] of demoPlans()) {
      const top = topOf(made);
      for (const family of FAMILIES) {
        const added = entriesOnto(top.ring, family, made.hem.yarns[0]!.id, ['ground', 'new']);
        const tried = plan({ ...made.hem, rounds: [...made.hem.rounds, ...added] });
        const extra = tried.rounds.slice(made.rounds.length);
        expect([file, family.id, extra.length >= family.roundsPerRepeat]).toEqual([file, family.id, true]);
        expect(extra[extra.length - 1]!.written!.entry.family).toBe(family.id);
      }
    }
  });

  test('begin with the family’s first choices, and an own one with something that can be read', () => {
    const shell = familyById('shell')!;
    expect(newEntry(shell, 'a', 'y1')).toMatchObject({
      family: 'shell',
      stitch: shell.stitches[0],
      corner: shell.corners[0],
      times: 1,
    });
    for (const language of ['us', 'uk'] as const) {
      const own = newOwnEntry('o', 'y1', language);
      expect(own.family).toBe(OWN);
      expect(plan(rowsHem({ rounds: [own] })).rounds[1]!.total).toBe(
        plan(rowsHem({ rounds: [entry()] })).rounds[1]!.total,
      );
    }
  });
});

describe('an entry on one of its family goes on with the pattern', () => {
  const moss = (id: string, anew = false) => entry({ id, family: 'moss', anew });
  /** Stitches on side A of the outermost round. */
  const top = (rounds: readonly RoundEntry[]): readonly number[] => {
    const made = plan(rowsHem({ counts: [31, 31, 31, 31], rounds }));
    return made.rounds[made.rounds.length - 1]!.sides.map((s) => s.tally.stitches);
  };

  test('as one entry that is worked so often; anew only when that is said', () => {
    const twice = top([entry({ id: 'a', family: 'moss', times: 2 })]);
    expect(top([moss('a'), moss('b')])).toEqual(twice);
    expect(top([moss('a'), moss('b', true)])).not.toEqual(twice);
    // Something between them ends the pattern.
    expect(top([moss('a'), entry({ id: 'p' }), moss('b')])).toEqual(
      top([moss('a'), entry({ id: 'p' }), moss('b', true)]),
    );
  });

  test('over several entries, and from work that was begun', () => {
    const three = [moss('a'), moss('b'), moss('c')];
    const designed = plan(rowsHem({ counts: [31, 31, 31, 31], rounds: three }));
    const worked = plan(workedInto(designed.hem, 3, 0.5).hem);
    expect(worked.rounds.map((r) => r.total)).toEqual(designed.rounds.map((r) => r.total));
    expect(worked.rounds[3]!.written!.recipe).toBe(designed.rounds[2]!.written!.recipe);
  });

  test('takes the third loop only of stitches that have one', () => {
    const loopOn = (stitch: 'sc' | 'hdc' | 'dc'): string => {
      const { ring } = plan(rowsHem({ rounds: [entry({ stitch })] })).rounds[1]!;
      return entriesOnto(ring, familyById('slip-edge')!, 'y1', ['ground', 'new']).at(-1)!.loop;
    };
    expect([loopOn('sc'), loopOn('hdc'), loopOn('dc')]).toEqual(['both', 'third', 'both']);
    const asked = (stitch: 'sc' | 'hdc'): string =>
      patternText(
        writtenPattern(
          plan(
            rowsHem({
              rounds: [
                entry({ stitch }),
                entry({ id: 'e', family: 'slip-edge', stitch: 'slst', corner: 'walk', loop: 'third' }),
              ],
            }),
          ),
        ),
      );
    const which = 'The third loop of sc is the strand behind the back loop.';
    expect(asked('sc')).toContain(which);
    expect(asked('hdc')).not.toContain('strand behind the back loop');
  });

  test('needs no ground under it', () => {
    const { ring } = plan(rowsHem({ rounds: [entry({ family: 'crocodile', id: 'c' })] })).rounds[1]!;
    const again = entriesOnto(
      ring,
      familyById('crocodile')!,
      'y1',
      ['ground', 'new'],
      entry({ family: 'crocodile' }),
    );
    expect(again.map((e) => e.id)).toEqual(['new']);
  });
});
