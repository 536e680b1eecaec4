import { useEffect, useRef } from 'react';
import type { Point } from '../../core/piece/outline.ts';
import type { Plan } from '../../core/plan.ts';
import { useLook } from '../look/Look.tsx';
import { GROUNDS } from '../look/tokens.ts';
import { paint, paintFeet } from './paint.ts';
import { sceneOf } from './scene/scene.ts';

export interface SwatchProps {
  readonly plan: Plan;
  /** The point of the piece in the middle, mm. */
  readonly at: Point;
  /** Stitch widths from left to right. */
  readonly across: number;
  /** Size on the page, pixels. */
  readonly width: number;
  readonly height: number;
  /** Whether the piece itself is drawn. */
  readonly withPiece?: boolean;
  /** Only this round in full colour, with a dot at every place that it goes into. */
  readonly round?: number;
}

/** A small drawing of a part of a border, painted when it comes into view. */
export function Swatch({ plan, at, across, width, height, withPiece = false, round }: SwatchProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { sheet, thread, ink } = GROUNDS[useLook().ground];
  const { x, y } = at;
  useEffect(() => {
    const element = canvas.current!;
    const watch = new IntersectionObserver(([entry]) => {
      if (!entry!.isIntersecting) return;
      watch.disconnect();
      const ratio = window.devicePixelRatio || 1;
      element.width = width * ratio;
      element.height = height * ratio;
      const scene = sceneOf(plan, { face: 'yarn', seen: 'right', round: round ?? null, ground: sheet });
      const view = { x, y, scale: (width * ratio) / (across * plan.stitchWidthMm) };
      const context = element.getContext('2d')!;
      paint(context, withPiece ? scene : { ...scene, body: [] }, view);
      if (round !== undefined) paintFeet(context, scene, round, view, { thread, ink });
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, [plan, sheet, thread, ink, x, y, across, width, height, withPiece, round]);
  return <canvas ref={canvas} className="drawn-swatch" style={{ width, height }} aria-hidden="true" />;
}
