import { expect, test } from '@jest/globals';
import { chanceOf, type Chance } from '../chance.ts';
import { patience, seeds, withSeed } from '../testing/seeds.ts';
import { parseRound } from './parse.ts';
import { printRound } from './print.ts';

const KINDS = ['sc', 'hdc', 'dc', 'tr', 'sl st', 'esc', 'dtr', 'htr'];
const FORMS = ['', '', '', 'rev ', 'twisted ', 'FP', 'BP'];
const LOOPS = ['', '', '', ' BLO', ' FLO', ' 3rd lp'];
const PLACES = ['st', 'sts', 'ch-sp', 'ch-2 sp', 'gap', 'pair', 'post', 'stitch', 'spaces'];

const number = (chance: Chance): number => chance.pick([1, 1, 2, 3, 5, 7, 12, 40, 499, 500, 501, 0]);

function stitch(chance: Chance): string {
  const kind = chance.pick(KINDS);
  return chance.pick([
    `${chance.pick(FORMS)}${kind}${chance.pick(LOOPS)}`,
    `${kind}${chance.pick([2, 3, 5])}tog${chance.pick(LOOPS)}`,
    `FP${kind}${chance.pick([2, 3])}tog`,
    chance.pick(['picot', 'picot of 5', 'dot', 'tassel', 'puff', 'popcorn', 'cord', 'bobble', '4-dc bobble']),
    `ch ${number(chance)}`,
  ]);
}

const item = (chance: Chance): string =>
  chance.maybe(0.5) ? `${number(chance)} ${stitch(chance)}` : stitch(chance);
const group = (chance: Chance): string =>
  chance.maybe(0.3)
    ? `(${Array.from({ length: chance.int(1, 4) }, () => item(chance)).join(', ')})`
    : item(chance);

function place(chance: Chance): string {
  const of = chance.pick(PLACES);
  return chance.pick([
    `in next ${of}`,
    `in next ${number(chance)} ${of}`,
    `in each of next ${number(chance)} ${of}`,
    `in same ${of}`,
    `in skipped ${of}`,
    `in each ${of}`,
    `in BLO of next ${of}`,
    'around next post',
    'around same st',
    'around each post',
  ]);
}

function step(chance: Chance): string {
  return chance.pick([
    `${group(chance)} ${place(chance)}`,
    `${group(chance)} ${place(chance)}`,
    `skip ${number(chance)}`,
    `sk next ${number(chance)} ${chance.pick(PLACES)}`,
    stitch(chance),
    `[${group(chance)} ${place(chance)}] ${number(chance)} times`,
  ]);
}

const steps = (chance: Chance): string =>
  Array.from({ length: chance.int(1, 3) }, () => step(chance)).join(', ');

function text(chance: Chance): string {
  const side = chance.pick([
    `*${steps(chance)}*`,
    `${steps(chance)}, *${steps(chance)}*`,
    `${steps(chance)}, *${steps(chance)}*, ${steps(chance)}`,
    steps(chance),
  ]);
  const corner = chance.pick([
    `${group(chance)} in corner`,
    `ch 2, ${group(chance)} in the corner, ch 2`,
    'walk round',
    'skip',
    `ch ${number(chance)} over corner`,
  ]);
  return [
    `${chance.pick(['side', 'side', 'round'])}: ${side}`,
    `corner: ${corner}`,
    ...(chance.maybe(0.2) ? [`pair: ${group(chance)} in first, ${group(chance)} in second`] : []),
    ...(chance.maybe(0.1) ? ['facing: wrong'] : []),
  ].join('\n');
}

test(
  'texts by chance are refused, or read, printed, and read again as the same',
  () => {
    let read = 0;
    const texts = seeds(300);
    for (const seed of texts) {
      withSeed(seed, (said) => {
        const chance = chanceOf(seed);
        const language = chance.pick(['us', 'uk'] as const);
        const written = text(chance);
        said.push(written);
        const outcome = parseRound(written, language);
        if (!outcome.ok) return;
        read++;
        for (const other of ['us', 'uk'] as const) {
          const printed = printRound(outcome.value, other);
          said.push(printed);
          const again = parseRound(printed, other);
          expect(again).toEqual(outcome);
          expect(printRound(again.ok ? again.value : outcome.value, other)).toBe(printed);
        }
      });
    }
    expect(read).toBeGreaterThan(texts.length / 20);
  },
  patience(60_000),
);
