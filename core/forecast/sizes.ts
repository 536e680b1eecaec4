/** Ways to make a piece so large: plain rounds, which add the same on every side. */
import { isPlanProblem } from '../plan/problems.ts';
import type { RoundEntry } from '../document/hem.ts';
import { addRounds, asWorkedOn, chooseRound } from '../edits/rounds.ts';
import type { Edit } from '../edits/edit.ts';
import { createPlanner } from '../plan/planner.ts';
import type { Plan } from '../plan/types.ts';
import { plain } from '../rounds/plain.ts';
import { newEntry } from '../stack/stack.ts';
import { edgeOf, waysIn } from './nextRound.ts';

type Stitch = RoundEntry['stitch'];

/** Plain rounds of a stitch, so many in all in the entry that is grown, and the blocked size that they come to. */
export interface SizeWay {
  readonly stitch: Stitch;
  /** Id of the entry; null for a new one. */
  readonly entry: string | null;
  readonly times: number;
  readonly widthMm: number;
  readonly heightMm: number;
  /** The measures that it comes nearest to. */
  readonly meets: readonly ('width' | 'height')[];
}

const STITCHES: readonly Stitch[] = ['sc', 'hdc', 'dc'];
const MOST_TIMES = 100;

/** The outermost entry of plain rounds that nothing has been done of: edges stay on top of what is grown. */
function grownEntry({ hem, rounds }: Plan): RoundEntry | null {
  const begun = new Set(rounds.flatMap((r) => (r.done && r.written ? [r.written.entry.id] : [])));
  return hem.rounds.findLast((e) => e.family === plain.id && !begun.has(e.id)) ?? null;
}

/** The border with a way taken. @param id of the entry, when it is a new one */
export function takeSize(plan: Plan, way: Pick<SizeWay, 'stitch' | 'entry' | 'times'>, id: string): Edit {
  const entry = plan.hem.rounds.find((e) => e.id === way.entry);
  if (entry) return chooseRound(entry, `${way.times} times`, { stitch: way.stitch, times: way.times });
  const added = {
    ...asWorkedOn(plan.hem.base, newEntry(plain, id, plan.rounds[plan.rounds.length - 1]!.yarnId)),
    stitch: way.stitch,
    times: way.times,
  };
  const [where] = waysIn(plan, plain);
  return addRounds('plain rounds for the size', [added], where, edgeOf(plan)?.id ?? null);
}

/**
 * For each stitch the number of plain rounds that comes nearest to a wanted width, and the one that comes nearest to a wanted
 * height. The border adds the same both ways, so that one number seldom meets both.
 *
 * @param widthMm of the blocked piece with its border, mm; as is the height
 */
export function waysToSize(plan: Plan, widthMm: number, heightMm: number): readonly SizeWay[] {
  if (waysIn(plan, plain).length === 0 && !grownEntry(plan)) return [];
  const entry = grownEntry(plan);
  const planner = createPlanner();
  return STITCHES.flatMap((stitch) => {
    const sizeAt = (times: number): Plan['blockedSize'] | null => {
      const outcome = takeSize(plan, { stitch, entry: entry?.id ?? null, times }, 'grown').on(plan.hem);
      if (!outcome.ok) return null;
      const made = planner(outcome.value);
      return made.problems.some((p) => isPlanProblem(p, 'round-too-large')) ? null : made.blockedSize;
    };
    const one = sizeAt(1);
    const two = sizeAt(2);
    if (!one || !two) return [];
    const ways = (['width', 'height'] as const).flatMap((measure): readonly SizeWay[] => {
      const of = (size: Plan['blockedSize']): number => (measure === 'width' ? size.widthMm : size.heightMm);
      const wanted = measure === 'width' ? widthMm : heightMm;
      const times = 1 + Math.round((wanted - of(one)) / (of(two) - of(one)));
      if (times < 1 || times > MOST_TIMES) return [];
      const size = sizeAt(times);
      return size ? [{ stitch, entry: entry?.id ?? null, times, ...size, meets: [measure] }] : [];
    });
    const [first, second] = ways;
    return first && first.times === second?.times
      ? [{ ...first, meets: ['width', 'height'] as const }]
      : ways;
  });
}
