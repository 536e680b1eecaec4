import { performed } from '../../core/edits/edit.ts';
import { takeSolution } from '../../core/fit/apply.ts';
import { AS_IT_IS, type FitSolution } from '../../core/fit/fit.ts';
import { comesOutEven, type Plan } from '../../core/plan.ts';
import type { Hem } from '../../core/document/hem.ts';
import { useHemStore } from '../hem/context.ts';
import { useWorked } from '../workers/useWorked.ts';
import './fitList.css';

export interface FitListProps {
  readonly plan: Plan;
  /** The hem with a solution that is being looked at; null when none is. */
  readonly onPreview: (hem: Hem | null) => void;
}

/** The ways in which every round comes out even, best first; looked at on hover, taken on click. */
export function FitList({ plan, onPreview }: FitListProps) {
  const store = useHemStore();
  const { value: fit, pending, failed } = useWorked('fit', plan.hem);
  const stack = plan.rounds.slice(1).map((r) => r.written!);
  const preview = (s: FitSolution): void => {
    const outcome = performed(plan.hem, takeSolution(stack, s));
    onPreview(outcome.ok ? outcome.value : null);
  };
  const take = (s: FitSolution): void => {
    onPreview(null);
    store.do(takeSolution(stack, s));
  };
  const asItIs = comesOutEven(plan);
  const [only] = fit?.solutions ?? [];
  const nothingElse =
    fit?.solutions.length === 1 && only!.words === AS_IT_IS && only!.worst?.verdict === 'flat';
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
          {fit.standsInTheWay !== null && inTheWay(plan, fit.standsInTheWay, fit.freedBy ?? null)}
        </p>
      )}
      {fit && !failed && fit.solutions.length > 0 && !nothingElse && (
        <ol className="fit-list">
          {fit.solutions.map((s) => {
            const unchanged = s.words === AS_IT_IS;
            return (
              <li key={s.words}>
                <button
                  type="button"
                  className={unchanged ? 'fit-solution here' : 'fit-solution'}
                  disabled={pending}
                  onClick={() => take(s)}
                  onPointerEnter={() => preview(s)}
                  onPointerLeave={() => onPreview(null)}
                  onFocus={() => preview(s)}
                  onBlur={() => onPreview(null)}
                >
                  <span>{s.words}.</span>
                  <span className="quiet small">
                    {flatWords(s, plan)}
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
}

function inTheWay(plan: Plan, round: number, freedBy: string | null): string {
  const told = plan.rounds[round + 1];
  if (!told) return '';
  return `${told.name} (round ${told.number}) stands in the way. ${freedBy ?? 'Take it off, or change what comes before it.'}`;
}

/** How flat the border lies with a solution, and where it does so least. */
function flatWords({ worst }: FitSolution, plan: Plan): string {
  if (!worst || worst.verdict === 'flat') return 'Lies flat.';
  const corners = plan.body.outline.turns.length > 0;
  const round = worst.round === 0 ? 'the base round' : `round ${worst.round}`;
  const where = `most in ${round}${corners ? ` on side ${plan.sides[worst.side]!.name}` : ''}`;
  if (worst.verdict === 'blocks out') return `Flattens with blocking, ${where}.`;
  return `${worst.verdict === 'ripples' ? 'Ripples' : 'Pulls in'}, ${where}.`;
}
