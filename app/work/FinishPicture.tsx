import { useMemo } from 'react';
import type { Plan } from '../../core/plan/types.ts';
import { capital } from '../../core/terms/words.ts';
import { roundWords } from '../../core/say/rounds.ts';
import { yarnOf } from '../../core/document/hem.ts';
import { finishingOf } from '../../core/work/looks.ts';
import { drawnEnds } from '../../drawing/starts.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { useHemStore } from '../hem/context.ts';
import { noteFinishing } from './finishing.ts';
import styles from './finish.module.css';

/** The piece as it is when all is worked, with its ends as dots: each is touched when it has been woven in. */
export function FinishPicture({ plan }: { readonly plan: Plan }) {
  const store = useHemStore();
  const { ends, pitchMm: pitch } = useMemo(() => drawnEnds(plan), [plan]);
  // Nobody counts any more.
  const told = useMemo(() => new Set(plan.sides.keys()), [plan]);
  const { which } = finishingOf(plan);
  const mirrored = plan.hem.preferences.hand === 'left' ? -1 : 1;
  const touch = (number: number): void => {
    const woven = which.includes(number)
      ? which.filter((k) => k !== number)
      : [...which, number].sort((a, b) => a - b);
    noteFinishing(store, plan, { which: woven });
  };
  return (
    <div className={styles.picture}>
      <PlanDrawing plan={plan} told={told}>
        {ends.map(({ number, at }) => (
          <circle
            key={number}
            className={styles.place}
            cx={at.x * mirrored}
            cy={at.y}
            r={pitch * 0.12}
            strokeWidth={pitch * 0.05}
          />
        ))}
        {ends.map(({ number, round, mark }) => {
          const woven = which.includes(number);
          const { yarnId } = plan.rounds[round]!;
          return (
            <g
              key={number}
              className={woven ? `${styles.end} ${styles.woven}` : styles.end}
              role="checkbox"
              aria-checked={woven}
              tabIndex={0}
              aria-label={`End ${number + 1}, ${capital(roundWords(round))}: woven in`}
              onClick={() => touch(number)}
              onKeyDown={(e) => {
                if (e.key !== 'Enter' && e.key !== ' ') return;
                e.preventDefault();
                touch(number);
              }}
            >
              <circle className={styles.reach} cx={mark.x * mirrored} cy={mark.y} r={pitch * 0.5} />
              <circle
                className={styles.dot}
                cx={mark.x * mirrored}
                cy={mark.y}
                r={pitch * 0.26}
                strokeWidth={pitch * 0.06}
                style={{ fill: woven ? 'var(--ground)' : yarnOf(plan.hem, yarnId).colour }}
              />
              {woven && (
                <path
                  d={`M${mark.x * mirrored - pitch * 0.12} ${mark.y}l${pitch * 0.09} ${pitch * 0.1}l${pitch * 0.16} ${-pitch * 0.2}`}
                  strokeWidth={pitch * 0.07}
                />
              )}
            </g>
          );
        })}
      </PlanDrawing>
    </div>
  );
}
