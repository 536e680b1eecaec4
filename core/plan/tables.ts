/** A plan as tables for other programs: counts of every round and side, and yarn of every colour. */
import { held } from '../held.ts';
import { csvText } from '../document/csv.ts';
import { sidesWorked, type Plan } from './types.ts';

const to = (digits: number, x: number): number => Number(x.toFixed(digits));

/** Counts: a line for each side of each round. Strain in percent. */
export function countsCsv(plan: Plan): string {
  const names = new Map(plan.hem.yarns.map((y) => [y.id, y.name]));
  return csvText([
    [
      'round',
      'name',
      'yarn',
      'side',
      'stitches',
      'chain spaces',
      'left over',
      'adjustment',
      'too long or short %',
      'stitches in the round',
    ],
    ...plan.rounds.flatMap((round) =>
      sidesWorked(plan).map((i) => {
        const { tally, fit, strain } = round.sides[i]!;
        return [
          round.number,
          round.name,
          held(names.get(round.yarnId), 'every round has a yarn of the hem'),
          plan.sides[i]!.name,
          tally.stitches,
          tally.spaces,
          fit?.over ?? 0,
          fit?.change ?? 0,
          to(2, strain * 100),
          round.total,
        ];
      }),
    ),
  ]);
}

/** Yarn: a line for each colour, with the range that the estimate leaves. */
export function yarnCsv(plan: Plan): string {
  return csvText([
    [
      'yarn',
      'metres',
      'grams',
      'grams at least',
      'grams at most',
      'balls',
      'grams in the basket',
      'balls to buy',
      'cost',
    ],
    ...plan.yarns.map(({ yarn, quantity, toBuy, cost }) => [
      yarn.name,
      to(1, quantity.metres),
      to(1, quantity.grams),
      to(1, quantity.grams * (1 - quantity.spread)),
      to(1, quantity.grams * (1 + quantity.spread)),
      quantity.balls,
      yarn.haveG,
      toBuy,
      cost === null ? null : to(2, cost),
    ]),
  ]);
}
