import { roundIn } from '../../core/plan/roundNames.ts';
import { Link } from 'react-router';
import { performed, type Edit } from '../../core/edits/edit.ts';
import { FLATNESS } from '../../core/flat/flat.ts';
import { takeSolution } from '../../core/edits/solution.ts';
import { changesNothing, type Fit, type FitSolution, type WayOut } from '../../core/fit/fit.ts';
import { madeAlike } from '../../core/forecast/alike.ts';
import { troublesOf, type BorderTrouble } from '../../core/forecast/troubles.ts';
import { isDisc } from '../../core/piece/outline.ts';
import { planComesOutEven, type Plan, writtenOf } from '../../core/plan/types.ts';
import type { Hem } from '../../core/document/hem.ts';
import { resultWords, solutionWords, wayOutWords } from '../../core/fit/fitWords.ts';
import { bodyLiesWords } from '../../core/document/partWords.ts';
import { troubleWords } from '../../core/forecast/troubleWords.ts';
import { held } from '../../core/held.ts';
import { hookLabel, nextHookMm } from '../../core/terms/yarnWeights.ts';
import { memo, useMemo, useState } from 'react';
import { useHemStore, useInTerms } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { WithMeanings } from '../controls/Meaning.tsx';
import { useWorked } from '../workers/useWorked.ts';
import { WhyNotFlat } from './WhyNotFlat.tsx';
import styles from './fitList.module.css';

export interface FitListProps {
  readonly plan: Plan;
  /** The plan is no longer the newest: the page is about to show another. */
  readonly stale: boolean;
  /** The hem with a solution that is being looked at; null when none is. */
  readonly onPreview: (hem: Hem | null) => void;
  /** Where something is wrong is to be looked at. */
  readonly onShow: (round: number, side: number) => void;
}

/** Whether all fits and lies flat, in a sentence; else what is wrong, where, and the one best remedy, with others folded. */
export function FitList({ plan, stale, onPreview, onShow }: FitListProps) {
  const { value, pending: working, failed } = useWorked('fit', plan.hem);
  const pending = stale || working;
  // While another answer is worked, the last one is shown with the plan that it is about.
  const [told, setTold] = useState<{ readonly fit: Fit; readonly about: Plan } | null>(null);
  if (value && !working && !failed && told?.fit !== value) setTold({ fit: value, about: plan });
  return (
    <section
      className={pending ? `${styles.fit} ${styles.pending}` : styles.fit}
      aria-label="Fit"
      aria-busy={pending}
    >
      <h2>Fit {pending && <span className="quiet small">working …</span>}</h2>
      <fieldset disabled={pending}>
        <FitBody
          fit={told?.fit ?? null}
          plan={told?.about ?? plan}
          failed={failed}
          onPreview={onPreview}
          onShow={onShow}
        />
      </fieldset>
    </section>
  );
}

interface FitBodyProps extends Pick<FitListProps, 'onPreview' | 'onShow'> {
  /** Null until it has been worked. */
  readonly fit: Fit | null;
  /** The plan that it is about. */
  readonly plan: Plan;
  readonly failed: boolean;
}

/** Fit that is told, which stays the same while another answer is worked. */
const FitBody = memo(function FitBody({ fit, plan: about, failed, onPreview, onShow }: FitBodyProps) {
  const store = useHemStore();
  const inTerms = useInTerms();
  const stack = about.rounds.slice(1).map((r) => writtenOf(r));
  const preview = (s: FitSolution): void => {
    const outcome = performed(about.hem, takeSolution(stack, s));
    onPreview(outcome.ok ? outcome.value : null);
  };
  const take = (s: FitSolution): void => {
    onPreview(null);
    store.do(takeSolution(stack, s, solutionWords(about, s)));
  };
  const itself = bodyLiesWords(about.hem);
  const [worst] = troublesOf(about).filter((t) => t.kind !== 'yarn');
  const changing = fit?.solutions.filter((s) => !changesNothing(s)) ?? [];
  const best = changing.find((s) => helps(about, s)) ?? null;
  const others = changing.filter((s) => s !== best);
  const alike = useMemo(
    () => (worst?.kind === 'unlike' ? madeAlike(about, worst.sides) : null),
    [about, worst],
  );
  const solution = (s: FitSolution) => (
    <button
      type="button"
      className={styles.fitSolution}
      onClick={() => take(s)}
      onPointerEnter={() => preview(s)}
      onPointerLeave={() => onPreview(null)}
      onFocus={() => preview(s)}
      onBlur={() => onPreview(null)}
    >
      <span>{resultWords(about, s)}.</span>
      <span className="quiet small">
        Then every round fits. {flatWords(s, about)}
        {s.lopsided && inTerms(' One repeat sits off center.')}
      </span>
    </button>
  );
  return (
    <>
      {itself && <p className="small">{itself}</p>}
      {worst ? (
        <p className={isMild(worst) ? 'small' : 'odd'}>
          <WithMeanings of={['blocking', 'dye lot']}>{troubleWords(about, worst)}</WithMeanings>{' '}
          {'round' in worst && (
            <Button size="small" type="text" onClick={() => onShow(worst.round, sideOf(worst))}>
              Show it
            </Button>
          )}
        </p>
      ) : (
        <p className="quiet">Every round fits and lies flat.</p>
      )}
      {failed && <p className="problem small">The fit could not be worked out. Your hem is safe.</p>}
      {fit?.givenUp && !failed && (
        <p className="quiet small">This border is too large to look for ways to make it fit.</p>
      )}
      {fit && !failed && !fit.givenUp && fit.solutions.length === 0 && (
        <p className="problem">
          No small change makes every round fit.{' '}
          {fit.standsInTheWay !== null && inTheWay(about, fit.standsInTheWay, fit.freedBy ?? null)}{' '}
          <Link to={`/hem/${about.hem.id}/propose?width=${(about.borderWidthMm / 10).toFixed(1)}`}>
            What else would fit?
          </Link>
        </p>
      )}
      {worst?.kind === 'not flat' && (
        <WhyNotFlat
          plan={about}
          way={fit && !failed && !best ? (s) => <div className={styles.fitBest}>{solution(s)}</div> : null}
          none={remedyWords(worst, about)}
        />
      )}
      {alike && <MakeAlike edit={alike} plan={about} onDone={(made) => store.do(made)} />}
      {fit && !failed && best && <div className={styles.fitBest}>{solution(best)}</div>}
      {fit && !failed && others.length > 0 && (
        <details className={styles.fitOthers}>
          <summary>Other ways ({others.length})</summary>
          {GROUPS.map(([title, belongs]) => {
            const group = others.filter(belongs);
            return (
              group.length > 0 && (
                <div key={title}>
                  <h3>{title}</h3>
                  <ol className={styles.fitList}>
                    {group.map((s) => (
                      <li key={solutionWords(about, s)}>{solution(s)}</li>
                    ))}
                  </ol>
                </div>
              )
            );
          })}
        </details>
      )}
    </>
  );
});

