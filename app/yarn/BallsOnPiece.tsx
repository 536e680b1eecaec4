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

/** Marks within the piece, beside their places and clear of each other and of the letters outside. */
function laidApart(marks: readonly Mark[], radius: number): readonly (Mark & { readonly at: Point })[] {
  const laid: (Mark & { readonly at: Point })[] = [];
  for (const mark of marks) {
    const far = Math.hypot(mark.x, mark.y) || 1;
    const inwards = (steps: number): Point => {
      const share = 1 - (steps * radius) / far;
      return { x: mark.x * share, y: mark.y * share };
    };
    let steps = 1.6;
    while (
      steps * radius < far &&
      laid.some(({ at }) => Math.hypot(at.x - inwards(steps).x, at.y - inwards(steps).y) < 2.2 * radius)
    )
      steps += 0.5;
    laid.push({ ...mark, at: inwards(steps) });
  }
  return laid;
}

function Marks({ marks }: { readonly marks: readonly Mark[] }) {
  const { finishedSize, hem } = usePlan();
  const largest = Math.max(finishedSize.widthMm, finishedSize.heightMm);
  const mirrored = hem.preferences.hand === 'left' ? -1 : 1;
  const radius = largest * 0.038;
  return laidApart(marks, radius).map(({ x, y, at, label, colour, words }) => (
    <g key={words} className={styles.mark} transform={`translate(${at.x * mirrored} ${at.y})`}>
      <title>{words}</title>
      <line
        x1={(x - at.x) * mirrored}
        y1={y - at.y}
        x2={0}
        y2={0}
        strokeWidth={largest * 0.006}
        stroke={colour}
      />
      <circle r={radius} strokeWidth={largest * 0.006} fill={colour} />
      <text fontSize={largest * 0.054} className={isDark(colour) ? styles.onDark : undefined}>
        {label}
      </text>
    </g>
  ));
}
