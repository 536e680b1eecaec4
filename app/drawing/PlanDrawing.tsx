import { line } from 'd3';
import type { KeyboardEvent, ReactNode } from 'react';
import { landmarksOf } from '../../core/chart/landmarks.ts';
import type { Plan } from '../../core/plan.ts';
import { corners, isDisc, type Point } from '../../core/piece/outline.ts';
import { lengthWords } from '../../core/words/measures.ts';
import { BodyTexture } from './BodyTexture.tsx';
import { partName, rowBands, samePart, type PlanPart, type PlanPartKind } from './scene/parts.ts';
import './plan.css';

export interface PlanDrawingProps {
  readonly plan: Plan;
  /** The part that is picked; null shows none. */
  readonly picked?: PlanPart | null;
  readonly onPick?: (part: PlanPart) => void;
  /** What can be picked. */
  readonly parts?: readonly PlanPartKind[];
  /** A small drawing without letters and lengths. */
  readonly bare?: boolean;
}

const toPath = line<Point>(
  (p) => p.x,
  (p) => p.y,
);

const NO_PARTS: readonly PlanPartKind[] = [];

/** The piece with its border, to scale and in its colours. Its parts can be picked. */
export function PlanDrawing({
  plan,
  picked = null,
  onPick,
  parts = NO_PARTS,
  bare = false,
}: PlanDrawingProps) {
  const { outline } = plan.body;
  const { widthMm, heightMm } = plan.finishedSize;
  const largest = Math.max(widthMm, heightMm);
  const rim = bare ? 0.02 * largest : 0.1 * largest;
  const top = plan.rounds[plan.rounds.length - 1]!.heightMm;
  const mirrored = plan.hem.preferences.hand === 'left' ? -1 : 1;
  const at = (height: number): readonly Point[] =>
    corners(outline, height).map((p) => ({ x: p.x * mirrored, y: p.y }));
  const colourOf = (id: string): string => plan.hem.yarns.find((y) => y.id === id)!.colour;
  const shape = (height: number, fill: string, key: string): ReactNode =>
    isDisc(outline) ? (
      <circle key={key} r={at(height)[0]!.x * mirrored} fill={fill} />
    ) : (
      <path key={key} d={`${toPath([...at(height)])}Z`} fill={fill} />
    );
  const pickable = (part: PlanPart) => {
    const here = samePart(picked, part);
    return {
      className: here ? `part ${part.kind} picked` : `part ${part.kind}`,
      ...(onPick &&
        parts.includes(part.kind) && {
          role: 'button',
          tabIndex: 0,
          'aria-label': partName(plan, part),
          'aria-pressed': here,
          onClick: () => onPick(part),
          onKeyDown: (e: KeyboardEvent) => {
            if (e.key !== 'Enter' && e.key !== ' ') return;
            e.preventDefault();
            onPick(part);
          },
        }),
    };
  };
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
      {parts.includes('rows') &&
        rowBands(plan).map((band, run) => (
          <g key={band.from} {...pickable({ kind: 'rows', run })}>
            <rect
              className="reach"
              x={-plan.bodySize.widthMm / 2}
              y={band.top}
              width={plan.bodySize.widthMm}
              height={Math.max(band.bottom - band.top, largest * 0.012)}
              strokeWidth={largest * 0.008}
            />
          </g>
        ))}
      {!bare && !isDisc(outline) && (
        <Sides plan={plan} inner={at(0)} outer={at(top)} mirrored={mirrored} pickable={pickable} rim={rim} />
      )}
      {parts.includes('corner') &&
        at(top).map(
          (p, side) =>
            outline.turns[side] !== undefined && (
              <g key={side} {...pickable({ kind: 'corner', side })}>
                <circle
                  className="reach"
                  cx={p.x}
                  cy={p.y}
                  r={largest * 0.028}
                  strokeWidth={largest * 0.008}
                />
              </g>
            ),
        )}
      {parts.includes('join') &&
        landmarksOf(plan, 0).map(
          (l) =>
            l.kind === 'join' && (
              <g key={`${l.side} ${l.join}`} {...pickable({ kind: 'join', side: l.side, join: l.join })}>
                <circle
                  className="reach"
                  cx={l.x * mirrored}
                  cy={l.y}
                  r={largest * 0.02}
                  strokeWidth={largest * 0.008}
                />
              </g>
            ),
        )}
    </svg>
  );
}

interface SidesProps {
  readonly plan: Plan;
  /** Corners of the piece and of its border, mm. */
  readonly inner: readonly Point[];
  readonly outer: readonly Point[];
  readonly mirrored: number;
  readonly rim: number;
  readonly pickable: (part: PlanPart) => object;
}

/** The sides with their letters, counts and lengths. */
function Sides({ plan, inner, outer, mirrored, rim, pickable }: SidesProps) {
  const { widthMm, heightMm } = plan.finishedSize;
  const type = Math.max(widthMm, heightMm) * 0.046;
  return plan.body.outline.sides.map((side, i) => {
    const a = inner[i]!;
    const b = inner[(i + 1) % inner.length]!;
    const c = outer[i]!;
    const d = outer[(i + 1) % outer.length]!;
    const size = Math.hypot(d.x - c.x, d.y - c.y) || 1;
    const nx = (-(d.y - c.y) / size) * mirrored;
    const ny = ((d.x - c.x) / size) * mirrored;
    // Lettering runs along its side, never upside down.
    let tilt = (Math.atan2(d.y - c.y, d.x - c.x) * 180) / Math.PI;
    if (tilt > 90.5) tilt -= 180;
    if (tilt < -90.5) tilt += 180;
    const tx = (c.x + d.x) / 2 + nx * type * 1.05;
    const ty = (c.y + d.y) / 2 + ny * type * 1.05;
    const room = size > type * 9;
    return (
      <g key={side.name} {...pickable({ kind: 'side', side: i })}>
        <path className="hit" strokeWidth={rim * 0.9} d={`M${c.x},${c.y}L${d.x},${d.y}`} />
        <path className="rail" strokeWidth={type * 0.18} d={`M${a.x},${a.y}L${b.x},${b.y}`} />
        <text x={tx} y={ty} fontSize={type} transform={`rotate(${tilt} ${tx} ${ty})`}>
          <tspan className="letter">{side.name}</tspan> {plan.sides[i]!.count}
          {room && ` · ${lengthWords(side.lengthMm, plan.hem.preferences.length)}`}
        </text>
      </g>
    );
  });
}
