/**
 * How a stitch is made, step by step, with what lies on the hook after every step. It follows from what the stitch
 * is: the yarn-overs that its wraps stand for, what the hook goes into, and how the loops are worked off.
 */
import type { Language } from '../terms/stitches.ts';
import { makingOfStitch, type Movement } from '../ring/making.ts';
import type { Stitch } from '../ring/stitch.ts';

export interface MakingStep {
  readonly movement: Told;
  readonly words: string;
  /** Loops on the hook after the step, yarn-overs included. */
  readonly loops: number;
  /** How much of the post stands after the step, 0 to 1. */
  readonly built: number;
}

/** Legs that are alike are told once. */
type Told = Movement | { readonly do: 'again'; readonly times: number };

function toldMovements(stitch: Stitch): readonly Told[] {
  const { first = [], legs, close } = makingOfStitch(stitch);
  if (legs.length <= 2 || stitch.form === 'cord') return [...first, ...legs.flat(), ...close];
  return [...first, ...legs[0]!, { do: 'again', times: legs.length - 1 }, ...close];
}

const YARN_OVER = { us: 'yarn over', uk: 'yarn round hook' } as const;
const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'];
const number = (n: number): string => NUMBERS[n] ?? String(n);

/** The steps of a stitch in a language, for a hand. */
export function makingOf(
  stitch: Stitch,
  language: Language,
  hand: 'right' | 'left' = 'right',
): readonly MakingStep[] {
  const movements = toldMovements(stitch);
  const over = YARN_OVER[language];
  const drawn = movements.filter((m) => m.do === 'draw through').length;
  let loops = 1;
  let done = 0;
  let added = 0;
  const steps = movements.map((movement, i): MakingStep => {
    const before = loops;
    let words: string;
    switch (movement.do) {
      case 'wrap':
        loops++;
        words = capital(over);
        break;
      case 'insert':
        words = insertWords(
          stitch,
          movement.leg,
          movements.slice(0, i).some((m) => m.do === 'insert'),
          hand,
        );
        break;
      case 'draw up':
        loops++;
        words = `${capital(over)}, draw up a ${movement.long ? 'long ' : ''}loop`;
        break;
      case 'draw through':
        loops = throughLeaves(stitch, before, movement.loops);
        done++;
        words = throughWords(stitch, movement.loops, before, over);
        break;
      case 'again':
        loops += movement.times * added;
        words = `The same ${timesWords(movement.times)} more, ${stitch.form === 'together' ? 'each in the next stitch' : 'in the same stitch'}`;
        break;
      case 'turn the hook':
        words = `Turn the hook once all the way around, so that ${loops === 1 ? 'the loop twists' : 'the two loops twist'}`;
        break;
      case 'chain':
        words = `Chain ${movement.count}`;
        break;
      case 'pull close':
        words =
          'Take the hook out. Insert it in the top of the first of them from the front, catch the dropped loop and draw it through';
        break;
      case 'fold':
        words =
          'Fold cut strands in half. Draw the fold through the stitch or space from front to back, put the ends through the fold and pull them tight';
        break;
    }
    added += loops - before;
    return { movement, words, loops, built: drawn === 0 ? 1 : done / drawn };
  });
  return folded(steps);
}

/** Movements that follow each other alike as one step. */
function folded(steps: readonly MakingStep[]): readonly MakingStep[] {
  const out: (MakingStep & { times: number })[] = [];
  for (const step of steps) {
    const last = out[out.length - 1];
    if (last?.words === step.words) out[out.length - 1] = { ...step, times: last.times + 1 };
    else out.push({ ...step, times: 1 });
  }
  return out.map(({ times, ...step }) =>
    times === 1 ? step : { ...step, words: `${step.words}, ${timesWords(times)}` },
  );
}

/** Where the yarn is drawn through at once, besides the loop on the hook. */
const throughAtOnce = (stitch: Stitch): string =>
  stitch.form === 'picot'
    ? 'the chain'
    : stitch.form === 'plain' || stitch.form === 'cord'
      ? 'the stitch'
      : 'it';

const timesWords = (n: number): string => (n === 1 ? 'once' : n === 2 ? 'twice' : `${number(n)} times`);

/** Loops left after the yarn was drawn through some. */
function throughLeaves(stitch: Stitch, before: number, through: number): number {
  // In a herringbone the drawn-up loop goes through the one beside it: two become one.
  if (stitch.kind === 'hhdc' && stitch.form === 'plain' && through === 1) return before - 1;
  return before - through + 1;
}

function throughWords(stitch: Stitch, loops: number, before: number, over: string): string {
  if (stitch.kind === 'ch' && stitch.form === 'plain')
    return `${capital(over)} and draw it through the loop on the hook`;
  const slip = stitch.kind === 'slst' || stitch.form === 'picot' || stitch.form === 'cord';
  if (slip) return `${capital(over)} and pull it through ${throughAtOnce(stitch)} and the loop on the hook`;
  if (stitch.kind === 'hhdc' && loops === 1)
    return 'Draw that loop straight on through the one next to it on the hook';
  if (loops === 1) return `${capital(over)}, draw it through one loop`;
  if (loops === 2 && before === 2) return `${capital(over)}, draw it through both loops on the hook`;
  return loops === before
    ? `${capital(over)}, draw it through all ${number(loops)} loops`
    : `${capital(over)}, draw it through ${number(loops)} loops`;
}

const LOOPS = {
  both: 'under both loops of the stitch',
  front: 'under the front loop only',
  back: 'under the back loop only',
  third: 'under the third loop, the bar below the back loop',
} as const;

function insertWords(stitch: Stitch, leg: number, again: boolean, hand: 'right' | 'left'): string {
  if (stitch.form === 'picot') return 'Insert the hook in the first of these chains';
  if (stitch.form === 'dot')
    return again ? 'Insert the hook in the same chain again' : 'Insert the hook in the first of these chains';
  if (stitch.form === 'cord')
    return leg === 0 ? 'Insert the hook in the same stitch' : 'Insert the hook in the next stitch';
  if (leg === -1) return `Insert the hook in the next stitch to the ${hand}, hook pointing down`;
  if (stitch.form === 'together' && leg > 0) return 'Insert the hook in the next stitch';
  if (again) return 'Insert the hook in the same stitch again';
  if (stitch.post === 'front')
    return 'Insert the hook around the post from the front: in on one side of it and out on the other';
  if (stitch.post === 'back')
    return 'Insert the hook around the post from the back: out on one side of it and in on the other';
  return `Insert the hook ${LOOPS[stitch.loop]}`;
}
