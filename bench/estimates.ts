/** Prints the table of docs/estimates.md: a thousand makers of each kind, by seeds that nothing was tuned with. */
import { estimateRows, makerOfHems } from '../core/testing/makers.ts';
import { MANNER_NAMES } from '../core/testing/maker.ts';

const MAKERS = 1000;
const FIRST_SEED = 10_001;

for (const name of MANNER_NAMES)
  console.log(
    estimateRows(
      name,
      Array.from({ length: MAKERS }, (_, k) => makerOfHems(name, FIRST_SEED + k).trials).flat(),
    ).join('\n'),
  );
