/** Troubles of a border: in a sentence for the page where it is mended, in a few words for the thread. */
import type { BorderTrouble } from './troubles.ts';
import { isDisc } from '../piece/outline.ts';
import { writtenOf, type Plan } from '../plan/types.ts';
import { listWords } from '../say/lists.ts';
import { PLACE_NAMES } from '../terms/places.ts';
import type { SideFit } from '../ring/along.ts';
import { sidesTold } from '../print/kinds.ts';
import { sideWords } from '../print/placeWords.ts';
import { capital } from '../terms/words.ts';
import { roundIn } from '../plan/roundNames.ts';

/** “sides A and C”; a circle has but its edge. */
function sidesWords(plan: Plan, sides: readonly number[]): string {
  if (isDisc(plan.body.outline)) return 'the edge';
  if (sides.length === plan.sides.length && sides.length > 2) return 'every side';
  const names = sides.map((s) => plan.sides[s]!.name);
  return names.length === 1 ? `side ${names[0]!}` : sidesTold(plan, names);
}

/** How a side comes out that does not fit, such as “2 stitches left over”. */
function unfitWords(
  { over, short, refused, stuck }: SideFit,
  [one, more]: readonly [string, string],
): string {
  const counted = (n: number): string => `${n} ${n === 1 ? one : more}`;
  if (refused !== 0) return `no way to work ${Math.abs(refused)} ${refused > 0 ? 'more' : 'fewer'}`;
  if (stuck) return 'nothing to work into';
  return over > 0 ? `${counted(over)} left over` : `${counted(short)} too few`;
}

/** A sentence or two. */
export function troubleWords(plan: Plan, trouble: BorderTrouble): string {
  switch (trouble.kind) {
    case 'left out':
      return 'Some rounds cannot be worked and are left out. The pages of the piece and the rounds say why.';
    case 'does not fit': {
      const { round, sides } = trouble;
      const { name, sitsOn } = writtenOf(plan.rounds[round]!);
      // Sides of which the same is to be said are said together.
      const said = new Map<string, number[]>();
      for (const { side, fit } of sides) {
        const words = unfitWords(fit, PLACE_NAMES[sitsOn].long);
        said.set(words, [...(said.get(words) ?? []), side]);
      }
      const told = [...said].map(([words, on]) => `${words} on ${sidesWords(plan, on)}`);
      return `${capital(roundIn(plan, round))} (${name.toLowerCase()}) does not fit: ${listWords(told)}.`;
    }
    case 'on an edge': {
      const [round, edge] = [trouble.round, trouble.edge].map((k) => plan.rounds[k]!.name.toLowerCase());
      return `${capital(roundIn(plan, trouble.round))} (${round}) is worked into the scalloped edge of ${roundIn(plan, trouble.edge)} (${edge}) and pulls them out of shape. Move it under them.`;
    }
    case 'not flat': {
      const { round, side, verdict, strain, rounds } = trouble;
      if (verdict === 'blocks out') {
        const where =
          rounds.length > 3
            ? `${rounds.length} ${plan.body.outline.part ? 'rows' : 'rounds'}`
            : listWords(rounds.map((r) => roundIn(plan, r)));
        return `A little ${strain > 0 ? 'loose' : 'tight'} in ${where}. Blocking will flatten it.`;
      }
      const does = verdict === 'ripples' ? 'will ripple' : 'pulls in';
      const most = isDisc(plan.body.outline) ? '' : `, most on ${sideWords(plan, side)}`;
      return `${capital(roundIn(plan, round))} ${does}${most}.`;
    }
    case 'yarn': {
      const { yarn, ends, sure } = trouble;
      const { name, haveG } = yarn.yarn;
      const { grams, spread } = yarn.quantity;
      const takes = `You have ${haveG} g; this border takes ${Math.round(grams * (1 - spread))} to ${Math.round(grams * (1 + spread))} g.`;
      if (!sure) return `${name} may run out. ${takes}`;
      const at = ends
        ? ` It will probably end in ${roundIn(plan, ends.round)}${isDisc(plan.body.outline) ? '' : ` on ${sideWords(plan, ends.side)}`}.`
        : '';
      return `${name} is not enough. ${takes}${at}`;
    }
    case 'unlike': {
      const [a, b] = trouble.sides.map((s) => plan.sides[s]!.name);
      return `Sides ${a} and ${b} face each other and differ: ${trouble.counts[0]} and ${trouble.counts[1]} stitches.`;
    }
  }
}

/** A few words, such as “round 4 does not fit”. */
export function troubleInShort(plan: Plan, trouble: BorderTrouble): string {
  switch (trouble.kind) {
    case 'left out':
      return 'some left out';
    case 'does not fit':
      return `${roundIn(plan, trouble.round)} does not fit`;
    case 'on an edge':
      return `${roundIn(plan, trouble.round)} lies on an edge`;
    case 'not flat': {
      const { round, side, verdict, strain } = trouble;
      const where =
        round > 0 ? roundIn(plan, round) : isDisc(plan.body.outline) ? 'it' : sideWords(plan, side);
      if (verdict === 'blocks out') return `${where} a little ${strain > 0 ? 'loose' : 'tight'}`;
      return `${where} ${verdict === 'ripples' ? 'ripples' : 'pulls in'}`;
    }
    case 'yarn': {
      const { yarn, ends, sure } = trouble;
      if (!sure) return `${yarn.yarn.name} may run out`;
      return ends
        ? `${yarn.yarn.name} ends in ${roundIn(plan, ends.round)}`
        : `${yarn.yarn.name} is not enough`;
    }
    case 'unlike': {
      const [a, b] = trouble.sides.map((s) => plan.sides[s]!.name);
      return `${a} and ${b} differ`;
    }
  }
}
