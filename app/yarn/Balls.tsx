import { held } from '../../core/held.ts';
import { useId } from 'react';
import type { YarnPlan } from '../../core/plan/types.ts';
import { plural } from '../../core/say/measures.ts';
import { tonesOf } from '../../drawing/colours.ts';
import styles from './yarn.module.css';

/** More than so many are told by their number. */
const MOST = 8;

interface Ball {
  /** Shares of a whole ball: what is there now, and what will be left of it after the border. */
  readonly now: number;
  readonly then: number;
  /** It has yet to be bought. */
  readonly toBuy: boolean;
}

/** The balls of a yarn: the one that is begun first, then the others, then those to buy. */
function ballsOf({ yarn, quantity, toBuy }: YarnPlan): readonly Ball[] {
  const { ballG } = yarn;
  const here = yarn.haveG === null ? 0 : Math.ceil(yarn.haveG / ballG);
  const missing = yarn.haveG === null ? quantity.balls : (toBuy ?? 0);
  return Array.from({ length: here + missing }, (_, i): Ball => {
    const now =
      i < here ? Math.min(1, held(yarn.haveG, 'asked only of yarn that was weighed') / ballG - i) : 1;
    const taken = Math.min(now, Math.max(0, quantity.grams / ballG - i));
    return { now, then: now - taken, toBuy: i >= here };
  });
}

/** Balls of a yarn that are there, and how much of them the border leaves. */
export function Balls({ plan }: { readonly plan: YarnPlan }) {
  const balls = ballsOf(plan);
  const here = balls.filter((b) => !b.toBuy).length;
  const words = [
    here > 0 ? `${plural(here, 'ball')} here` : '',
    balls.length > here ? `${plural(balls.length - here, 'ball')} to buy` : '',
  ].filter(Boolean);
  if (balls.length === 0) return null;
  return (
    <span className={styles.balls} role="img" aria-label={words.join(', ')} title={words.join(', ')}>
      {balls.slice(0, MOST).map((ball, i) => (
        <BallDrawing key={i} ball={ball} colour={plan.yarn.colour} />
      ))}
      {balls.length > MOST && <span className="small">and {balls.length - MOST} more</span>}
    </span>
  );
}

/** A ball of yarn: full as high as what is left, pale where the border takes it, empty above. */
function BallDrawing({
  ball: { now, then, toBuy },
  colour,
}: {
  readonly ball: Ball;
  readonly colour: string;
}) {
  const id = useId();
  const { edge } = tonesOf(colour);
  const level = (share: number): number => 29 - 26 * share;
  return (
    <svg viewBox="0 0 32 32" width="30" height="30" aria-hidden="true">
      <clipPath id={id}>
        <circle cx="16" cy="16" r="13" />
      </clipPath>
      <g clipPath={`url(#${id})`}>
        <rect x="0" width="32" y={level(now)} height="32" fill={colour} opacity="0.28" />
        <rect x="0" width="32" y={level(then)} height="32" fill={colour} />
        <path
          d="M4 10 C 12 6, 22 8, 28 18 M3 16 C 11 11, 20 14, 25 24 M6 23 C 11 18, 16 20, 19 28 M12 4 C 18 6, 25 10, 28 22"
          fill="none"
          stroke={edge}
          strokeWidth="1.1"
          opacity="0.55"
        />
      </g>
      <circle
        cx="16"
        cy="16"
        r="13"
        fill="none"
        stroke={edge}
        strokeWidth="1.4"
        strokeDasharray={toBuy ? '3 3' : undefined}
      />
    </svg>
  );
}
