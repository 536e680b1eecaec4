/** Prints the tables of docs/estimates.md: a thousand makers of each kind, by seeds that nothing was tuned with. */
import { estimateRows, makerOfHems, sideRows } from '../core/testing/makers.ts';
import { MANNER_NAMES } from '../core/testing/maker.ts';

const MAKERS = 1000;
const FIRST_SEED = 10_001;

const made = MANNER_NAMES.map((name) => {
  const makers = Array.from({ length: MAKERS }, (_, k) => makerOfHems(name, FIRST_SEED + k));
  return {
    numbers: estimateRows(
      name,
      makers.flatMap((m) => m.trials),
    ),
    sides: sideRows(
      name,
      makers.flatMap((m) => m.sides),
    ),
  };
});
for (const { numbers } of made) console.log(numbers.join('\n'));
console.log();
for (const { sides } of made) console.log(sides.join('\n'));