const sideOf = (trouble: BorderTrouble): number =>
  'side' in trouble ? trouble.side : trouble.kind === 'does not fit' ? trouble.sides[0]!.side : 0;

const inBase = (s: FitSolution): boolean => s.changes.some((c) => c !== 0);
const hasCorners = (s: FitSolution): boolean => Object.keys(s.corners ?? {}).length > 0;

const GROUPS: readonly (readonly [string, (s: FitSolution) => boolean])[] = [
  ['In the base round', (s) => inBase(s) && !hasCorners(s)],
  ['In later rounds only', (s) => !inBase(s) && !hasCorners(s)],
  ['With another corner', hasCorners],
];

/** Whether a solution is better than what is there: all fits where it did not, or the border lies flatter. */
function helps(plan: Plan, { worst }: FitSolution): boolean {
  if (!planComesOutEven(plan)) return true;
  const now = Math.max(...plan.rounds.flatMap((r) => r.sides.map((s) => FLATNESS[s.verdict])));
  return FLATNESS[worst?.verdict ?? 'flat'] < now;
}

type NotFlat = Extract<BorderTrouble, { kind: 'not flat' }>;

const isMild = (trouble: BorderTrouble): boolean =>
  trouble.kind === 'not flat' && trouble.verdict === 'blocks out';

/** Help when no change of counts does. */
function remedyWords({ verdict, strain, round }: NotFlat, { rounds, hem }: Plan): string {
  if (verdict === 'blocks out') {
    const { hookMm } = held(rounds[round], 'what is not flat is a round of the plan');
    const hook = hookLabel(nextHookMm(hookMm, strain > 0 ? 'smaller' : 'larger'), hem.preferences.language);
    return `To be safe, use a ${hook} hook there.`;
  }
  return verdict === 'ripples'
    ? 'Use a corner with fewer stitches, a smaller hook there, or take stitches out of the base round.'
    : 'Use a corner with more stitches, a larger hook there, or put stitches into the base round.';
}

function MakeAlike({
  edit,
  plan,
  onDone,
}: {
  readonly edit: Edit;
  readonly plan: Plan;
  readonly onDone: (edit: Edit) => void;
}) {
  const outcome = performed(plan.hem, edit);
  if (!outcome.ok) return null;
  return (
    <p>
      <Button size="small" onClick={() => onDone(edit)}>
        Make them alike: {edit.label}
      </Button>
    </p>
  );
}

function inTheWay(plan: Plan, round: number, freedBy: WayOut | null): string {
  const told = plan.rounds[round + 1];
  if (!told) return '';
  return `${told.name} (${roundIn(plan, told.number)}) does not fit. ${freedBy ? wayOutWords(plan, freedBy) : 'Remove it, or change what comes before it.'}`;
}

/** How flat the border lies with a solution, and where it does so least. */
function flatWords({ worst }: FitSolution, plan: Plan): string {
  if (!worst || worst.verdict === 'flat') return 'Lies flat.';
  const corners = !isDisc(plan.body.outline);
  const round = roundIn(plan, worst.round);
  const where = `most in ${round}${corners ? ` on side ${plan.sides[worst.side]!.name}` : ''}`;
  if (worst.verdict === 'blocks out') return `Flattens with blocking, ${where}.`;
  return `${worst.verdict === 'ripples' ? 'Ripples' : 'Pulls in'}, ${where}.`;
}
