/** Where the hook goes: every kind of place, with a sample that shows it. */
import type { Preferences } from '../../core/document/hem.ts';
import type { Plan } from '../../core/plan/types.ts';
import { CROSSING_IDS, type CrossingId } from '../../core/base/crossings.ts';
import { abbreviation, stitchName, type Language, type StitchKind } from '../../core/terms/stitches.ts';
import { crossingName } from '../../core/words/baseRoundWords.ts';
import { blocks, cloth, clusters, motifs, partOf, roundOf, rows, sample } from './samples.ts';
import type { Landmark } from '../../core/chart/landmarks.ts';

export interface PlaceTopic {
  readonly name: (language: Language) => string;
  readonly words: (language: Language) => string;
  readonly sample: (preferences: Preferences) => Plan;
  /** The round whose places are dotted, and the part that is looked at. */
  readonly round: number;
  readonly part: Landmark['kind'];
  readonly side: number;
}

type RowStitch = Exclude<StitchKind, 'ch' | 'slst'>;

const EDGE = { round: 0, part: 'side', side: 0 } as const;
const ROW_ENDS = { round: 0, part: 'side', side: 1 } as const;

const rowEnds = (stitch: RowStitch, words: string): PlaceTopic => ({
  ...ROW_ENDS,
  name: (l) => `Row ends of ${stitchName(stitch, l)}`,
  words: () => words,
  sample: (p) => sample(p, rows(stitch)),
});

const AT_JOIN: Readonly<Record<CrossingId, string>> = {
  both: 'Two corner spaces with a seam between them, which leaves a dip: one stitch into each of the spaces.',
  three:
    'One stitch in each of the two spaces, and between them one with a leg in each, which draws the dip together.',
  together: 'One stitch with a leg in each of the two spaces; it draws the dip together.',
  tall: 'One taller stitch reaches down into the dip between the spaces and fills it.',
  seam: 'One stitch through the seam itself, where the motifs were joined.',
  skip: 'None: the dip is passed over. Whatever you choose, keep it the same at every seam; it mostly evens out over the next rounds.',
};

export const PLACES: readonly PlaceTopic[] = [
  {
    ...EDGE,
    name: () => 'Stitch tops',
    words: (l) =>
      `The last row of a piece. One ${abbreviation('sc', l)} in each, the hook under both loops of the V.`,
    sample: (p) => sample(p, rows('dc')),
  },
  {
    ...EDGE,
    side: 2,
    name: () => 'Foundation chain',
    words: () =>
      'The underside of the chain that the piece was begun with, one in each chain: take up the two strands that are free. With one loop only, a ridge is left that matches the other end.',
    sample: (p) => sample(p, rows('dc')),
  },
  {
    ...EDGE,
    side: 2,
    name: () => 'Stitches of row 1, round the foundation',
    words: () =>
      'The chain is not counted as a row: the hook goes round it into the foot of each stitch of row 1, and the chain is hidden inside.',
    sample: (p) => sample(p, rows('dc', 'stitches of row 1')),
  },
  rowEnds(
    'sc',
    'One in each row. Go into the side of the last stitch, under two strands of it, not into the gap beside it.',
  ),
  rowEnds('hdc', 'One in each row; on a loose edge three in every two rows.'),
  rowEnds(
    'dc',
    'Two in each row: one round or into the post near its foot, one near its top. Closer: three in every two rows. A turning chain counts as the post.',
  ),
  rowEnds('hhdc', 'As for a plain one of its height: one in each row, or three in every two.'),
  rowEnds('esc', 'One in each row: it is taller than it looks, so watch the flat zone.'),
  rowEnds('tr', 'Three in each row, spread along the post: near the foot, in the middle, near the top.'),
  rowEnds('dtr', 'Four in each row, or seven in every two.'),
  {
    ...EDGE,
    name: () => 'Clusters and the gaps between them',
    words: () =>
      'The edge of a motif of clusters: into each top and chain, between the stitches, or only into the gaps, as many as fill the width of the cluster.',
    sample: (p) => sample(p, clusters),
  },
  {
    ...EDGE,
    name: () => 'Blocks worked from corner to corner',
    words: (l) =>
      `There are no tops to speak of. One ${abbreviation('sc', l)} in each gap between two blocks, with chains across the block; the next round fills those chains.`,
    sample: (p) => {
      const made = sample(p, blocks);
      return sample(p, blocks, {
        base: { sides: made.hem.base.sides.map((s) => ({ ...s, school: 'loops' })) },
      });
    },
  },
  ...CROSSING_IDS.map((id): PlaceTopic => ({
    ...EDGE,
    part: 'join',
    name: (l) => `A seam between motifs: ${crossingName(id, 'sc', l)}`,
    words: () => AT_JOIN[id],
    sample: (p) => sample(p, motifs, { base: { crossing: id } }),
  })),
  {
    ...EDGE,
    name: () => 'Cloth or fleece',
    words: () =>
      'Into holes made at an even pitch, about ⅜ in (1 cm) from the edge; the stitch wraps the edge.',
    sample: (p) => sample(p, cloth),
  },
  {
    round: 1,
    part: 'corner',
    side: 0,
    name: () => 'A corner that is a stitch',
    words: () =>
      'Three in the middle stitch of the three before. The middle one is the next corner: put a marker into it as soon as it is made.',
    sample: (p) =>
      sample(p, rows('dc'), { base: { corner: 'three' }, rounds: [roundOf('plain', { corner: 'three' })] }),
  },
  {
    round: 1,
    part: 'corner',
    side: 0,
    name: () => 'A corner that is a chain space',
    words: () =>
      'Into the space, round the chains, never into a chain of its own: the same before and after the new chains.',
    sample: (p) =>
      sample(p, rows('dc'), {
        base: { corner: 'chain-2' },
        rounds: [roundOf('plain', { corner: 'chain-2' })],
      }),
  },
  {
    round: 2,
    part: 'side',
    side: 0,
    name: () => 'A chain space',
    words: () =>
      'The whole hook goes under the chains, so that the stitch hangs round them and can be slid along.',
    sample: (p) => sample(p, rows('dc'), { rounds: [roundOf('filet-mesh'), roundOf('fill-loops')] }),
  },
  {
    round: 2,
    part: 'side',
    side: 0,
    name: () => 'A gap',
    words: () => 'Between two groups, not into any stitch: the group below is left whole on either side.',
    sample: (p) => sample(p, rows('dc'), { rounds: [roundOf('cluster'), roundOf('gap-cluster')] }),
  },
  {
    round: 1,
    part: 'side',
    side: 0,
    name: () => 'A post',
    words: () =>
      'Round the upright of a stitch, from the front or from the back; its top is left free. A post stitch sinks by about a third of its height.',
    sample: (p) =>
      sample(p, rows('dc'), {
        base: { stitch: 'dc', corner: 'chain-2' },
        rounds: [roundOf('layered-posts')],
      }),
  },
];

/** What a sample looks at. */
export const lookAt = ({ round, part, side }: PlaceTopic, made: Plan): Landmark =>
  partOf(made, round, part, side);
