/** A plan as plain data for other programs: rounded numbers with their units in their names. */
import { held } from '../core/held.ts';
import { placementWords } from '../core/print/run.ts';
import { fitHem } from '../core/fit/open.ts';
import { planComesOutEven, isWholeAndEven, leftOut, type Plan } from '../core/plan/types.ts';
import { factsOf } from '../core/rounds/facts.ts';
import { FAMILIES } from '../core/rounds/registry.ts';
import { growthWords, needsWords } from '../core/rounds/familyWords.ts';
import { plural, rangeWords, sizeWords, yarnLengthWords } from '../core/say/measures.ts';
import { countsLine } from '../core/print/steps/roundWords.ts';
import { solutionWords, wayOutWords } from '../core/fit/fitWords.ts';
import { plan as planOf } from '../core/plan/planner.ts';
import { stepWords } from '../core/work/stepWords.ts';
import { causeWords, outcomeWords, repairWords } from '../core/work/recountWords.ts';
import { workedUpTo } from '../core/work/progress.ts';
import { causesOf } from '../core/work/recount.ts';
import { repaired, repairsOf } from '../core/work/repairs.ts';
import { stepsOf, type Stride } from '../core/work/steps.ts';

const to = (digits: number, x: number): number => Number(x.toFixed(digits));

/** Output of `hem plan --json`. */
export function planReport(plan: Plan) {
  const metresPer100G = new Map(plan.yarns.map((y) => [y.yarn.id, y.yarn.metresPer100G]));
  const fit = fitHem(plan.hem);
  return {
    name: plan.hem.name,
    sides: plan.sides.map((side, i) => ({
      name: side.name,
      lengthCm: to(1, plan.body.outline.sides[i]!.lengthMm / 10),
      // Between the middles of its corners, as every count of a side is told.
      baseCount: side.count + side.corners,
      flatCount: to(1, side.flatCount + side.corners),
      spacings: side.spacings.map(({ id, label, count, strain }) => ({
        id,
        label,
        count: count + side.corners,
        strainPercent: to(2, strain * 100),
      })),
      placement: side.placement,
      placementWords: placementWords(side.placement, side.edge, plan.hem.preferences.language),
    })),
    rounds: plan.rounds.map((round) => ({
      number: round.number,
      name: round.name,
      yarn: round.yarnId,
      sides: round.sides.map((side, i) => ({
        name: plan.sides[i]!.name,
        count: side.tally.stitches,
        spaces: side.tally.spaces,
        strainPercent: to(2, side.strain * 100),
        over: side.fit?.over ?? 0,
      })),
      totalStitches: round.total,
      comesOutEven: round.even,
      yarnM: to(2, round.yarnM),
      yarnG: to(
        2,
        (round.yarnM * 100) / held(metresPer100G.get(round.yarnId), 'every round has a yarn of the hem'),
      ),
    })),
    finished: {
      widthCm: to(1, plan.finishedSize.widthMm / 10),
      heightCm: to(1, plan.finishedSize.heightMm / 10),
    },
    yarns: plan.yarns.map(({ yarn, quantity, ends }) => ({
      id: yarn.id,
      name: yarn.name,
      metres: to(1, quantity.metres),
      grams: to(1, quantity.grams),
      balls: quantity.balls,
      plusMinusPercent: quantity.spread * 100,
      ends,
    })),
    fit: {
      comesOutEven: isWholeAndEven(plan),
      standsInTheWay:
        fit.standsInTheWay === null ? null : (plan.rounds[fit.standsInTheWay + 1]?.name ?? null),
      freedBy: fit.freedBy ? wayOutWords(plan, fit.freedBy) : null,
      solutions: fit.solutions.map((s) => ({
        words: solutionWords(plan, s),
        counts: s.counts,
        changes: s.changes,
        quietChanges: s.quiet,
        corners: s.corners ?? {},
        cost: to(3, s.cost),
        lopsided: s.lopsided,
      })),
    },
  };
}

