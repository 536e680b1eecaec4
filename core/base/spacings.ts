/**
 * The spacings of the base round: how many stitches each kind of spot takes. Every spacing is a rate for each
 * spot; its count is their sum, and its basis says what that sum is made of.
 */
import { held } from '../held.ts';
import { abbreviation, type Language, type StitchKind } from '../terms/stitches.ts';
import type { Edge, Spot, SpotKind } from '../piece/edge.ts';
import { WORDS } from '../terms/words.ts';
import { SPACING_IDS, type SpacingId } from './spacingIds.ts';
import type { OwnRate, RowRates } from './baseRound.schema.ts';

export type { SpacingId } from './spacingIds.ts';
export type { OwnRate } from './baseRound.schema.ts';

/** Stitches in a row end, by the kind of row: the full rate, and the closer one that some prefer. */
const FULL: Partial<Record<StitchKind, number>> = { dc: 2, tr: 3, dtr: 4 };
const CLOSER: Partial<Record<StitchKind, number>> = { hdc: 1.5, hhdc: 1.5, dc: 1.5, tr: 2.5, dtr: 3.5 };

/** A table that is common among practitioners. */
export const USUAL_RATES: RowRates = { slst: 1, sc: 1, esc: 1, hdc: 1.5, hhdc: 1.5, dc: 2, tr: 3, dtr: 4 };

/** Choices of the maker that bear on the rates of a side. */
export interface RateChoices {
  readonly own: OwnRate;
  readonly rates: RowRates;
  readonly endRows: 'added' | 'own';
}

/** A spacing: where it applies, its rate for a spot, and the rule that its flag on the count line says. */
interface Spacing {
  readonly applies: (edge: Edge) => boolean;
  readonly rate: (spot: Spot, edge: Edge, stitchWidthMm: number, choices: RateChoices) => number;
  readonly label: (edge: Edge, choices: RateChoices, stitchWidthMm: number, language: Language) => string;
}

const has = (edge: Edge, ...kinds: readonly SpotKind[]): boolean =>
  edge.spots.some((s) => kinds.includes(s.kind));

/** Places of knitting that stand closer than a border’s stitches. */
const KNITTED = ['bound-off stitch', 'cast-on stitch', 'ridge', 'knit row end'] as const;
/** Nothing but the spaces between the posts of a row. */
const betweenPosts = (edge: Edge): boolean =>
  edge.spots.length > 0 && edge.spots.every((s) => s.kind === 'between stitches');

const isJoin = (spot: Spot): boolean => spot.kind === 'corner space' || spot.kind === 'seam';

/** Stitches that a gap between clusters takes so that they fill its cluster's length: at least one. */
const gapFill = (edge: Edge, stitchWidthMm: number): number =>
  Math.max(1, Math.round(edge.measuredMm / Math.max(1, countOf(edge, 'gap')) / stitchWidthMm));

const countOf = (edge: Edge, kind: SpotKind): number => edge.spots.filter((s) => s.kind === kind).length;

const SPACINGS: Readonly<Record<SpacingId, Spacing>> = {
  each: {
    applies: (edge) =>
      edge.spots.every((s) => s.kind !== 'block' && s.kind !== 'knit row end') && !betweenPosts(edge),
    rate: (spot) => {
      if (spot.kind === 'row end')
        return FULL[held(spot.stitch, 'row ends, tops and posts have a stitch')] ?? 1;
      if (spot.kind === 'gap') return held(spot.chains, 'a space has chains');
      return spot.kind === 'between stitches' || isJoin(spot) ? 0 : 1;
    },
    label: (edge) =>
      has(edge, 'gap') ? 'each stitch and chain' : rowEndLabel(edge, FULL, 'usual for each row'),
  },
  'three in four': {
    applies: (edge) => has(edge, ...KNITTED),
    rate: () => 3 / 4,
    label: () => '3 in 4',
  },
  'two in three': {
    applies: (edge) => has(edge, 'bound-off stitch', 'cast-on stitch', 'knit row end'),
    rate: () => 2 / 3,
    label: () => '2 in 3',
  },
  'one in two': {
    applies: (edge) => has(edge, 'knit row end'),
    rate: () => 1 / 2,
    label: () => '1 in 2',
  },
  halves: {
    applies: (edge) =>
      edge.spots.some(
        (s) =>
          s.kind === 'row end' &&
          CLOSER[held(s.stitch, 'row ends, tops and posts have a stitch')] !== undefined,
      ),
    rate: ({ stitch }) => (stitch && CLOSER[stitch]) ?? 1,
    label: (edge) => rowEndLabel(edge, CLOSER, '3 in 2 of the taller rows'),
  },
  kinds: {
    applies: (edge) => has(edge, 'row end'),
    rate: ({ stitch }, _, __, { rates }) => rates[stitch as keyof RowRates] ?? 1,
    label: () => 'by your table',
  },
  between: {
    applies: (edge) => has(edge, 'between stitches'),
    rate: ({ kind }) => (kind === 'between stitches' || kind === 'gap' ? 1 : 0),
    label: (edge) => (betweenPosts(edge) ? '1 in each space' : 'between the stitches'),
  },
  gaps: {
    applies: (edge) => has(edge, 'gap'),
    rate: ({ kind }, edge, width) => (kind === 'gap' ? gapFill(edge, width) : 0),
    label: (edge, _, width) => `${gapFill(edge, width)} in each gap`,
  },
  clusters: {
    applies: (edge) => has(edge, 'gap'),
    rate: ({ kind }, edge) =>
      kind === 'gap' ? held(edge.clusterStitches, 'an edge of groups has a number of stitches in each') : 0,
    label: () => 'a group in each gap',
  },
  loops: {
    applies: (edge) => edge.loopChains !== undefined,
    rate: ({ kind }) => (kind === 'block gap' ? 1 : 0),
    label: (edge) => `1 in each gap, ch ${edge.loopChains} between`,
  },
  gauge: {
    applies: () => true,
    rate: (spot, _, width) => (isJoin(spot) ? 0 : spot.lengthMm / width),
    label: (_, __, ___, language) => `by ${WORDS[language].gauge}`,
  },
  own: {
    applies: () => true,
    rate: (spot, _, __, { own }) => (isJoin(spot) || spot.lengthMm === 0 ? 0 : own.stitches / own.spots),
    label: (_, { own }) => `${own.stitches} in ${own.spots}`,
  },
};

