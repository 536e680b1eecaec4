/** Where the hook goes: every kind of place, with a sample that shows it. */
import type { Preferences } from '../../core/document/hem.ts';
import type { Plan } from '../../core/plan/types.ts';
import { CROSSING_IDS, type CrossingId } from '../../core/base/crossings.ts';
import { abbreviation, stitchName, type Language, type StitchKind } from '../../core/terms/stitches.ts';
import { inTerms } from '../../core/terms/words.ts';
import { crossingName } from '../../core/print/steps/baseRoundWords.ts';
import {
  blocksSample,
  clothSample,
  clusters,
  motifs,
  landmarkOf,
  roundOf,
  rowsSample,
  sample,
} from './samples.ts';
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
  sample: (p) => sample(p, rowsSample(stitch)),
});

const AT_JOIN: Readonly<Record<CrossingId, string>> = {
  both: 'Two corner spaces with a seam between them, which leaves a dip: 1 stitch in each of the spaces.',
  three:
    '1 stitch in each of the two spaces, and between them one with a leg in each, which pulls the dip together.',
  together: '1 stitch with a leg in each of the two spaces. It pulls the dip together.',
  tall: '1 taller stitch reaches down between the spaces and fills the dip.',
  seam: '1 stitch in the seam itself, where the motifs were joined.',
  skip: 'None: the seam is skipped. Whatever you choose, keep it the same at every seam.',
};

export const PLACE_TOPICS: readonly PlaceTopic[] = [
  {
    ...EDGE,
    name: () => 'Stitch tops',
    words: (l) =>
      `The last row of a piece. 1 ${abbreviation('sc', l)} in each, the hook under both loops of the V.`,
    sample: (p) => sample(p, rowsSample('dc')),
  },
  {
    ...EDGE,
    side: 2,
    name: () => 'Foundation chain',
    words: () =>
      'The underside of the chain that the piece was begun with, 1 in each chain: go under the two strands that are free. In one strand only, a ridge is left that matches the other end.',
    sample: (p) => sample(p, rowsSample('dc')),
  },
  {
    ...EDGE,
    side: 2,
    name: () => 'Stitches of row 1, around the foundation chain',
    words: () =>
      'The chain is not counted as a row. The hook goes around it, into the foot of each stitch of row 1, and the chain is hidden inside.',
    sample: (p) => sample(p, rowsSample('dc', 'stitches of row 1')),
  },
  rowEnds(
    'sc',
    '1 in each row. Go into the side of the end stitch, under two strands of it, not into the gap beside it.',
  ),
  rowEnds('hdc', '1 in each row; on a loose edge 3 in every 2 rows.'),
  rowEnds(
    'dc',
    '2 in each row: one into the post near its foot, one near its top. On a tight edge 3 in every 2 rows. A turning chain counts as the post.',
  ),
  rowEnds('hhdc', 'As for a plain one of its height: 1 in each row, or 3 in every 2.'),
  rowEnds('esc', '1 in each row. It is taller than it looks: watch whether the edge pulls in.'),
  rowEnds('tr', '3 in each row, spread along the post: near the foot, in the middle, near the top.'),
  rowEnds('dtr', '4 in each row, or 7 in every 2.'),
  {
    ...EDGE,
    name: () => 'Groups and the gaps between them',
    words: () =>
      'The edge of a motif of groups: in each stitch and chain, between the stitches, or only in the gaps, as many as fill the width of a group.',
    sample: (p) => sample(p, clusters),
  },
  {
    ...EDGE,
    name: () => 'C2C blocks',
    words: (l) =>
      `This edge has few stitches to work into. 1 ${abbreviation('sc', l)} in each gap between two blocks, with chains across the block; the next round fills those chain spaces.`,
    sample: (p) => {
      const made = sample(p, blocksSample);
      return sample(p, blocksSample, {
        base: { sides: made.hem.base.sides.map((s) => ({ ...s, school: 'loops' })) },
      });
    },
  },
  ...CROSSING_IDS.map((id): PlaceTopic => ({
    ...EDGE,
    part: 'join',
    name: (l) => `A motif seam: ${crossingName(id, 'sc', l)}`,
    words: (l) => inTerms(AT_JOIN[id], l),
    sample: (p) => sample(p, motifs, { base: { crossing: id } }),
  })),
  {
    ...EDGE,
    name: () => 'Cloth or fleece',
    words: () =>
      'Into holes spread out evenly, about ⅜ in (1 cm) from the edge; the stitch wraps the edge. Make the holes before you start, and test one on a scrap.',
    sample: (p) => sample(p, clothSample),
  },
  {
    round: 1,
    part: 'corner',
    side: 0,
    name: () => 'A corner that is a stitch',
    words: () =>
      '3 in the middle stitch of the three before. The middle one is the next corner: mark it as soon as it is made.',
    sample: (p) =>
      sample(p, rowsSample('dc'), {
        base: { corner: 'three' },
        rounds: [roundOf('plain', { corner: 'three' })],
      }),
  },
  {
    round: 1,
    part: 'corner',
    side: 0,
    name: () => 'A corner that is a chain space',
    words: () =>
      'In the space, around the chains, never into a chain itself: the same before and after the new chains.',
    sample: (p) =>
      sample(p, rowsSample('dc'), {
        base: { corner: 'chain-2' },
        rounds: [roundOf('plain', { corner: 'chain-2' })],
      }),
  },
  {
    round: 2,
    part: 'side',
    side: 0,
    name: () => 'A chain space',
    words: () => 'The whole hook goes under the chains: the stitch hangs around them and can be slid along.',
    sample: (p) => sample(p, rowsSample('dc'), { rounds: [roundOf('filet-mesh'), roundOf('fill-loops')] }),
  },
  {
    round: 2,
    part: 'side',
    side: 0,
    name: () => 'A gap',
    words: () => 'Between two groups, not into any stitch: the group below is left whole on either side.',
    sample: (p) => sample(p, rowsSample('dc'), { rounds: [roundOf('cluster'), roundOf('gap-cluster')] }),
  },
  {
    round: 1,
    part: 'side',
    side: 0,
    name: () => 'A post',
    words: () =>
      'Around the upright of a stitch, from the front or from the back; its top is left free. A post stitch sinks by about a third of its height.',
    sample: (p) =>
      sample(p, rowsSample('dc'), {
        base: { stitch: 'dc', corner: 'chain-2' },
        rounds: [roundOf('layered-posts')],
      }),
  },
];

/** Part of a sample to look at. */
export const lookAt = ({ round, part, side }: PlaceTopic, made: Plan): Landmark =>
  landmarkOf(made, round, part, side);
