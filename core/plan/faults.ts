/** Faults of a plan and their remedies. */
import { planProblem } from './problems.ts';
import type { Body } from '../piece/edge.ts';
import { isDisc } from '../piece/outline.ts';
import { outlineProblems, type Piece } from '../piece/piece.ts';
import { oppositeSides } from '../piece/symmetry.ts';
import { inAll, type Problem, inRound } from '../problems.ts';
import { isPlainPattern, sidePattern } from '../ring/recipe.ts';
import { endStitches } from '../ring/ring.ts';
import { PLACE_NAMES } from '../terms/places.ts';
import { isEven, type RoundPlan, type SidePlan } from './types.ts';

const TAPE_TOLERANCE = 0.06;

interface ProblemInputs {
  readonly piece: Piece;
  readonly body: Body;
  readonly sides: readonly SidePlan[];
  readonly rounds: readonly RoundPlan[];
  readonly unit: 'cm' | 'in';
  /** Of rounds that cannot be read. */
  readonly ofStack: readonly Problem[];
  readonly stopped: Problem | null;
}

export function faultsOf({
  piece,
  body,
  sides,
  rounds,
  unit,
  ofStack,
  stopped,
}: ProblemInputs): readonly Problem[] {
  const problems: Problem[] = [...outlineProblems(piece, inAll('the piece'), unit)];
  const whole = (mm: number): number => Math.round(mm / (unit === 'cm' ? 10 : 25.4));
  const tape = body.edges.find((edge) => Math.abs(edge.computedMm / edge.measuredMm - 1) > TAPE_TOLERANCE);
  if (tape) {
    problems.push(
      planProblem('tape-disagrees', inAll('the piece'), {
        computed: whole(tape.computedMm),
        measured: whole(tape.measuredMm),
        unit,
      }),
    );
  }
  for (const [a, b] of oppositeSides(body)) {
    const difference = Math.abs(sides[a]!.count - sides[b]!.count);
    if (difference > 0) {
      const names = `${sides[a]!.name} and ${sides[b]!.name}`;
      problems.push(planProblem('opposite-differ', inAll('the base round'), { sides: names, difference }));
    }
  }
  for (const round of rounds) problems.push(...roundProblems(rounds, round, sides, isDisc(body.outline)));
  return [...problems, ...ofStack, ...(stopped ? [stopped] : [])];
}

/** Whether a stitch more in the base round is a place more for a round: so it is where all between them is plain. */
function basePasses(rounds: readonly RoundPlan[], round: RoundPlan): boolean {
  const intoStitches = (r: RoundPlan): boolean =>
    r.written?.sitsOn === 'stitch' || r.written?.sitsOn === 'post';
  if (!intoStitches(round)) return false;
  for (let below = rounds[round.onto]!; below.written; below = rounds[below.onto]!) {
    const { recipe } = below.written;
    if (recipe.scope !== 'side' || !isPlainPattern(sidePattern(recipe.side)) || !intoStitches(below))
      return false;
  }
  return true;
}

function roundProblems(
  rounds: readonly RoundPlan[],
  round: RoundPlan,
  sides: readonly SidePlan[],
  disc: boolean,
): readonly Problem[] {
  const { written } = round;
  if (!written) return [];
  const where = inRound(round.number);
  if (written.unknown) return [planProblem('round-unknown', where, {})];
  // Stitches into the lobes of an edge are pulled long, whatever their number.
  const below = rounds[round.onto]!.written;
  const onEdge: readonly Problem[] =
    below && below.edge !== 'straight' && written.sitsOn === 'stitch' && !written.recipe.surface
      ? [planProblem('on-an-edge', where, { round: round.name, edge: below.name.toLowerCase() })]
      : [];
  const wholeRing = written.recipe.scope === 'ring' || disc;
  const unfit = round.sides.slice(0, wholeRing ? 1 : undefined).flatMap(({ fit }, i) => {
    const side = wholeRing ? 'all the way around' : sides[i]!.name;
    if (!fit) return [];
    if (fit.stuck) {
      const places = PLACE_NAMES[written.sitsOn].long[1];
      return [planProblem('nothing-to-work-into', where, { round: round.name, side, places })];
    }
    if (fit.refused !== 0)
      return [planProblem('change-not-taken', where, { round: round.name, side, change: fit.refused })];
    if (isEven(fit)) return [];
    const { over, short } = fit;
    const ofEnds = written.sitsOn === 'stitch' || written.sitsOn === 'post' ? endStitches(round.ring, i) : 0;
    const count = fit.places + ofEnds;
    const places = PLACE_NAMES[written.sitsOn].long[1];
    const help = !basePasses(rounds, round)
      ? 'other'
      : over === 0 || fit.places < over
        ? 'more'
        : 'fewer or more';
    return [planProblem('not-even', where, { round: round.name, side, count, places, over, short, help })];
  });
  return [...onEdge, ...unfit];
}
