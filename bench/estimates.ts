/** Prints the tables of docs/estimates.md: a thousand makers round by round, and a thousand who work three hems. */
import { estimateRows, hemRows, makerOfHems, thousandMakers } from '../core/testing/makers.ts';

const MAKERS = 1000;

console.log(estimateRows(thousandMakers()).join('\n'));
console.log(hemRows(Array.from({ length: MAKERS }, (_, seed) => makerOfHems(seed + 1)).flat()).join('\n'));
