import { usePlan } from '../hem/context.ts';
import { useMemo } from 'react';
import { chartOf } from '../../core/chart/chart.ts';
import { ballEnds } from '../../core/forecast/supply.ts';
import { ballEndWords } from '../../core/forecast/supplyWords.ts';
import { PlanDrawing, type Mark } from '../drawing/PlanDrawing.tsx';
import { yarnOf } from '../../core/document/hem.ts';
import styles from './yarn.module.css';

/** The piece with the places where balls end. */
export function BallsOnPiece() {
  const plan = usePlan();
  const marks = useMemo(
    () =>
      ballEnds(plan).map((end): Mark => {
        const { headX, headY } = chartOf(plan)[end.round]!;
        const { colour } = yarnOf(plan.hem, end.yarnId);
        const words = ballEndWords(plan, end);
        return { x: headX[end.entry]!, y: headY[end.entry]!, label: `${end.ball}`, colour, words };
      }),
    [plan],
  );
  if (marks.length === 0) return <p className="quiet small">No ball ends within this border.</p>;
  return (
    <div className={styles.ballsOnPiece}>
      <div className={styles.ballsDrawing}>
        <PlanDrawing plan={plan} marks={marks} />
      </div>
      <ul className={`${styles.ballEnds} small`}>
        {marks.map(({ words, colour }) => (
          <li key={words}>
            <span className="swatch" style={{ background: colour }} /> {words}
          </li>
        ))}
      </ul>
    </div>
  );
}
