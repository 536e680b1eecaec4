import { expect, test } from '@jest/globals';
import { daysOf } from '../../core/log/log.ts';
import { plan } from '../../core/plan/planner.ts';
import { lengthWords, timeWords } from '../../core/say/measures.ts';
import { threeHems } from '../../core/testing/makers.ts';
import { cardLines } from './card.ts';

test('a card says the size, the yarn and the time that the plan and the record say', () => {
  for (const hem of threeHems(5).hems) {
    const made = plan(hem);
    const [size, yarn, work] = cardLines(made);
    expect(size).toBe(
      `${lengthWords(made.finishedSize.widthMm, 'cm').replace(' cm', '')} × ${lengthWords(made.finishedSize.heightMm, 'cm')}`,
    );
    const grams = made.yarns.reduce((sum, y) => sum + y.quantity.grams, 0);
    const [low, high] = [...yarn!.matchAll(/\d+(?:\.\d+)?/g)].slice(-2).map((m) => Number(m[0]));
    expect(low).toBeLessThanOrEqual(Math.ceil(grams));
    expect(high).toBeGreaterThanOrEqual(Math.floor(grams));
    const minutes = daysOf([hem.record], (at) => at.slice(0, 10)).reduce((sum, d) => sum + d.minutes, 0);
    const stitches = made.rounds.reduce((sum, r) => sum + r.total, 0);
    expect(work).toBe(
      `${made.rounds.length} rounds · ${stitches} stitches · ${timeWords(minutes)} of crochet`,
    );
  }
});
