/** Faults of links, and of what this browser keeps. */
import { raising, type Sentences } from '../../core/problems.ts';

export const STORAGE_PROBLEMS = {
  'record-damaged': () => ({
    what: 'what this browser keeps of it is damaged',
    remedy: 'Go back to an earlier version, or open a hem file or a backup of it.',
  }),
  'link-broken': () => ({
    what: 'the link does not hold a whole hem',
    remedy: 'Copy the whole link again, to its last letter.',
  }),
  'link-too-long': () => ({
    what: 'the link holds more than a hem can have',
    remedy: 'Ask for the hem file instead.',
  }),
} satisfies Sentences;

export const storageProblem = raising(STORAGE_PROBLEMS);
