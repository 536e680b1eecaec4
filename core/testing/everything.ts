/** Everything that is told of a plan, so that a test can see that all of it can be told. */
import { csvText } from '../document/csv.ts';
import { edgeChartOf } from '../chart/edgeChart.ts';
import { bodyOutline, chartOf } from '../chart/chart.ts';
import { landmarksOf } from '../chart/landmarks.ts';
import { fitHem } from '../fit/open.ts';
import { evenCounts } from '../fit/task.ts';
import * as alternatives from '../forecast/alternatives.ts';
import { waysToSize } from '../forecast/sizes.ts';
import { ballEnds, supplyOf } from '../forecast/supply.ts';
import type { Plan } from '../plan/types.ts';
import { problemLine } from '../problems.ts';
import { patternMarkdown, patternText } from '../print/patternText.ts';
import { writtenPattern } from '../print/steps/pattern.ts';
import { entryWords } from '../print/stitchWords.ts';
import { countsCsv, yarnCsv } from '../plan/tables.ts';
import { estimatesOf } from '../evidence/estimates.ts';
import { foundOf } from '../log/found.ts';
import { allRestsOn, yarnRestsOn, yarnSuretyWords } from '../evidence/estimateWords.ts';
import { compareBorders } from '../forecast/borders.ts';

/** Everything that is told of a plan, by what it is. @param thorough also what takes a while: the fit and the forecasts */
export function everythingOf(plan: Plan, thorough: boolean): Readonly<Record<string, unknown>> {
  const { hem } = plan;
  const last = plan.rounds[plan.rounds.length - 1]!;
  const told: Record<string, unknown> = {
    plan: { ...plan, hem: null, body: null, rounds: null },
    rounds: plan.rounds.map((r) => ({ ...r, ring: null, written: null })),
    problems: plan.problems.map(problemLine),
    charts: chartOf(plan),
    outline: bodyOutline(plan),
    edge: edgeChartOf(plan.body, last.heightMm),
    landmarks: plan.rounds.map((r) => landmarksOf(plan, r.number)),
    us: patternText(writtenPattern(plan, 'us')),
    uk: patternMarkdown(writtenPattern(plan, 'uk')),
    counts: countsCsv(plan),
    yarn: yarnCsv(plan),
    name: csvText([[hem.name]]),
    stitch: last.ring.made.length === 0 ? null : entryWords(plan, last.number, 0, hem.preferences.language),
    ends: ballEnds(plan),
    supplies: plan.yarns.map(supplyOf),
    borders: compareBorders(hem),
    estimates: estimatesOf(plan),
    rests: [allRestsOn(plan), yarnSuretyWords(plan), ...plan.yarns.map(yarnRestsOn)],
    found: foundOf(plan),
  };
  if (!thorough) return told;
  return {
    ...told,
    fit: fitHem(hem),
    even: plan.sides.map((_, side) => evenCounts(plan, side)),
    rest: alternatives.roundsFromRest(plan, hem.yarns[0]!.id, 100),
    others: alternatives.otherEdges(plan),
    shows: alternatives.firstToShow(plan),
    corners: alternatives.compareCorners(plan, 'hdc', 6),
    spacings: alternatives.compareSpacings(plan, 'hdc', 6),
    sizes: waysToSize(plan, plan.blockedSize.widthMm + 30, plan.blockedSize.heightMm + 60),
  };
}

/** Where something is told that is no number and no word: NaN, Infinity, “undefined” in a text. Paths, at most ten. */
export function nonsenseIn(value: unknown): readonly string[] {
  const found: string[] = [];
  const seen = new Set<object>();
  const visit = (at: string, v: unknown): void => {
    if (found.length >= 10) return;
    if (typeof v === 'number') {
      if (!Number.isFinite(v)) found.push(`${at} is ${v}`);
    } else if (typeof v === 'string') {
      const odd = /undefined|NaN|Infinity|\[object|null/.exec(v);
      if (odd) found.push(`${at} says “${v.slice(Math.max(0, odd.index - 60), odd.index + 30)}”`);
    } else if (ArrayBuffer.isView(v)) {
      const bad = (v as Float32Array).findIndex((x) => !Number.isFinite(x));
      if (bad >= 0) found.push(`${at}[${bad}] is ${(v as Float32Array)[bad]}`);
    } else if (v instanceof Map || v instanceof Set) {
      for (const [key, item] of v.entries()) visit(`${at}/${String(key)}`, item);
    } else if (typeof v === 'object' && v !== null && !seen.has(v)) {
      seen.add(v);
      for (const [key, item] of Object.entries(v)) visit(at === '' ? key : `${at}.${key}`, item);
    }
  };
  visit('', value);
  return found;
}
