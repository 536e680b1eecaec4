import { sidesWorked, type Plan } from '../../core/plan/types.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import styles from './work.module.css';

const ONLY_SIDES = ['side'] as const;

export interface SideInQuestionProps {
  readonly plan: Plan;
  /** Null while none has been touched: the first is counted. */
  readonly side: number | null;
  readonly onSide: (side: number) => void;
}

/** The piece with the side that is counted lit; another is counted when it is touched. */
export function SideInQuestion({ plan, side, onSide }: SideInQuestionProps) {
  return (
    <div className={styles.whichSide}>
      <PlanDrawing
        plan={plan}
        letters
        parts={ONLY_SIDES}
        picked={{ kind: 'side', side: side ?? sidesWorked(plan)[0] ?? 0 }}
        onPick={(part) => part.kind === 'side' && onSide(part.side)}
      />
    </div>
  );
}
