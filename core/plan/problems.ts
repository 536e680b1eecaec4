/** Faults of a plan. */
import { raising, type Problem, type Sentences } from '../problems.ts';

const onSide = (side: string | number | undefined): string =>
  side === 'all the way around' ? 'all the way around' : `side ${side}`;

/** Remedy for a round that does not come out even: it depends on what lies between it and the base round. */
const REMEDIES: Readonly<
  Record<'fewer or more' | 'more' | 'other', (v: { over: number; short: number }) => string>
> = {
  'fewer or more': (v) => `In the base round, take away ${v.over} there or add ${v.short}.`,
  more: (v) => `In the base round, add ${v.short} there.`,
  other: () => 'Choose another corner, add a plain round before it, or choose another round.',
};

export const PLAN_PROBLEMS = {
  'round-too-large': (v: { round: string; most: number; of: string }) => ({
    what: `${v.round} would have more than ${v.most} stitches ${v.of}, so it and what follows it are not worked`,
    remedy: 'Remove it, work it fewer times, or choose one that grows less.',
  }),
  'change-not-taken': (v: { round: string; side: string; change: number }) => ({
    what: `${v.round} cannot be worked with ${Math.abs(v.change)} ${v.change > 0 ? 'more' : 'fewer'} ${
      v.side === 'all the way around' ? v.side : `on side ${v.side}`
    }`,
    remedy: 'Take that small adjustment away, or make it in a plain round.',
  }),
  'round-makes-nothing': (v: { round: string; places: string }) => ({
    what: `${v.round} finds too few ${v.places} to be worked even once, so it and what follows it are not worked`,
    remedy: 'Remove it, or choose one whose repeat is shorter.',
  }),
  'round-unknown': () => ({
    what: 'this version of Zig Hem does not know this round, and shows it as plain stitches with its counts',
    remedy: 'Nothing is lost: update Zig Hem to see the round as it is.',
  }),
  'not-even': (v: {
    round: string;
    side: string;
    count: number;
    places: string;
    over: number;
    short: number;
    help: keyof typeof REMEDIES;
  }) => ({
    what: `${v.round} does not fit ${onSide(v.side)}: ${v.count} ${v.places} there, ${
      Number(v.over) > 0 ? `${v.over} left over` : `${v.short} too few`
    }`,
    remedy: REMEDIES[v.help](v),
  }),
  'on-an-edge': (v: { round: string; edge: string }) => ({
    what: `${v.round} is worked into the scalloped edge of ${v.edge}, and pulls it out of shape`,
    remedy: `Move it under ${v.edge}, or remove one of them.`,
  }),
  'nothing-to-work-into': (v: { round: string; places: string; side: string }) => ({
    what: `${v.round} goes into ${v.places}, and the round below has none that fit on ${onSide(v.side)}`,
    remedy: `Add a round that makes ${v.places} before it.`,
  }),
  'tape-disagrees': (v: { computed: number; unit: string; measured: number }) => ({
    what: `your rows say ${v.computed} ${v.unit}, your tape says ${v.measured} ${v.unit}`,
    remedy: 'Count the rows and measure again, without stretching.',
  }),
  'opposite-differ': (v: { sides: string; difference: number }) => ({
    what: `sides ${v.sides} differ by ${v.difference} stitches`,
    remedy: 'Opposite sides of the base round should hold the same count.',
  }),
} satisfies Sentences;

export const planProblem = raising(PLAN_PROBLEMS);

/** Whether a problem is one of these. */
export const isPlanProblem = (
  { code }: Problem,
  ...codes: readonly (keyof typeof PLAN_PROBLEMS)[]
): boolean => (codes as readonly string[]).includes(code);
