import { useMemo } from 'react';
import type { FitSolution } from '../../core/fit/fit.ts';
import { fitPlan, type Plan } from '../../core/plan.ts';
import { useHemStore } from '../hem/context.ts';
import './fitList.css';

export interface FitListProps {
  readonly plan: Plan;
  readonly onPreview: (counts: readonly number[] | null) => void;
}

/** The ways in which every round comes out even, best first; looked at on hover, taken on click. */
export function FitList({ plan, onPreview }: FitListProps) {
  const store = useHemStore();
  const fit = useMemo(() => fitPlan(plan), [plan]);
  const take = (s: FitSolution): void => {
    onPreview(null);
    store.edit(`fit: ${s.words}`, (d) => {
      s.changes.forEach((change, i) => {
        if (change !== 0) d.base.sides[i]!.count = s.counts[i]!;
      });
    });
  };
  return (
    <section className="fit" aria-label="Fit">
      <h2>Fit</h2>
      {fit.solutions.length === 0 ? (
        <p className="problem">
          No count near the flat one lets every round come out even.{' '}
          {fit.standsInTheWay !== null &&
            `${plan.rounds[fit.standsInTheWay + 1]!.name} (round ${fit.standsInTheWay + 1}) stands in the way: move it, change its corner, or put a plain round before it.`}
        </p>
      ) : (
        <ol className="fit-list">
          {fit.solutions.map((s) => {
            const here = s.changes.every((c) => c === 0);
            return (
              <li key={s.counts.join(' ')}>
                <button
                  type="button"
                  className={here ? 'fit-solution here' : 'fit-solution'}
                  onClick={() => take(s)}
                  onPointerEnter={() => onPreview(s.counts)}
                  onPointerLeave={() => onPreview(null)}
                  onFocus={() => onPreview(s.counts)}
                  onBlur={() => onPreview(null)}
                >
                  <span>{s.words}</span>
                  <span className="quiet small">
                    {distanceWords(s, plan)}
                    {s.lopsided && ', one motif off centre'}
                  </span>
                </button>
              </li>
            );
          })}
        </ol>
      )}
    </section>
  );
}

/** How far a solution is from the flat count, on the side where it is farthest. */
function distanceWords(s: FitSolution, plan: Plan): string {
  const worst = s.counts.reduce(
    (far, count, i) => {
      const flat = plan.sides[i]!.flatCount;
      const off = (count - flat) / flat;
      return Math.abs(off) > Math.abs(far.off) ? { off, name: plan.sides[i]!.name } : far;
    },
    { off: 0, name: '' },
  );
  return `at most ${Math.abs(worst.off * 100).toFixed(1)} % from flat (${worst.name})`;
}
