import { describe, expect, test } from '@jest/globals';
import { demoHems } from '../../demo/read.ts';
import { performed, type Edit } from '../edits/edit.ts';
import * as base from '../edits/base.ts';
import * as hems from '../edits/hem.ts';
import * as pieces from '../edits/piece.ts';
import * as rounds from '../edits/rounds.ts';
import * as yarns from '../edits/yarn.ts';
import { createPlanner } from '../plan/planner.ts';
import { chanceOf, type Chance } from '../chance.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { randomEdit } from '../testing/randomEdits.ts';
import { seeds, withSeed } from '../testing/seeds.ts';
import { partWords } from './partWords.ts';
import { checkHem } from './check.ts';
import type { Hem } from './hem.ts';
import {
  changesBetween,
  inverted,
  joinedChanges,
  settleReferences,
  touchedParts,
  united,
  withChanges,
} from './parts.ts';

const HEMS = demoHems();
const hem = rowsHem({ rounds: [entry({ id: 'a' }), entry({ id: 'b', stitch: 'hdc' }), entry({ id: 'c' })] });

function after(start: Hem, ...edits: readonly Edit[]): Hem {
  return edits.reduce((h, e) => {
    const outcome = performed(h, e);
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
    return outcome.value;
  }, start);
}

/** A hem after some edits by chance. */
function wandered(start: Hem, chance: Chance, said: string[], steps: number, name: string): Hem {
  const planner = createPlanner();
  let at = start;
  for (let k = 0; k < steps; k++) {
    const next = randomEdit(planner(at), chance, `${name}${k}`);
    const outcome = next && performed(at, next);
    if (!outcome?.ok) continue;
    said.push(`${name}: ${next!.label}`);
    at = outcome.value;
  }
  return at;
}

const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

