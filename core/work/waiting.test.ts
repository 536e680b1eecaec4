import { expect, test } from '@jest/globals';
import { entry, flatBlanket } from '../testing/hems.ts';
import { after, workedInto } from '../testing/worked.ts';
import { plan } from '../plan/planner.ts';
import { placesToRipTo, progressOf, stepDone, stepInHand } from './progress.ts';
import { ripPrices, ripPricesWords } from './waiting.ts';

const hem = flatBlanket([entry({ times: 4 })]);

test('what waits is paid as it is ripped then', () => {
  const now = workedInto(hem, 1, 0.6);
  const place = placesToRipTo(now).find((p) => p.round === 1 && p.made === 0)!;
  const prices = ripPrices(now, place);
  expect(prices.map((p) => p.after)).toEqual([null, 1, 2, 3, 4]);
  expect(prices[0]!.price).toEqual(place.price);
  expect(prices.every((p, i) => i === 0 || p.price.minutes > prices[i - 1]!.price.minutes)).toBe(true);
  // Worked on to the end of each round, the same place is offered at the price that was told.
  let going = now;
  for (const { after: number, price } of prices.slice(1)) {
    while ((progressOf(going).round?.number ?? Infinity) <= number!)
      going = plan(after(going.hem, stepDone(going, stepInHand(going, 'side')!)));
    const then = placesToRipTo(going).find((p) => p.round === 1 && p.made === 0)!.price;
    expect(then.stitches).toBe(price.stitches);
    expect(then.minutes).toBeCloseTo(price.minutes, 6);
    expect(then.metres).toBeCloseTo(price.metres, 6);
  }
  expect(ripPricesWords(now, prices)).toMatch(
    /^Now about .* of work come off; after round 1 about .*, after round 2 about .* and after round 4 about .*\.$/,
  );
});

test('after the last round nothing more is added by waiting', () => {
  const all = workedInto(hem, 4, 1);
  const done = plan(after(all.hem, stepDone(all, stepInHand(all, 'side')!)));
  expect(progressOf(done).round).toBeNull();
  expect(ripPrices(done, placesToRipTo(done)[0]!)).toHaveLength(1);
});
