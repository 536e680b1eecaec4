import { isDisc } from '../../core/piece/outline.ts';
import { performed } from '../../core/edits/edit.ts';
import { takeSolution } from '../../core/fit/apply.ts';
import { changesNothing, type Fit, type FitSolution, type WayOut } from '../../core/fit/fit.ts';
import { comesOutEven, type Plan } from '../../core/plan/types.ts';
import type { Hem } from '../../core/document/hem.ts';
import { solutionWords, wayOutWords } from '../../core/words/fitWords.ts';
import { memo, useState } from 'react';
import { useHemStore } from '../hem/context.ts';
import { useWorked } from '../workers/useWorked.ts';
import './fitList.css';

export interface FitListProps {
  readonly plan: Plan;
  /** The plan is no longer the newest: the page is about to show another. */
  readonly stale: boolean;
  /** The hem with a solution that is being looked at; null when none is. */
  readonly onPreview: (hem: Hem | null) => void;
}

/** The ways in which every round comes out even, best first; looked at on hover, taken on click. */
export const FitList = memo(function FitList({ plan, stale, onPreview }: FitListProps) {
  const store = useHemStore();
  const { value, pending: working, failed } = useWorked('fit', plan.hem);
  const pending = stale || working;
  // While another answer is worked, the last one is shown with the plan that it is about.
  const [told, setTold] = useState<{ readonly fit: Fit; readonly about: Plan } | null>(null);
  if (value && !working && !failed && told?.fit !== value) setTold({ fit: value, about: plan });
  const { fit = null, about = plan } = told ?? {};
  const stack = about.rounds.slice(1).map((r) => r.written!);
  const preview = (s: FitSolution): void => {
    if (pending) return;
    const outcome = performed(plan.hem, takeSolution(stack, s));
    onPreview(outcome.ok ? outcome.value : null);
  };
  const take = (s: FitSolution): void => {
    onPreview(null);
    store.do(takeSolution(stack, s, solutionWords(about, s)));
  };
  const asItIs = comesOutEven(plan);
  const [only] = fit?.solutions ?? [];
  const nothingElse = fit?.solutions.length === 1 && changesNothing(only!) && only!.worst?.verdict === 'flat';
  return (
    <section className="fit" aria-label="Fit" aria-busy={pending}>
      <h2>Fit {pending && <span className="quiet small">working …</span>}</h2>
      <p className={asItIs ? 'quiet small' : 'odd small'}>
        {asItIs
          ? nothingElse
            ? 'Every round fits. Nothing to change.'
            : 'Every round fits.'
          : 'Some rounds do not fit yet. Choose a small change:'}
      </p>
      {failed && <p className="problem small">The fit could not be worked out. Your hem is safe.</p>}
      {fit?.givenUp && !failed && (
        <p className="quiet small">This border is too large for a fit to be looked for.</p>
      )}
      {fit && !failed && !fit.givenUp && fit.solutions.length === 0 && (
        <p className="problem">
          No small change makes every round fit.{' '}
          {fit.standsInTheWay !== null && inTheWay(about, fit.standsInTheWay, fit.freedBy ?? null)}
        </p>
      )}
      {fit && !failed && fit.solutions.length > 0 && !nothingElse && (
        <ol className="fit-list">
          {fit.solutions.map((s) => {
            const words = solutionWords(about, s);
            return (
              <li key={words}>
                <button
                  type="button"
                  className={changesNothing(s) ? 'fit-solution here' : 'fit-solution'}
                  disabled={pending}
                  onClick={() => take(s)}
                  onPointerEnter={() => preview(s)}
                  onPointerLeave={() => onPreview(null)}
                  onFocus={() => preview(s)}
                  onBlur={() => onPreview(null)}
                >
                  <span>{words}.</span>
                  <span className="quiet small">
                    {flatWords(s, about)}
                    {s.lopsided && ' One repeat sits off center.'}
                  </span>
                </button>
              </li>
            );
          })}
        </ol>
      )}
    </section>
  );
});

function inTheWay(plan: Plan, round: number, freedBy: WayOut | null): string {
  const told = plan.rounds[round + 1];
  if (!told) return '';
  return `${told.name} (round ${told.number}) stands in the way. ${freedBy ? wayOutWords(plan, freedBy) : 'Take it off, or change what comes before it.'}`;
}

/** How flat the border lies with a solution, and where it does so least. */
function flatWords({ worst }: FitSolution, plan: Plan): string {
  if (!worst || worst.verdict === 'flat') return 'Lies flat.';
  const corners = !isDisc(plan.body.outline);
  const round = worst.round === 0 ? 'the base round' : `round ${worst.round}`;
  const where = `most in ${round}${corners ? ` on side ${plan.sides[worst.side]!.name}` : ''}`;
  if (worst.verdict === 'blocks out') return `Flattens with blocking, ${where}.`;
  return `${worst.verdict === 'ripples' ? 'Ripples' : 'Pulls in'}, ${where}.`;
}
