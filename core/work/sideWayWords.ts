/** Ways to end a side, in words. */
import { listWords, ordinal } from '../say/lists.ts';
import { plural } from '../say/measures.ts';
import { sideWords } from '../print/placeWords.ts';
import type { Plan } from '../plan/types.ts';
import type { Language } from '../terms/stitches.ts';
import { WORDS } from '../terms/words.ts';
import { outcomeWords } from './recountWords.ts';
import type { SideInHand, SideEnding } from './sideWays.ts';

const times = (count: number): string => (count === 1 ? 'once' : count === 2 ? 'twice' : `${count} times`);

/** Work of a way, such as “Work 2 together once, 3 sts before the corner”. */
export function sideWayWords({ used, places }: SideInHand, way: SideEnding, language: Language): string {
  const { kind, at, spots, repeats, more } = way;
  const { skip } = WORDS[language];
  const end = used + places;
  switch (kind) {
    case 'two together':
    case 'two in one': {
      // Two together takes two places.
      const taken = kind === 'two together' ? 2 : 1;
      const all = end + (kind === 'two together' ? at.length : -at.length);
      const left = at.map((c) => all - c.at - taken);
      const what = kind === 'two together' ? '2 together' : '2 in one st';
      return `Work ${what} ${times(at.length)}, ${beforeWords(left)}`;
    }
    case 'as it comes':
      return `Work it as it comes: ${plural(way.count, 'st')} on the side`;
    case 'skip more':
    case 'skip fewer':
      return `${skipWords(at, spots, skip)}`;
    case 'more repeats':
    case 'fewer repeats': {
      const what = `Work ${plural(Math.abs(repeats), 'repeat')} ${repeats > 0 ? 'more' : 'fewer'}`;
      return more === 0 ? what : `${what}; ${skipWords(at, spots, skip, false)}`;
    }
  }
}

const beforeWords = (left: readonly number[]): string => {
  const [only] = left;
  if (left.length === 1)
    return only === 0 ? 'right before the corner' : `with ${plural(only ?? 0, 'st')} left up to the corner`;
  return `with ${listWords(left.map(String))} sts left up to the corner`;
};

/** Skips that are longer or shorter, counted from the hook on. */
function skipWords(at: SideEnding['at'], spots: readonly number[], skip: string, begins = true): string {
  const which = at.map((c) => {
    const number = spots.indexOf(c.at) + 1;
    return number === spots.length ? 'last' : number === 1 ? 'next' : `${ordinal(number)} from here`;
  });
  const by = Math.abs(at[0]?.by ?? 0);
  const much = `${by} ${(at[0]?.by ?? 0) > 0 ? 'more' : 'fewer'}`;
  const verb = begins ? skip.charAt(0).toUpperCase() + skip.slice(1) : skip;
  return `${verb} ${much} at the ${listWords(which)} ${skip}${at.length > 1 ? 's' : ''}`;
}

/** Outcome of a way: whether it shows, whether all later rounds fit, how the border lies. */
export const sideWayOutcome = (plan: Plan, way: SideEnding): string =>
  outcomeWords(plan, {
    ...way,
    kind: way.kind === 'as it comes' ? 'leave' : 'fudge',
    price: { stitches: 0, minutes: 0, metres: 0 },
  }).replace('Nothing is ripped. ', '');

/** Places on the table up to the corner, as planned. */
export const onTableWords = (plan: Plan, { side, places }: SideInHand): string =>
  `${plural(places, 'st')} of the round below ${places === 1 ? 'is' : 'are'} left on ${sideWords(plan, side)}, up to the corner.`;
