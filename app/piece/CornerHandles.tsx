import { useRef, useState, type KeyboardEvent } from 'react';
import { corners, type Point } from '../../core/piece/outline.ts';
import { bodyOf, withCornerAt, type Piece } from '../../core/piece/piece.ts';
import type { Plan } from '../../core/plan/types.ts';
import { lengthWords } from '../../core/say/measures.ts';
import { spokenPart } from '../../drawing/parts.ts';
import { useDragged } from '../drawing/useDragged.ts';
import styles from './cornerHandles.module.css';

export interface CornerHandlesProps {
  readonly plan: Plan;
  readonly onPick: (side: number) => void;
  readonly onPiece: (label: string, piece: Piece) => void;
}

/** How far a key moves a corner, mm; with the shift key a tenth of it. */
const STEP = 10;

const KEYS: Readonly<Record<string, Point>> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

/** The corners of a piece, to be dragged or moved by the arrow keys; what would come of it is drawn in dashes. */
export function CornerHandles({ plan, onPick, onPiece }: CornerHandlesProps) {
  const [moving, setMoving] = useState<Moving | null>(null);
  const { piece, preferences } = plan.hem;
  const mirrored = preferences.hand === 'left' ? -1 : 1;
  const largest = Math.max(plan.finishedSize.widthMm, plan.finishedSize.heightMm);
  const points = corners(plan.body.outline, 0);
  const moved = (corner: number, x: number, y: number): Moving | null => {
    const to = { x: x * mirrored, y };
    const made = withCornerAt(piece, corner, to);
    return made && { corner, to, piece: made };
  };
  return (
    <g className="corner-handles">
      {moving && <Ghost plan={plan} moving={moving} />}
      {points.map((p, corner) => (
        <CornerHandle
          key={corner}
          at={{ x: p.x * mirrored, y: p.y }}
          radius={largest * 0.026}
          name={spokenPart(plan, { kind: 'corner', side: corner })}
          onPress={() => onPick(corner)}
          onOver={(x, y) => setMoving(moved(corner, x, y))}
          onMoved={(x, y) => {
            setMoving(null);
            const to = moved(corner, x, y);
            if (to) onPiece('corner', to.piece);
          }}
        />
      ))}
    </g>
  );
}

interface HandleProps {
  readonly at: Point;
  readonly radius: number;
  readonly name: string;
  readonly onPress: () => void;
  /** It is being moved, and lies here now. */
  readonly onOver: (x: number, y: number) => void;
  readonly onMoved: (x: number, y: number) => void;
}

function CornerHandle({ at, radius, name, onPress, onOver, onMoved }: HandleProps) {
  const circle = useRef<SVGCircleElement>(null);
  const [here, setHere] = useState<Point | null>(null);
  useDragged(circle, {
    from: () => at,
    over: (to) => {
      setHere(to);
      onOver(to.x, to.y);
    },
    done: (to) => {
      setHere(null);
      if (to) onMoved(to.x, to.y);
    },
  });
  const onKey = (e: KeyboardEvent): void => {
    if (e.key === 'Enter' || e.key === ' ') {
      e.preventDefault();
      onPress();
      return;
    }
    const way = KEYS[e.key];
    if (!way || e.ctrlKey || e.metaKey || e.altKey) return;
    e.preventDefault();
    e.stopPropagation();
    const far = e.shiftKey ? STEP / 10 : STEP;
    onMoved(at.x + way.x * far, at.y + way.y * far);
  };
  const { x, y } = here ?? at;
  return (
    <circle
      ref={circle}
      className={styles.cornerHandle}
      role="button"
      tabIndex={0}
      aria-label={`${name}: drag it, or use the arrow keys`}
      cx={x}
      cy={y}
      r={radius}
      strokeWidth={radius * 0.3}
      onClick={onPress}
      onKeyDown={onKey}
    />
  );
}

interface Moving {
  readonly corner: number;
  readonly to: Point;
  readonly piece: Piece;
}

interface GhostProps {
  readonly plan: Plan;
  readonly moving: Moving;
}

/** The outline as it would be, with the lengths that change. */
function Ghost({ plan, moving: { corner, to, piece } }: GhostProps) {
  const { length, hand } = plan.hem.preferences;
  const mirrored = hand === 'left' ? -1 : 1;
  const { sides } = plan.body.outline;
  const { outline } = bodyOf(piece);
  const changed = outline.sides.flatMap((s, i) => (s.lengthMm === sides[i]!.lengthMm ? [] : [i]));
  // Where all sides change the whole outline grows about its middle; else one corner moves.
  const points =
    changed.length > 2
      ? corners(outline, 0)
      : corners(plan.body.outline, 0).map((p, i) => (i === corner ? to : p));
  const line = points.map((p) => ({ x: p.x * mirrored, y: p.y }));
  const type = Math.max(plan.finishedSize.widthMm, plan.finishedSize.heightMm) * 0.042;
  return (
    <>
      <polygon
        className={styles.cornerGhost}
        strokeWidth={type * 0.14}
        strokeDasharray={`${type * 0.5} ${type * 0.3}`}
        points={line.map((p) => `${p.x},${p.y}`).join(' ')}
      />
      {changed.map((i) => {
        const [p, q] = [line[i]!, line[(i + 1) % line.length]!];
        return (
          <text
            key={i}
            className={styles.cornerLength}
            x={(p.x + q.x) / 2}
            y={(p.y + q.y) / 2}
            fontSize={type}
          >
            {outline.sides[i]!.name} {lengthWords(outline.sides[i]!.lengthMm, length)}
          </text>
        );
      })}
    </>
  );
}