/** Rates for every spot of an edge, in working order. Joins are crossed, not filled: their rate is 0. */
export function rates(
  school: SpacingId,
  edge: Edge,
  stitchWidthMm: number,
  choices: RateChoices,
): readonly number[] {
  const { rate } = SPACINGS[school];
  // By length every row takes its share, whoever has the corner.
  const covered = choices.endRows === 'own' && school !== 'gauge';
  const last = edge.spots.length - 1;
  return edge.spots.map((spot, i) => {
    const full = rate(spot, edge, stitchWidthMm, choices);
    const endRow = covered && spot.kind === 'row end' && (i === 0 || i === last);
    return endRow ? Math.max(0, full - 1) : full;
  });
}

/** The spacings that apply to an edge, the plainest first. */
export const spacingsFor = (edge: Edge): readonly SpacingId[] =>
  SPACING_IDS.filter((id) => SPACINGS[id].applies(edge));

/** Spots of one kind that take the same rate. */
export interface BasisPart {
  readonly spots: number;
  readonly kind: SpotKind;
  readonly stitch: StitchKind | undefined;
  /** Of a corner of a motif, its chains; 0 for a stitch. */
  readonly chains: number | undefined;
  /** Stitches for each spot; may be a fraction, such as 1.5 for three in two. */
  readonly rate: number;
}

/** Parts of a spacing's count; spots that take nothing are left out. */
export function basis(edge: Edge, edgeRates: readonly number[]): readonly BasisPart[] {
  const parts: { -readonly [Key in keyof BasisPart]: BasisPart[Key] }[] = [];
  edge.spots.forEach((spot, i) => {
    const rate = edgeRates[i]!;
    if (rate === 0) return;
    const same = parts.find((p) => p.kind === spot.kind && p.stitch === spot.stitch && p.rate === rate);
    if (same) same.spots++;
    else parts.push({ spots: 1, kind: spot.kind, stitch: spot.stitch, chains: spot.chains, rate });
  });
  return parts;
}

/** Name of a kind of spot, where the code tells apart what to the eye is one thing. */
const NOUNS: Partial<Record<SpotKind, string>> = {
  'stitch top': 'stitch',
  'cluster stitch': 'stitch',
  'counted stitch': 'stitch',
  'block gap': 'gap',
  'knit row end': 'row end',
};

/** A kind of spot in words, for one or many. */
export function spotNoun(
  part: Pick<Spot, 'kind'> & Partial<Pick<BasisPart, 'stitch' | 'chains'>>,
  language: Language,
): string {
  if (part.kind === 'row end')
    return `${abbreviation(held(part.stitch, 'row ends, tops and posts have a stitch'), language)} row end`;
  if (part.kind === 'between stitches') return part.stitch ? 'space between posts' : 'space between stitches';
  if (part.kind === 'corner space' && part.chains === 0) return 'corner stitch';
  return NOUNS[part.kind] ?? part.kind;
}

/** A spacing's rule as a flag on the count line says it. */
export const spacingLabel = (
  school: SpacingId,
  edge: Edge,
  choices: RateChoices,
  stitchWidthMm: number,
  language: Language,
): string => SPACINGS[school].label(edge, choices, stitchWidthMm, language);

function rowEndLabel(edge: Edge, table: Partial<Record<StitchKind, number>>, mixed: string): string {
  const kinds = new Set(
    edge.spots
      .filter((s) => s.kind === 'row end')
      .map((s) => held(s.stitch, 'row ends, tops and posts have a stitch')),
  );
  if (kinds.size === 0) return '1 in each';
  if (kinds.size > 1) return mixed;
  const only = table[[...kinds][0]!] ?? 1;
  return Number.isInteger(only) ? `${only} in each` : `${only * 2} in 2 rows`;
}
