import { line } from 'd3';
import type { ReactNode } from 'react';
import type { Plan } from '../../core/plan.ts';
import { corners, isDisc, type Point } from '../../core/piece/outline.ts';
import { lengthWords } from '../../core/words/measures.ts';
import { BodyTexture } from './BodyTexture.tsx';
import './plan.css';

export interface PlanDrawingProps {
  readonly plan: Plan;
  /** The side that is picked; null shows none. */
  readonly picked?: number | null;
  readonly onPick?: (side: number) => void;
  /** A small drawing without letters and lengths. */
  readonly bare?: boolean;
  /** What is written in the middle. */
  readonly children?: ReactNode;
}

const toPath = line<Point>(
  (p) => p.x,
  (p) => p.y,
);

/** The piece with its border, to scale and in its colours. Sides can be picked. */
export function PlanDrawing({ plan, picked = null, onPick, bare = false, children }: PlanDrawingProps) {
  const { outline } = plan.body;
  const { widthMm, heightMm } = plan.finishedSize;
  const rim = bare ? 0.02 * Math.max(widthMm, heightMm) : 0.1 * Math.max(widthMm, heightMm);
  const top = plan.rounds[plan.rounds.length - 1]!.heightMm;
  const mirrored = plan.hem.preferences.hand === 'left' ? -1 : 1;
  const at = (height: number): readonly Point[] =>
    corners(outline, height).map((p) => ({ x: p.x * mirrored, y: p.y }));
  const colourOf = (id: string): string => plan.hem.yarns.find((y) => y.id === id)!.colour;
  const type = Math.max(widthMm, heightMm) * 0.046;
  const shape = (height: number, fill: string, key: string): ReactNode =>
    isDisc(outline) ? (
      <circle key={key} r={at(height)[0]!.x * mirrored} fill={fill} />
    ) : (
      <path key={key} d={`${toPath([...at(height)])}Z`} fill={fill} />
    );
  const inner = at(0);
  const outer = at(top);
  return (
    <svg
      className={bare ? 'plan bare' : 'plan'}
      viewBox={`${-widthMm / 2 - rim} ${-heightMm / 2 - rim} ${widthMm + 2 * rim} ${heightMm + 2 * rim}`}
      role={onPick ? 'group' : 'img'}
      aria-label={`${plan.hem.name}: the piece with its border, drawn to scale`}
    >
      {[...plan.rounds].reverse().map((r) => shape(r.heightMm, colourOf(r.yarnId), `r${r.number}`))}
      {shape(0, plan.hem.pieceColour, 'body')}
      <BodyTexture plan={plan} />
      {children}
      {!bare &&
        !isDisc(outline) &&
        outline.sides.map((side, i) => {
          const a = inner[i]!;
          const b = inner[(i + 1) % inner.length]!;
          const c = outer[i]!;
          const d = outer[(i + 1) % outer.length]!;
          const mx = (c.x + d.x) / 2;
          const my = (c.y + d.y) / 2;
          const size = Math.hypot(d.x - c.x, d.y - c.y) || 1;
          const nx = (-(d.y - c.y) / size) * mirrored;
          const ny = ((d.x - c.x) / size) * mirrored;
          // Lettering runs along its side, never upside down.
          let tilt = (Math.atan2(d.y - c.y, d.x - c.x) * 180) / Math.PI;
          if (tilt > 90.5) tilt -= 180;
          if (tilt < -90.5) tilt += 180;
          const tx = mx + nx * type * 1.05;
          const ty = my + ny * type * 1.05;
          const room = Math.hypot(d.x - c.x, d.y - c.y) > type * 9;
          return (
            <g
              key={side.name}
              className={picked === i ? 'side picked' : 'side'}
              {...(onPick && {
                role: 'button',
                tabIndex: 0,
                'aria-label': `Side ${side.name}`,
                'aria-pressed': picked === i,
                onClick: () => onPick(i),
                onKeyDown: (e: React.KeyboardEvent) => {
                  if (e.key === 'Enter' || e.key === ' ') {
                    e.preventDefault();
                    onPick(i);
                  }
                },
              })}
            >
              <path className="reach" strokeWidth={rim * 0.9} d={`M${c.x},${c.y}L${d.x},${d.y}`} />
              <path className="rail" strokeWidth={type * 0.18} d={`M${a.x},${a.y}L${b.x},${b.y}`} />
              <text x={tx} y={ty} fontSize={type} transform={`rotate(${tilt} ${tx} ${ty})`}>
                <tspan className="letter">{side.name}</tspan> {plan.sides[i]!.count}
                {room && ` · ${lengthWords(side.lengthMm, plan.hem.preferences.length)}`}
              </text>
            </g>
          );
        })}
    </svg>
  );
}
