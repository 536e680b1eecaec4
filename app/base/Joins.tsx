import { Select } from 'antd';
import { crossingOf } from '../../core/base/baseRound.ts';
import { CROSSING_IDS, type CrossingId } from '../../core/base/crossings.ts';
import type { Plan } from '../../core/plan/types.ts';
import { crossingName } from '../../core/print/steps/baseRoundWords.ts';
import styles from './run.module.css';

export interface JoinsProps {
  readonly plan: Plan;
  readonly side: number;
  readonly onCrossing: (join: number, crossing: CrossingId) => void;
}

/** How the joins of a side are crossed, one by one. */
export function Joins({ plan, side, onCrossing }: JoinsProps) {
  const s = plan.sides[side]!;
  const { stitch } = plan.hem.base;
  const { language } = plan.hem.preferences;
  if (s.edge.joins.length === 0) return null;
  return (
    <div className={styles.joins}>
      <span className="quiet small">Seams on this side, in the order you meet them:</span>
      {s.edge.joins.map((_, join) => (
        <Select
          key={join}
          size="small"
          aria-label={`How to cross motif seam ${join + 1} of side ${s.name}`}
          value={crossingOf(plan.hem.base, s.choice, join)}
          popupMatchSelectWidth={false}
          options={CROSSING_IDS.map((id) => ({ value: id, label: crossingName(id, stitch, language) }))}
          labelRender={({ value }) => `${join + 1}: ${crossingName(value as CrossingId, stitch, language)}`}
          onChange={(crossing) => onCrossing(join, crossing)}
        />
      ))}
    </div>
  );
}
