import { dot } from './dot.ts';
import { memo, type KeyboardEvent, type ReactNode } from 'react';
import { joinsOf } from '../../core/chart/landmarks.ts';
import type { Plan } from '../../core/plan/types.ts';
import { isDisc, type Point } from '../../core/piece/outline.ts';
import { useTheme } from '../look/ThemeAndNotices.tsx';
import { THEMES } from '../look/tokens.ts';
import { BodyTexture } from './BodyTexture.tsx';
import { usePicture } from './picture.ts';
import { samePart, spokenPart, type PlanPart, type PlanPartKind } from '../../drawing/parts.ts';
import { planCorners, sideLabels } from '../../drawing/sideLabels.ts';
import styles from './plan.module.css';
import { yarnOf, type Hem } from '../../core/document/hem.ts';

export interface PlanDrawingProps {
  readonly plan: Plan;
  /** The part that is picked; null shows none. */
  readonly picked?: PlanPart | null;
  readonly onPick?: (part: PlanPart) => void;
  /** Kinds of parts that can be picked. */
  readonly parts?: readonly PlanPartKind[];
  /** A small drawing without letters and lengths. */
  readonly bare?: boolean;
  /** The place of the hook, mm. */
  readonly place?: Point | null;
  /** Hears of every picture that was painted of it. */
  readonly onPainted?: (picture: Blob) => void;
  /** Sides are told by their letters alone. */
  readonly letters?: boolean;
  /** Sides whose letter and numbers are told by something else. */
  readonly told?: ReadonlySet<number>;
  /** Things that lie on the piece, below what can be picked, in mm. */
  readonly under?: ReactNode;
  /** Other things that lie on it, in mm. */
  readonly children?: ReactNode;
}

/** Pixels of the longer side of a picture, on its own and in small. */
const PIXELS = 1000;
const SMALL_PIXELS = 480;

const points = (line: readonly Point[]): string => line.map((p) => `${p.x},${p.y}`).join(' ');

const NO_PARTS: readonly PlanPartKind[] = [];
const NONE_TOLD: ReadonlySet<number> = new Set();

/** Room round a piece with its border, as a share of its longer side. */
const RIM = { bare: 0.02, lettered: 0.1 };

