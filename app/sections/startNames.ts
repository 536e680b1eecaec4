/** Names of the ways to begin and to close rounds. */
import { held } from '../../core/held.ts';
import type { RoundStarts, StartHabits } from '../../core/base/start.ts';
import { stitchName, type Language } from '../../core/terms/stitches.ts';

type Where = Pick<RoundStarts, 'at' | 'join'>;

/** Where rounds can begin, and how their joins go on from there. */
export const PLACES: readonly (Where & { readonly name: string })[] = [
  { at: 'corner', join: 'climbing', name: 'in the corner, each round above the last' },
  { at: 'corner', join: 'centred', name: 'in the corner, each round at its middle' },
  { at: 'whole corner', join: 'climbing', name: 'the whole corner first, each round above the last' },
  { at: 'whole corner', join: 'centred', name: 'the whole corner first, in each round' },
  { at: 'before the space', join: 'centred', name: 'the stitch before the corner’s space, and that space' },
  { at: 'stitch of the corner', join: 'climbing', name: 'from one of the corner’s stitches on' },
  { at: 'before the corner', join: 'climbing', name: 'a few stitches before the corner' },
  { at: 'along the side', join: 'climbing', name: 'part of the way along the side' },
  { at: 'middle of the side', join: 'climbing', name: 'in the middle of the side' },
  { at: 'counted', join: 'climbing', name: 'so many stitches after the corner' },
];

/** Away from the corners a join always climbs. */
export const isPlace = (a: Where, b: Where): boolean =>
  a.at === b.at && (a.join === b.join || (a.at !== 'corner' && a.at !== 'whole corner'));

/** Ways to make the first stitch, in the terms of the maker. */
export const firstWays = (
  language: Language,
): { readonly value: RoundStarts['first']; readonly label: string }[] => [
  { value: 'usual', label: 'first stitch: usual' },
  { value: 'chain', label: 'first stitch: after a chain that does not count' },
  { value: 'counted chain', label: 'first stitch: a chain that counts, where it may' },
  {
    value: 'stacked',
    label: `first stitch: stacked ${stitchName('sc', language)}, for ${stitchName('dc', language)} and taller`,
  },
  {
    value: 'drawn up',
    label: `first stitch: from a loop drawn up, for ${stitchName('hdc', language)} and taller`,
  },
  { value: 'standing', label: 'first stitch: standing, where yarn is new' },
];

/** In place of a number of chains: as many as are usual for the stitch. */
export const USUAL = -1;
export const CHAINS = [
  { value: USUAL, label: 'chains: usual' },
  ...Array.from({ length: 9 }, (_, n) => ({ value: n, label: n === 0 ? 'no chain' : `chain ${n}` })),
];

type Choices<Key extends keyof RoundStarts> = { readonly value: RoundStarts[Key]; readonly label: string }[];

export const COLOUR: Choices<'colour'> = [
  { value: 'anew', label: 'new yarn: cut and joined anew' },
  { value: 'closing slip stitch', label: 'new yarn: as the slip stitch that closes the round before' },
  { value: 'last yarn over', label: 'new yarn: as the last yarn over of the round before' },
];

export const LAST_ROW: Choices<'lastRow'> = [
  { value: 'cut', label: 'yarn of the piece: cut' },
  { value: 'right side', label: 'yarn of the piece: on the hook, last row with the right side facing' },
  { value: 'wrong side', label: 'yarn of the piece: on the hook, last row with the wrong side facing' },
];
export const ON_THE_HOOK: Choices<'lastRow'> = [
  { value: 'cut', label: 'yarn of the piece: cut' },
  { value: 'right side', label: 'yarn of the piece: still on the hook' },
  { value: 'wrong side', label: 'yarn of the piece: still on the hook, the piece is turned' },
];

export const CLOSE: Choices<'close'> = [
  { value: 'slip stitch', label: 'rounds: closed with a slip stitch' },
  { value: 'stitch', label: 'rounds: a last chain space closed with a stitch' },
  { value: 'chain and stitch', label: 'rounds: … with chains and a lower stitch' },
  { value: 'spiral', label: 'rounds: not joined, in a spiral' },
];

export const ENDS: Choices<'ends'> = [
  { value: 'crocheted over', label: 'ends: crocheted over as you go' },
  { value: 'woven in', label: 'ends: all woven in at the end' },
];

export const ENDING: Choices<'ending'> = [
  { value: 'slip stitch', label: 'last round: closed with a slip stitch' },
  { value: 'needle', label: 'last round: closed with a needle, but for slip stitches' },
];

const labelOf = <T>(choices: readonly { readonly value: T; readonly label: string }[], value: T): string =>
  held(
    choices.find((c) => c.value === value),
    'every way has a name',
  ).label;

export const placeName = (where: Where): string =>
  held(
    PLACES.find((p) => isPlace(p, where)),
    'every start is at one of the places',
  ).name;

/** Habits, one after the other, as they are chosen. */
export const habitNames = (habits: StartHabits, language: Language): readonly string[] => [
  `start: ${placeName(habits)}`,
  labelOf(firstWays(language), habits.first),
  labelOf(CHAINS, habits.chains ?? USUAL),
  labelOf(COLOUR, habits.colour),
  ...(habits.within ? ['rounds may begin within a repeat'] : []),
  labelOf(CLOSE, habits.close),
  labelOf(ENDING, habits.ending),
  labelOf(ENDS, habits.ends),
];
