/** Faults of printed patterns. */
import { raising, type Sentences } from '../problems.ts';

export const PRINT_PROBLEMS = {
  'pattern-too-long': (v: { letters: number; most: number }) => ({
    what: `the text has ${v.letters} letters`,
    remedy: `Paste at most ${v.most} at once: the rounds alone, without what stands around them.`,
  }),
  'pattern-no-rounds': () => ({
    what: 'no round was found in this text',
    remedy:
      'Give every round a heading such as “Round 1”, and under it lines such as “Each side: …” and “Corner: …”.',
  }),
} satisfies Sentences;

export const printProblem = raising(PRINT_PROBLEMS);
