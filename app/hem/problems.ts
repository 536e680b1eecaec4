/** Why the open hem stays as it is. */
import { raising, type Sentences } from '../../core/problems.ts';

export const HEM_PROBLEMS = {
  'record-full': (v: { most: number }) => ({
    what: `no more than ${v.most} things that were done can be noted of one hem`,
    remedy: 'Download the hem file, and go on with a copy of the hem.',
  }),
  'hem-too-large': (v: { most: number }) => ({
    what: `this hem would be larger than ${v.most} MB, and its file could not be opened again`,
    remedy: 'Remove saved borders or long notes first. What is there stays as it is.',
  }),
  'step-gone': (v: { what: string }) => ({
    what: `“${v.what}” no longer goes with what has been changed since`,
    remedy: 'It was passed over; what lies before it can still be taken back.',
  }),
  'not-planned': (v: { detail: string }) => ({
    what: `this cannot be worked out (${v.detail})`,
    remedy: 'Nothing was changed. Try it another way, and tell the makers of Zig Hem how it came about.',
  }),
} satisfies Sentences;

export const hemProblem = raising(HEM_PROBLEMS);
