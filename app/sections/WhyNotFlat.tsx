import type { ReactNode } from 'react';
import type { FitSolution } from '../../core/fit/fit.ts';
import { solutionWords } from '../../core/fit/fitWords.ts';
import { strainCauseWords } from '../../core/forecast/cureWords.ts';
import type { Plan } from '../../core/plan/types.ts';
import { useWorked } from '../workers/useWorked.ts';

export interface WhyNotFlatProps {
  readonly plan: Plan;
  /** Shows a way on; null where there is one already, or none can be said yet. */
  readonly way: ((cure: FitSolution) => ReactNode) | null;
  /** Said where no way helps. */
  readonly none?: string;
}

/** Cause of what does not lie flat, and its nearest cures. */
export function WhyNotFlat({ plan, way, none }: WhyNotFlatProps) {
  const { value, pending, failed } = useWorked('cures', plan.hem);
  if (pending) return null;
  const ways = failed ? [] : (value?.ways ?? []);
  return (
    <>
      {!failed && value?.cause && <p className="quiet small">{strainCauseWords(plan, value.cause)}</p>}
      {way && ways.map((cure) => <div key={solutionWords(plan, cure)}>{way(cure)}</div>)}
      {way && ways.length === 0 && none && <p className="quiet small">{none}</p>}
    </>
  );
}
