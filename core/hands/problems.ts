/** Faults of files of hands. */
import { raising, type Sentences } from '../problems.ts';

export const HANDS_PROBLEMS = {
  'hands-unreadable': () => ({
    what: 'what it says of your hands is damaged',
    remedy: 'Your hems are all there; say on the page “My hands” what you want again.',
  }),
} satisfies Sentences;

export const handsProblem = raising(HANDS_PROBLEMS);
