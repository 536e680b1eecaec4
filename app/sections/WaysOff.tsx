import { useMemo } from 'react';
import { leaveOffRounds } from '../../core/edits/rounds.ts';
import type { Plan } from '../../core/plan/types.ts';
import type { LeaveOffGoal } from '../../core/work/leaveOff.ts';
import { leftOffWords } from '../../core/log/foundWords.ts';
import { useHemStore } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { useWorked } from '../workers/useWorked.ts';
import styles from './waysOff.module.css';

export interface WaysOffProps {
  readonly plan: Plan;
  /** Work that there is time for; without it, what the basket is enough for. */
  readonly minutes?: number;
  /** Said when nothing helps. */
  readonly none: string;
}

/** Rounds that could be left off: every way fits all the way round. */
export function WaysOff({ plan, minutes, none }: WaysOffProps) {
  const store = useHemStore();
  const goal = useMemo(
    (): LeaveOffGoal => (minutes === undefined ? { to: 'basket' } : { to: 'minutes', minutes }),
    [minutes],
  );
  const { value: ways, pending, failed } = useWorked('leaveOff', plan.hem, goal);
  if (failed) return <p className="problem">This could not be worked out. Your hem is safe.</p>;
  if (!ways || pending) return <p className="quiet">Looking for what could be left off …</p>;
  if (ways.length === 0) return <p>{none}</p>;
  return (
    <ul className={styles.ways}>
      {ways.map((way) => (
        <li key={way.entries.map(({ entry, fewer }) => `${entry.id} ${fewer}`).join()}>
          <Button size="small" onClick={() => store.do(leaveOffRounds(way.entries))}>
            {leftOffWords(way)}
          </Button>
        </li>
      ))}
    </ul>
  );
}