/** A rectangle of a drawing, mm. */
export interface DrawnFrame {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** The part of the table that a drawing of a piece shows. */
export function frameOf({ finishedSize: { widthMm, heightMm } }: Plan, bare = false): DrawnFrame {
  const rim = (bare ? RIM.bare : RIM.lettered) * Math.max(widthMm, heightMm);
  return {
    x: -widthMm / 2 - rim,
    y: -heightMm / 2 - rim,
    width: widthMm + 2 * rim,
    height: heightMm + 2 * rim,
  };
}

/** Whether a picture still shows the piece as it is; of the border the last one may be shown until the next is there. */
const samePiece = (a: Hem, b: Hem): boolean =>
  a.piece === b.piece &&
  a.partColours === b.partColours &&
  a.pieceColour === b.pieceColour &&
  a.preferences.hand === b.preferences.hand;

/** The piece with its border, to scale and in its colours. Its parts can be picked. */
export const PlanDrawing = memo(Drawing);

function Drawing({
  plan,
  picked = null,
  onPick,
  parts = NO_PARTS,
  bare = false,
  place = null,
  onPainted,
  letters = false,
  told = NONE_TOLD,
  under,
  children,
}: PlanDrawingProps) {
  const { sheet } = THEMES[useTheme()];
  const picture = usePicture(plan, sheet, bare ? SMALL_PIXELS : PIXELS, onPainted);
  const { outline } = plan.body;
  const { widthMm, heightMm } = plan.finishedSize;
  const largest = Math.max(widthMm, heightMm);
  const frame = frameOf(plan, bare);
  const rim = (frame.width - widthMm) / 2;
  const top = plan.rounds[plan.rounds.length - 1]!.heightMm;
  const mirrored = plan.hem.preferences.hand === 'left' ? -1 : 1;
  const at = (height: number): readonly Point[] => planCorners(plan, height);
  const colourOf = (id: string): string => yarnOf(plan.hem, id).colour;
  const shape = (height: number, fill: string, key: string): ReactNode =>
    isDisc(outline) ? (
      <circle key={key} r={at(height)[0]!.x * mirrored} fill={fill} />
    ) : (
      <polygon key={key} points={points(at(height))} fill={fill} />
    );
  const pickable = (part: PlanPart) => {
    const here = samePart(picked, part);
    return {
      className: `${styles.part} ${styles[part.kind] ?? ''} ${here ? styles.picked : ''}`,
      ...(onPick &&
        parts.includes(part.kind) && {
          role: 'button',
          tabIndex: 0,
          'aria-label': spokenPart(plan, part),
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
      viewBox={`${frame.x} ${frame.y} ${frame.width} ${frame.height}`}
      role={onPick ? 'group' : 'img'}
      aria-label={`${plan.hem.name}: the piece with its border, drawn to scale`}
    >
      {picture && samePiece(picture.hem, plan.hem) ? (
        <image
          href={picture.url}
          x={-picture.widthMm / 2}
          y={-picture.heightMm / 2}
          width={picture.widthMm}
          height={picture.heightMm}
        />
      ) : (
        <>
          {[...plan.rounds].reverse().map((r) => shape(r.heightMm, colourOf(r.yarnId), `r${r.number}`))}
          {shape(0, plan.hem.pieceColour, 'body')}
          <BodyTexture plan={plan} />
        </>
      )}
      {under}
      {!bare && <Sides plan={plan} rim={rim} letters={letters} told={told} pickable={pickable} />}
      {parts.includes('corner') &&
        at(top).map(
          (p, side) =>
            outline.turns[side] !== undefined && (
              <g key={side} {...pickable({ kind: 'corner', side })}>
                <circle
                  className={styles.reach}
                  cx={p.x}
                  cy={p.y}
                  r={largest * 0.028}
                  strokeWidth={largest * 0.008}
                />
                <path className="target" d={dot(p.x, p.y)} />
              </g>
            ),
        )}
      {parts.includes('join') &&
        joinsOf(plan.body).map(({ side, join, x, y }) => (
          <g key={`${side} ${join}`} {...pickable({ kind: 'join', side, join })}>
            <circle
              className={styles.reach}
              cx={x * mirrored}
              cy={y}
              r={largest * 0.02}
              strokeWidth={largest * 0.008}
            />
            <path className="target" d={dot(x * mirrored, y)} />
          </g>
        ))}
      {place && <circle className={styles.place} cx={place.x * mirrored} cy={place.y} r={largest * 0.035} />}
      {children}
    </svg>
  );
}

interface SidesProps {
  readonly plan: Plan;
  readonly rim: number;
  readonly letters: boolean;
  readonly told: ReadonlySet<number>;
  readonly pickable: (part: PlanPart) => object;
}

/** The sides with their letters, counts and lengths. */
function Sides({ plan, rim, letters, told, pickable }: SidesProps) {
  const { widthMm, heightMm } = plan.finishedSize;
  const type = Math.max(widthMm, heightMm) * 0.046;
  return sideLabels(plan, type).map(({ name, words, at, type: high, tilt, inner, outer }, side) => (
    <g key={name} {...pickable({ kind: 'side', side })}>
      <polyline className={styles.hit} strokeWidth={rim * 0.9} points={points(outer)} />
      <polyline className="target" points={points(outer)} />
      <polyline className={styles.rail} strokeWidth={type * 0.18} points={points(inner)} />
      {!told.has(side) && (
        <text x={at.x} y={at.y} fontSize={high} transform={`rotate(${tilt} ${at.x} ${at.y})`}>
          <tspan className={styles.letter}>{name}</tspan> {!letters && words}
        </text>
      )}
    </g>
  ));
}
