/** Faults of written crochet. */
import { raising, type Problem, type Sentences } from '../problems.ts';

export const NOTATION_PROBLEMS = {
  'written-unreadable': (v: { word: string; expected: string; sc?: string }) => ({
    what: `“${v.word}” was not understood`,
    remedy: `Try ${v.expected}: for example “2 ${v.sc ?? 'sc'} in next st”.`,
  }),
  'written-too-long': (v: { letters: number; most: number }) => ({
    what: `the round has ${v.letters} letters`,
    remedy: `Up to ${v.most} can be read: write what repeats once, between asterisks.`,
  }),
  'written-too-deep': (v: { most: number }) => ({
    what: `brackets stand in one another more than ${v.most} deep`,
    remedy: 'Write the inner ones out.',
  }),
  'written-zero': () => ({
    what: '0 of something makes no stitch',
    remedy: 'Leave it out, or write 1 or more.',
  }),
  'written-too-many': (v: { count: number | string; of: string; most: number }) => ({
    what: `${v.count} ${v.of} is more than anyone works`,
    remedy: `Write at most ${v.most}.`,
  }),
  'written-line-twice': (v: { line: string }) => ({
    what: `there are two “${v.line}:” lines`,
    remedy: 'Put them together.',
  }),
  'written-no-side': () => ({
    what: 'nothing says what is worked along a side',
    remedy: 'Add a line that begins “side:”, or “round:” for a repeat that runs past the corners.',
  }),
  'written-side-and-round': () => ({
    what: 'there is both a “side:” and a “round:” line',
    remedy: 'Keep “side:” when the stitch repeat starts again after each corner, “round:” when it does not.',
  }),
  'written-no-corner': (v: { sc?: string }) => ({
    what: 'nothing says how a corner is worked',
    remedy: `Add a line such as “corner: 3 ${v.sc ?? 'sc'} in corner”, or “corner: walk round”.`,
  }),
  'written-two-open-repeats': () => ({
    what: 'there are two repeats in asterisks',
    remedy: 'Only one part can repeat to the corner. Give the other a number: [ … ] 3 times.',
  }),
  'written-repeat-in-repeat': () => ({
    what: 'one repeat stands inside another',
    remedy: 'Write the inner one out.',
  }),
  'written-repeat-uses-nothing': (v: { sc?: string }) => ({
    what: 'the repeat uses up no stitch, so it would never reach the corner',
    remedy: `Say inside the repeat what it is worked into, such as “${v.sc ?? 'sc'} in next st”.`,
  }),
  'written-no-stitch': (v: { sc?: string }) => ({
    what: 'no stitch is worked along the side',
    remedy: `Add a stitch with its place, such as “${v.sc ?? 'sc'} in next st”.`,
  }),
} satisfies Sentences;

export const notationProblem = raising(NOTATION_PROBLEMS);

/** A problem of a written round, with an example that is right in the language in force. @param sc the word for it */
export const withExample = ({ code, where, values }: Problem, sc: string): Problem =>
  notationProblem(code as keyof typeof NOTATION_PROBLEMS, where, { ...values, sc });

/** The word that could not be read; null where that is not what is wrong. */
export const wordNotRead = ({ code, values }: Problem): string | null =>
  code === ('written-unreadable' satisfies keyof typeof NOTATION_PROBLEMS) && 'word' in values
    ? String(values.word)
    : null;
