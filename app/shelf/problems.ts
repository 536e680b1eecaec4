/** Why a file that comes in is not opened. */
import { raising, type Sentences } from '../../core/problems.ts';

export const SHELF_PROBLEMS = {
  'file-too-large': (v: { megabytes: string; most: number }) => ({
    what: `this file has ${v.megabytes} MB, more than a hem or a backup can have`,
    remedy: `Choose a file of at most ${v.most} MB: a hem file (.hem.json), a backup (.zip) or a table (.csv).`,
  }),
  'file-unreadable': () => ({
    what: 'the browser could not read this file',
    remedy: 'See whether it is still where it was, then choose it again.',
  }),
  'file-of-another-kind': (v: { kind: string; remedy?: string }) => ({
    what: `this is ${v.kind}, not a hem file`,
    remedy: `${v.remedy ?? 'Choose a hem file (.hem.json) or a backup (.zip).'}`,
  }),
} satisfies Sentences;

export const shelfProblem = raising(SHELF_PROBLEMS);
