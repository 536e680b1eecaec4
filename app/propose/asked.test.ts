import { expect, test } from '@jest/globals';
import { chanceOf } from '../../core/chance.ts';
import { LOOKS, NO_WISH, WISH_SKILLS, type Wish } from '../../core/propose/wish.ts';
import { askedFor, wishAsked } from './asked.ts';

test('a link brings the wish from where it arose, and what makes no sense is left out', () => {
  const asked = (text: string) => wishAsked(new URLSearchParams(text));
  expect(asked('')).toEqual({ ...NO_WISH, widthCm: 4 });
  expect(asked('width=6.5')).toEqual({ ...NO_WISH, widthCm: 6.5 });
  expect(asked('minutes=90')).toEqual({ ...NO_WISH, minutes: 90 });
  expect(asked('basket')).toEqual({ ...NO_WISH, basket: 'enough' });
  expect(asked('useup&on')).toEqual({ ...NO_WISH, basket: 'used up', onRounds: true });
  expect(asked('across=120&down=150')).toEqual({ ...NO_WISH, size: { widthCm: 120, heightCm: 150 } });
  expect(asked('across=120')).toEqual({ ...NO_WISH, size: { widthCm: 120, heightCm: null } });
  expect(asked('width=-3&minutes=soon')).toEqual({ ...NO_WISH, widthCm: 4 });
});

test('a sentence that is left comes back word by word', () => {
  const chance = chanceOf(5);
  for (let k = 0; k < 200; k++) {
    const size = chance.maybe(0.3) ? { widthCm: chance.pick([null, 120]), heightCm: 150 } : null;
    const wish: Wish = {
      widthCm: chance.pick([null, 4, 6.35]),
      size,
      look: chance.pick([null, ...LOOKS]),
      notLook: chance.pick([null, ...LOOKS]),
      skill: chance.pick([null, ...WISH_SKILLS]),
      noLooseParts: chance.maybe(0.5),
      basket: chance.pick(['any', 'enough', 'used up'] as const),
      minutes: chance.pick([null, 90]),
      onRounds: chance.maybe(0.5),
    };
    expect(wishAsked(new URLSearchParams(askedFor(wish).toString()))).toEqual(wish);
  }
});
