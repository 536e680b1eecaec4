import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import styles from './stretched.module.css';

export interface StretchedProps {
  readonly label: string;
  /** Width, pixels. */
  readonly width: number;
  readonly height: number;
  readonly least: number;
  readonly most: number;
  /** The width in words. */
  readonly valueText: (width: number) => string;
  readonly onWidth: (width: number) => void;
  /** Its contents at a width. */
  readonly children: (width: number) => ReactNode;
}

/** Something that is pulled wider or narrower by its right edge, with a finger, a mouse or the arrow keys. */
export function Stretched({
  label,
  width,
  height,
  least,
  most,
  valueText,
  onWidth,
  children,
}: StretchedProps) {
  const [pulled, setPulled] = useState<number | null>(null);
  const from = useRef<{ readonly x: number; readonly width: number } | null>(null);
  const box = useRef<HTMLDivElement>(null);
  // Where it stands there may be less room than it could take: it is never told wider than it is.
  const within = (w: number): number =>
    Math.max(least, Math.min(most, box.current?.parentElement?.clientWidth || most, w));
  const at = pulled ?? width;
  const onMove = (e: PointerEvent): void => {
    if (from.current) setPulled(within(from.current.width + e.clientX - from.current.x));
  };
  const onEnd = (): void => {
    from.current = null;
    setPulled(null);
    if (pulled !== null && pulled !== width) onWidth(pulled);
  };
  const onKey = (e: KeyboardEvent): void => {
    const by =
      e.key === 'ArrowRight' || e.key === 'ArrowUp'
        ? 1
        : e.key === 'ArrowLeft' || e.key === 'ArrowDown'
          ? -1
          : 0;
    if (by === 0 || e.ctrlKey || e.metaKey || e.altKey) return;
    e.preventDefault();
    e.stopPropagation();
    onWidth(within(width + by * (e.shiftKey ? 1 : 4)));
  };
  return (
    <div ref={box} className={styles.stretched} style={{ width: at, height }}>
      {children(at)}
      <span
        className={styles.grip}
        role="slider"
        tabIndex={0}
        aria-label={label}
        aria-valuemin={Math.round(least)}
        aria-valuemax={Math.round(most)}
        aria-valuenow={Math.round(at)}
        aria-valuetext={valueText(at)}
        onKeyDown={onKey}
        onPointerDown={(e) => {
          if (e.button !== 0) return;
          e.currentTarget.setPointerCapture(e.pointerId);
          from.current = { x: e.clientX, width };
        }}
        onPointerMove={onMove}
        onPointerUp={onEnd}
        onPointerCancel={() => {
          from.current = null;
          setPulled(null);
        }}
      />
    </div>
  );
}
