import { useRef, useState, type KeyboardEvent } from 'react';
import { bodyOf, onEdgesOf, pulledTo, type Piece } from '../../core/piece/piece.ts';
import type { PulledTo } from '../../core/piece/edgeNumbers.ts';
import { corners, extent, isDisc, type Point } from '../../core/piece/outline.ts';
import type { Plan } from '../../core/plan/types.ts';
import { lengthWords, sizeWords } from '../../core/say/measures.ts';
import { dot } from '../drawing/dot.ts';
import { useDragged } from '../drawing/useDragged.ts';
import styles from './edgePulls.module.css';

export interface EdgePullsProps {
  readonly plan: Plan;
  readonly onPiece: (label: string, piece: Piece) => void;
}

/** Step of a length that is pulled, cm, by its unit: half a centimetre or a quarter of an inch. */
const STEPS_CM = { cm: 0.5, in: 0.635 } as const;

/** Handles on the right and the lower edge, by which a piece is pulled wider and higher; what would come of it is drawn in dashes. */
export function EdgePulls({ plan, onPiece }: EdgePullsProps) {
  const { piece, preferences } = plan.hem;
  const [tried, setTried] = useState<Piece | null>(null);
  const largest = Math.max(plan.finishedSize.widthMm, plan.finishedSize.heightMm);
  const { widthMm, heightMm } = plan.bodySize;
  if (pulledTo(piece, {}) === null) return null;
  const step = STEPS_CM[preferences.length];
  const rounded = (mm: number): number => Number((Math.max(1, Math.round(mm / 10 / step)) * step).toFixed(3));
  const disc = isDisc(plan.body.outline);
  const radius = largest * 0.016;
  // They stand outside the border, past the middle of the edge, where nothing else is.
  const off = {
    x: (plan.finishedSize.widthMm - widthMm) / 2 + 1.2 * radius,
    y: (plan.finishedSize.heightMm - heightMm) / 2 + 1.2 * radius,
  };
  const pulls = [
    {
      way: 'width',
      at: { x: widthMm / 2 + off.x, y: disc ? 0 : heightMm * 0.3 },
      to: (p: Point): PulledTo => ({ widthCm: rounded(2 * (Math.abs(p.x) - off.x)) }),
    },
    {
      way: 'height',
      at: { x: widthMm * 0.3, y: heightMm / 2 + off.y },
      to: (p: Point): PulledTo => ({ heightCm: rounded(2 * (Math.abs(p.y) - off.y)) }),
    },
  ] as const;
  const set = (way: string, to: PulledTo): void => {
    setTried(null);
    const made = pulledTo(piece, to);
    if (made) onPiece(way, made);
  };
  const now = { width: widthMm, height: heightMm };
  const [across, down] = onEdgesOf(piece).filter(({ unit }) => unit === 'motifs');
  const motifs = { width: across, height: down };
  return (
    <g>
      {tried && <Tried plan={plan} piece={tried} type={largest * 0.042} />}
      {(disc ? pulls.slice(0, 1) : pulls).map(({ way, at, to }) => (
        <Pull
          key={way}
          way={way}
          at={at}
          radius={radius}
          valueMm={now[way]}
          words={lengthWords(now[way], preferences.length)}
          onOver={(p) => setTried(pulledTo(piece, to(p)))}
          onPulled={(p) => set(way, to(p))}
          onStep={(steps, fine) => {
            const cm = Number((now[way] / 10 + steps * (fine ? step : 2 * step)).toFixed(3));
            const number = motifs[way];
            // Motifs come one by one.
            if (number) onPiece(way, number.told(piece, number.of(piece) + steps));
            else set(way, way === 'width' ? { widthCm: cm } : { heightCm: cm });
          }}
        />
      ))}
    </g>
  );
}

interface PullProps {
  readonly way: 'width' | 'height';
  readonly at: Point;
  readonly radius: number;
  readonly valueMm: number;
  /** The same in the unit in force. */
  readonly words: string;
  readonly onOver: (to: Point) => void;
  readonly onPulled: (to: Point) => void;
  readonly onStep: (steps: number, fine: boolean) => void;
}

const MORE = ['ArrowRight', 'ArrowUp'];
const LESS = ['ArrowLeft', 'ArrowDown'];

function Pull({ way, at, radius, valueMm, words, onOver, onPulled, onStep }: PullProps) {
  const handle = useRef<SVGGElement>(null);
  const [here, setHere] = useState<Point | null>(null);
  useDragged(handle, {
    from: () => at,
    over: (to) => {
      setHere(way === 'width' ? { x: to.x, y: at.y } : { x: at.x, y: to.y });
      onOver(to);
    },
    done: (to) => {
      setHere(null);
      if (to) onPulled(to);
    },
  });
  const onKey = (e: KeyboardEvent): void => {
    if (e.ctrlKey || e.metaKey || e.altKey) return;
    const way = MORE.includes(e.key) ? 1 : LESS.includes(e.key) ? -1 : 0;
    if (way === 0) return;
    e.preventDefault();
    e.stopPropagation();
    onStep(way, e.shiftKey);
  };
  const { x, y } = here ?? at;
  const [w, h] = way === 'width' ? [radius * 0.8, radius * 3] : [radius * 3, radius * 0.8];
  return (
    <g
      ref={handle}
      className={`${styles.pull} ${styles[way]}`}
      role="slider"
      tabIndex={0}
      aria-label={`Pull the piece to its ${way}`}
      aria-orientation={way === 'width' ? 'horizontal' : 'vertical'}
      aria-valuemin={0.5}
      aria-valuemax={2000}
      aria-valuenow={Number((valueMm / 10).toFixed(1))}
      aria-valuetext={words}
      transform={`translate(${x} ${y})`}
      onKeyDown={onKey}
    >
      <rect
        className={styles.reach}
        x={-w - radius}
        y={-h - radius}
        width={2 * (w + radius)}
        height={2 * (h + radius)}
      />
      <path className="target" d={dot(0, 0)} />
      <rect
        className={styles.grip}
        x={-w / 2}
        y={-h / 2}
        width={w}
        height={h}
        rx={radius * 0.4}
        strokeWidth={radius * 0.25}
      />
    </g>
  );
}

/** The outline as it would be, with its size. */
function Tried({ plan, piece, type }: { readonly plan: Plan; readonly piece: Piece; readonly type: number }) {
  const { outline } = bodyOf(piece);
  const mirrored = plan.hem.preferences.hand === 'left' ? -1 : 1;
  const points = corners(outline, 0).map((p) => ({ x: p.x * mirrored, y: p.y }));
  const dashes = { strokeWidth: type * 0.14, strokeDasharray: `${type * 0.5} ${type * 0.3}` };
  return (
    <>
      {isDisc(outline) ? (
        <circle className={styles.ghost} r={Math.abs(points[0]!.x)} {...dashes} />
      ) : (
        <polygon className={styles.ghost} points={points.map((p) => `${p.x},${p.y}`).join(' ')} {...dashes} />
      )}
      <text className={styles.size} fontSize={type}>
        {sizeWords(extent(outline, 0), plan.hem.preferences.length)}
      </text>
    </>
  );
}