/** Output of `hem plan`: sides, rounds, size and yarn in a few lines, and how it can be made to come out even. */
export function planSummary(plan: Plan): string {
  const { preferences } = plan.hem;
  const out = leftOut(plan).length > 0;
  const even = planComesOutEven(plan);
  const fit = even ? null : fitHem(plan.hem);
  const lines = [
    plan.hem.name,
    `Piece ${sizeWords(plan.bodySize, preferences.length)}, with its border ${sizeWords(plan.finishedSize, preferences.length)}`,
    ...plan.rounds.map(
      (r) =>
        `${r.number === 0 ? 'Base round' : `Round ${r.number}: ${r.name.toLowerCase()}`}. ${countsLine(plan, r)}${r.even ? '' : ' Does not fit.'}`,
    ),
    ...plan.yarns
      .filter((y) => y.quantity.metres > 0)
      .map(
        ({ yarn, quantity }) =>
          `${yarn.name}: about ${yarnLengthWords(quantity.metres, preferences.length)}, ${rangeWords(quantity.grams, quantity.spread)} g, ${plural(quantity.balls, 'ball')}`,
      ),
    ...(out ? ['Some rounds cannot be worked and are left out.'] : []),
    even
      ? out
        ? 'All others fit.'
        : 'Every round fits.'
      : 'Some rounds do not fit. Any one of these makes them fit:',
    ...(fit?.solutions.slice(0, 5).map((s) => `  ${solutionWords(plan, s)}`) ?? []),
  ];
  return `${lines.join('\n')}\n`;
}

/** Output of `hem rounds --json`: all of it computed from what each family writes. */
export function familiesReport() {
  return FAMILIES.map((family) => {
    const facts = factsOf(family);
    const { needs, lopsidedNeeds, places } = facts;
    return {
      id: family.id,
      name: family.name,
      sitsOn: facts.sitsOn,
      needs: { on: needs.on, modulus: needs.modulus, remainder: needs.remainder, least: needs.least },
      lopsidedNeeds: lopsidedNeeds && {
        modulus: lopsidedNeeds.modulus,
        remainder: lopsidedNeeds.remainder,
        least: lopsidedNeeds.least,
      },
      roundsPerRepeat: family.roundsPerRepeat,
      repeatable: family.repeatable,
      stitchesOnSideAfter: { perPlace: to(4, facts.stitches.per), plus: to(4, facts.stitches.plus) },
      placesOnSideAfter: places && {
        of: facts.nextSitsOn,
        perPlace: to(4, places.per),
        plus: to(4, places.plus),
      },
      growsPerSide: places && places.per === 1 ? places.plus : null,
      edge: family.edge,
      words: `${needsWords(facts)}; ${growthWords(facts, family.edge)}`,
    };
  });
}

/** The steps of a round, a line each. */
export function stepsText(plan: Plan, round: number, stride: Stride): string {
  return stepsOf(plan, round, stride)
    .map((step) => {
      const { where, now, turn } = stepWords(plan, round, step, plan.hem.preferences.language);
      return `${where}${turn === null ? '' : `, ${turn}`}: ${now.join(' ')}\n`;
    })
    .join('');
}

/** Causes and repairs of a wrong count of one side of a round that has been made. */
export function recountReport(plan: Plan, number: number, side: number, found: number) {
  const round = plan.rounds[number]!;
  const begun = plan.rounds.filter((r) => r.number <= number && r.done === null);
  // What is counted has been made: whoever asks may not have kept a record.
  const record = begun.length > 0 ? workedUpTo(plan, number) : [];
  const hem = held(repaired(plan.hem, { deeds: record, edit: null }), 'it was offered for this record');
  const worked = planOf(hem);
  const made = worked.rounds[number]!.ring.made.length;
  const counts = round.sides.map((_, other) => (other === side ? found : null));
  const causes = causesOf(worked, number, counts, made);
  return {
    round: number,
    side: plan.sides[side]!.name,
    expected: round.sides[side]!.tally.stitches,
    found,
    causes: causes.map((cause) => ({
      ...cause.slip,
      effect: cause.effect,
      stitchesBack: cause.back,
      words: causeWords(worked, cause),
    })),
    repairs: repairsOf(worked, number, counts, made, causes).map((repair) => ({
      kind: repair.kind,
      round: repair.round,
      ripped: repair.price,
      uneven: repair.uneven,
      lies: repair.lies,
      shows: repair.shows,
      words: `${repairWords(worked, repair)}. ${outcomeWords(worked, repair)}`,
    })),
  };
}

export function recountText({
  side,
  expected,
  found,
  causes,
  repairs,
}: ReturnType<typeof recountReport>): string {
  const head = `Side ${side}: ${found} found, ${expected} expected.\n`;
  if (causes.length === 0) return `${head}Right.\n`;
  return `${head}What it may be:\n${causes.map((c) => `  ${c.words}\n`).join('')}What can be done:\n${repairs.map((r) => `  ${r.words}\n`).join('')}`;
}