describe('changes', () => {
  test('lead from one hem to another and back again, whatever was done', () => {
    for (const seed of seeds(40)) {
      withSeed(seed, (said) => {
        const chance = chanceOf(seed);
        const start = chance.pick(HEMS);
        const there = wandered(start, chance, said, 6, 'e');
        // As storage gives it back: equal, but no reference is the same.
        const changes = plain(changesBetween(start, there)) as ReturnType<typeof changesBetween>;
        expect(plain(withChanges(start, changes))).toEqual(plain(there));
        expect(plain(withChanges(there, inverted(changes)))).toEqual(plain(start));
        for (const { part } of changes) expect(partWords(there, part)).not.toMatch(/undefined|\//);
      });
    }
  });

  test('of a drag join into one for each part', () => {
    const one = after(hem, base.setCount('A', [0, 2], 151, 0));
    const two = after(one, base.setCount('A', [0, 2], 152, 0));
    const joined = joinedChanges(changesBetween(hem, one), changesBetween(one, two));
    expect(joined.map((c) => c.part)).toEqual(['base.sides.0', 'base.sides.2']);
    expect(withChanges(hem, joined)).toEqual(two);
    const back = after(two, base.setCount('A', [0, 2], 150, 0), base.chooseSpacing('A', [0, 2], 'each'));
    expect(joinedChanges(joined, changesBetween(two, back))).toEqual([]);
  });
});

describe('two copies of a hem united', () => {
  const both = (mine: readonly Edit[], theirs: readonly Edit[]) =>
    united(hem, after(hem, ...mine), after(hem, ...theirs));

  test('changes of different parts both live', () => {
    const cases: readonly (readonly [Edit, Edit])[] = [
      [
        rounds.chooseRound(hem.rounds[0]!, 'x', { stitch: 'dc' }),
        rounds.chooseRound(hem.rounds[1]!, 'x', { stitch: 'sc' }),
      ],
      [base.setCount('A', [0], 150, 0), base.setCount('B', [1], 170, 0)],
      [hems.prefer('language', 'uk'), hems.prefer('hand', 'left')],
      [yarns.describeYarn('y1', 'x', { price: 4 }), yarns.describeYarn('y2', 'x', { haveG: 50 })],
      [hems.writeNotes('mine'), pieces.setGauge({ hookMm: 4 })],
      [rounds.addRounds('x', [entry({ id: 'd' })]), rounds.removeRound(hem.rounds[0]!)],
      [rounds.moveRound('c', 'a'), rounds.addRounds('x', [entry({ id: 'd' })])],
      [rounds.keepBorder('k1'), rounds.keepBorder('k2')],
    ];
    for (const [mine, theirs] of cases) {
      const { hem: one, conflicts } = both([mine], [theirs]);
      const { hem: other } = both([theirs], [mine]);
      expect([mine.label, conflicts]).toEqual([mine.label, []]);
      for (const change of [
        ...changesBetween(hem, after(hem, mine)),
        ...changesBetween(hem, after(hem, theirs)),
      ]) {
        if (['rounds', 'kept'].includes(change.part)) continue;
        const [left] = changesBetween(one, withChanges(one, [change]));
        expect([mine.label, left]).toEqual([mine.label, undefined]);
      }
      expect(new Set(one.rounds.map((r) => r.id))).toEqual(new Set(other.rounds.map((r) => r.id)));
    }
  });

  test('of one part that both changed mine lives, and it is named', () => {
    const { hem: one, conflicts } = both(
      [hems.writeNotes('mine')],
      [hems.writeNotes('theirs'), hems.setPace(30)],
    );
    expect(one).toMatchObject({ notes: 'mine', pace: 30 });
    expect(conflicts).toEqual(['notes']);
    expect(both([hems.setPace(30)], [hems.setPace(30)]).conflicts).toEqual([]);
  });

  test('an order that was stored halfway becomes the one that was seen last', () => {
    const put = after(hem, rounds.addRounds('x', [entry({ id: 'd' })]));
    const seen = after(put, rounds.moveRound('d', 'a'));
    const between = touchedParts(changesBetween(hem, put), changesBetween(put, seen));
    expect(withChanges(put, between).rounds.map((r) => r.id)).toEqual(seen.rounds.map((r) => r.id));
    const moved = after(hem, rounds.moveRound('c', 'a'));
    const back = touchedParts(changesBetween(hem, moved), changesBetween(moved, hem));
    expect(withChanges(moved, back).rounds.map((r) => r.id)).toEqual(hem.rounds.map((r) => r.id));
  });

  test('a yarn that was taken out is there again where the other copy came to use it', () => {
    const { hem: one } = both([yarns.removeYarn('y2')], [base.chooseBaseYarn('y2')]);
    expect(one.yarns.map((y) => y.id).sort()).toEqual(['y1', 'y2']);
    expect(one.base.yarn).toBe('y2');
  });

  test('sides follow the piece that won', () => {
    const grid = pieces.describePiece('grid', {
      kind: 'grid',
      lattice: 'squares',
      halves: false,
      halfStitches: null,
      cornerChains: 2,
      cells: ['##', '#.'],
      edge: { kind: 'solid', stitch: 'dc', stitches: 12, between: false },
      motifCm: 10,
    });
    const { hem: one } = both([grid], [base.setCount('A', [0], 140, 0)]);
    expect(one.base.sides).toHaveLength(6);
    const { hem: other } = both([base.setCount('A', [0], 140, 0)], [grid]);
    expect(checkHem(other).ok).toBe(true);
    expect(other.base.sides).toHaveLength(6);
  });

  test('is sound whatever was done to either, and uniting again changes nothing', () => {
    for (const seed of seeds(40)) {
      withSeed(seed, (said) => {
        const chance = chanceOf(seed);
        const start = chance.pick(HEMS);
        const mine = wandered(start, chance, said, 4, 'mine');
        const theirs = wandered(start, chance, said, 4, 'theirs');
        const { hem: one } = united(start, mine, theirs);
        expect(checkHem(one).ok).toBe(true);
        expect(plain(united(theirs, one, theirs).hem)).toEqual(plain(one));
      });
    }
  });
});

test('parts that do not go together any more are not put together', () => {
  expect(settleReferences({ ...hem, pace: -1 }, [])).toBeNull();
  expect(settleReferences({ ...hem, base: { ...hem.base, yarn: 'nowhere' } }, [])).toBeNull();
});
