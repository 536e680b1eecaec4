/** One stitch of a border in words: where it stands, what it is, and what it sits in. */
import { capital } from '../terms/words.ts';
import { roundWords } from '../say/rounds.ts';
import { roundIn, saidOfRows } from '../plan/roundNames.ts';
import { isDisc } from '../piece/outline.ts';
import { ordinal } from '../say/lists.ts';
import { endSpot } from '../piece/along.ts';
import { cornerOfEdge } from './placeWords.ts';
import { spotNumber } from './run.ts';
import { LOOPS } from '../terms/places.ts';
import { spotNoun } from '../base/spacings.ts';
import { spotOf } from '../procedure/place.ts';
import type { Plan, RoundPlan } from '../plan/types.ts';
import { IN_NOTHING, entryOf, isGap, sideCount, sideSpan, type Ring } from '../ring/ring.ts';
import { countsAsStitch, isChainRun, type Stitch } from '../ring/stitch.ts';
import { stitchName, type Language } from '../terms/stitches.ts';

/** Where the hook goes when it is not under both loops. */
const inLoop = (loop: Stitch['loop']): string => (loop === 'both' ? '' : ` in the ${LOOPS[loop].name}`);
/** A stitch in full words: “front-post double crochet”, “half double crochet in the third loop”. */
export function stitchWords(stitch: Stitch, language: Language): string {
  const name = stitchName(stitch.kind, language);
  switch (stitch.form) {
    case 'picot':
      return `picot of ${stitch.chains} chains`;
    case 'dot':
    case 'tassel':
    case 'cord':
    case 'puff':
      return stitch.form;
    case 'popcorn':
    case 'bobble':
      return `${stitch.form} of ${stitch.legs} × ${name}`;
    case 'together':
      return `${name} ${stitch.legs} together${inLoop(stitch.loop)}`;
    case 'reverse':
    case 'twisted':
      return `${stitch.form} ${name}`;
    case 'plain':
      if (isChainRun(stitch)) return `${stitch.chains} ${stitch.chains === 1 ? 'chain' : 'chains'}`;
      return `${stitch.post === 'none' ? '' : `${stitch.post}-post `}${name}${inLoop(stitch.loop)}`;
  }
}

export interface EntryWords {
  /** “Round 3, side B, 41st of 214” */
  readonly where: string;
  /** “half double crochet” */
  readonly what: string;
  /** “in a single crochet of the base round”; empty for what sits in nothing. */
  readonly into: string;
}

/**
 * @param round number of the worked round, the base round 0
 * @param entry of its ring
 */
export function entryWords(plan: Plan, round: number, entry: number, language: Language): EntryWords {
  const worked = plan.rounds[round]!;
  return {
    where: `${capital(saidOfRows(plan)(roundWords(round)))}, ${placeWords(plan, worked, entry)}`,
    what: stitchWords(worked.ring.made[entry]!, language),
    into: intoWords(plan, worked, entry, language),
  };
}

function placeWords(plan: Plan, { ring, sides }: RoundPlan, entry: number): string {
  const size = ring.made.length;
  for (const [corner, centre] of ring.centres.entries()) {
    if ((entry - centre.start + size) % size < Math.max(1, centre.length)) {
      const before = plan.sides[(corner - 1 + plan.sides.length) % plan.sides.length]!.name;
      return `the middle of corner ${before}/${plan.sides[corner]!.name}`;
    }
  }
  const { side, number } = sideAt(ring, entry);
  const where = isDisc(plan.body.outline) ? 'all the way around' : `side ${plan.sides[side]!.name}`;
  if (!countsAsStitch(ring.made[entry]!))
    return number === 0 ? where : `${where}, after the ${ordinal(number)}`;
  return `${where}, ${ordinal(number)} of ${sides[side]!.tally.stitches}`;
}

/** The side that an entry stands on, and how many stitches of it there are up to and with the entry. */
function sideAt(ring: Ring, entry: number): { readonly side: number; readonly number: number } {
  const size = ring.made.length;
  for (let side = 0; side < sideCount(ring); side++) {
    const span = sideSpan(ring, side);
    const offset = (entry - span.start + size) % size;
    if (offset >= span.length) continue;
    let number = 0;
    for (let k = 0; k <= offset; k++) if (countsAsStitch(ring.made[(span.start + k) % size]!)) number++;
    return { side, number };
  }
  throw new RangeError(`entry ${entry} stands on no side`);
}

function intoWords(plan: Plan, { ring, onto }: RoundPlan, entry: number, language: Language): string {
  const place = ring.into[entry]!;
  if (place === IN_NOTHING) return '';
  if (onto < 0) return edgeWords(plan, place, language);
  const of = roundIn(plan, onto);
  if (isGap(place)) return `in a gap of ${of}`;
  const below = plan.rounds[onto]!.ring.made[entryOf(place)]!;
  if (isChainRun(below)) return `in the ch-${below.chains} space of ${of}`;
  const { post } = ring.made[entry]!;
  return `${post === 'none' ? 'in' : 'around the post of'} a ${stitchWords(below, language)} of ${of}`;
}

/** A spot of the body by the number that the maker counts it by. */
function edgeWords(plan: Plan, place: number, language: Language): string {
  const at = spotOf(plan, place);
  if (at.on === 'edge corner')
    return `in ${endSpot(plan.body, at.corner) ? cornerOfEdge(plan, at.corner) : (plan.body.cornerPlaces[at.corner] ?? 'the edge')}`;
  const edge = plan.body.edges[at.side]!;
  const number = spotNumber(edge, at.spot);
  return `in ${spotNoun(edge.spots[at.spot]!, language)} ${number} of ${plan.sides[at.side]!.name}`;
}
