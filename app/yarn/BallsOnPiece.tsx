import { usePlan } from '../hem/context.ts';
import { useMemo } from 'react';
import { chartOf } from '../../core/chart/chart.ts';
import { ballEnds } from '../../core/forecast/supply.ts';
import { ballEndWords } from '../../core/forecast/supplyWords.ts';
import type { Point } from '../../core/piece/outline.ts';
import { isDark } from '../../drawing/colours.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { yarnOf } from '../../core/document/hem.ts';
import styles from './yarn.module.css';

/** A point of the piece, mm, with a number in a yarn’s color, and what is said of it. */
interface Mark extends Point {
  readonly label: string;
  readonly colour: string;
  readonly words: string;
}

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
        <PlanDrawing plan={plan}>
          <Marks marks={marks} />
        </PlanDrawing>
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

function Marks({ marks }: { readonly marks: readonly Mark[] }) {
  const { finishedSize, hem } = usePlan();
  const largest = Math.max(finishedSize.widthMm, finishedSize.heightMm);
  const mirrored = hem.preferences.hand === 'left' ? -1 : 1;
  return marks.map(({ x, y, label, colour, words }) => (
    <g key={words} className={styles.mark} transform={`translate(${x * mirrored} ${y})`}>
      <title>{words}</title>
      <circle r={largest * 0.038} strokeWidth={largest * 0.006} fill={colour} />
      <text fontSize={largest * 0.054} className={isDark(colour) ? styles.onDark : undefined}>
        {label}
      </text>
    </g>
  ));
}
