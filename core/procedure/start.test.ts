import { describe, expect, test } from '@jest/globals';
import { chanceOf } from '../chance.ts';
import type { Hem } from '../document/hem.ts';
import { plan } from '../plan/planner.ts';
import { publishedPattern } from '../print/published/published.ts';
import { patternText } from '../print/patternText.ts';
import { anyHem, small } from '../testing/anyHem.ts';
import { entry } from '../testing/hems.ts';
import { seeds } from '../testing/seeds.ts';
import { actOf } from './acts.ts';
import { ahead, orderOfWork } from './order.ts';
import { proceduresOf } from './procedure.ts';

const within = (hem: Hem, is: boolean): Hem => ({
  ...hem,
  base: { ...hem.base, start: { ...hem.base.start, within: is } },
});

describe('a round that may begin within a repeat', () => {
  test.each(seeds(60))('never slips over what it works into, nor far, seed %i', (seed) => {
    const made = plan(within(anyHem(chanceOf(seed)), true));
    const all = proceduresOf(made);
    for (const procedure of all) {
      const { round, start } = procedure;
      const way = actOf(procedure, 'start')?.way;
      if (!start || way?.by !== 'slipping') continue;
      const { ring } = made.rounds[round.onto]!;
      const { travel } = orderOfWork(round);
      const join = all[round.onto]!.start!.join;
      const far = ahead(ring, join, start.place, travel);
      expect(far).toBeLessThanOrEqual(6);
      const size = ring.made.length;
      const passed = Array.from({ length: far - 1 }, (_, k) => (join + travel * (k + 1) + size) % size);
      expect(passed.filter((place) => round.ring.into.includes(place))).toEqual([]);
    }
  });

  const scallops = small({
    counts: [22, 26, 22, 26],
    rounds: [entry({ times: 2 }), entry({ id: 's', family: 'scallop', stitch: 'dc', corner: 'walk' })],
  });

  test('begins where the join is, and says what ends the round', () => {
    const text = patternText(publishedPattern(plan(within(scallops, true))));
    const round = text.slice(text.indexOf('Rnd 3'), text.indexOf('Finishing'));
    expect(round).not.toMatch(/Join Plain yarn|\bFasten off\b/);
    const { beginning } = proceduresOf(plan(within(scallops, true)))[3]!.start!;
    expect(beginning).toMatchObject({ in: 'repeat' });
    expect(plan(within(scallops, true)).rounds.map((r) => r.total)).toEqual(
      plan(within(scallops, false)).rounds.map((r) => r.total),
    );
  });
});
