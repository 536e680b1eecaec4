import { context2d } from '../../drawing/context2d.ts';
import { held } from '../../core/held.ts';
import { useCallback, useEffect, useRef } from 'react';
import type { Point } from '../../core/piece/outline.ts';
import type { Plan } from '../../core/plan/types.ts';
import { useTheme } from '../look/ThemeAndNotices.tsx';
import { THEMES } from '../look/tokens.ts';
import { paint, paintFeet, paintStarts } from '../../drawing/paint.ts';
import { sceneOf } from '../../drawing/scene.ts';
import { waysOfJoins } from '../../drawing/starts.ts';

/** View of a swatch: a plan, and the point of the piece in its middle, mm. */
export interface SwatchView {
  readonly plan: Plan;
  readonly at: Point;
}

export interface SwatchProps {
  /** Asked for when the swatch comes into view; the same function shows the same. */
  readonly look: () => SwatchView;
  /** Stitch widths from left to right. */
  readonly across: number;
  /** Size on the page, pixels. */
  readonly width: number;
  readonly height: number;
  /** Whether the piece itself is drawn. */
  readonly withPiece?: boolean;
  /** Only this round in full colour, with a dot at every place that it goes into. */
  readonly round?: number;
  /** Whether the first stitch of every round is marked. */
  readonly starts?: boolean;
}

/** A small drawing of a part of a border, painted when it comes into view. */
export function Swatch({
  look,
  across,
  width,
  height,
  withPiece = false,
  round,
  starts = false,
}: SwatchProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { sheet, thread, ink } = THEMES[useTheme()];
  useEffect(() => {
    const element = held(canvas.current, 'it is on the page while effects and events run');
    const watch = new IntersectionObserver(([entry]) => {
      if (!held(entry, 'an observer tells of at least one change').isIntersecting) return;
      watch.disconnect();
      const { plan, at } = look();
      const ratio = window.devicePixelRatio || 1;
      element.width = width * ratio;
      element.height = height * ratio;
      const scene = sceneOf(plan, { face: 'yarn', seen: 'right', round: round ?? null, ground: sheet });
      const view = { ...at, scale: (width * ratio) / (across * plan.stitchWidthMm) };
      const context = context2d(element);
      paint(context, withPiece ? scene : { ...scene, body: [] }, view);
      if (round !== undefined) paintFeet(context, scene, round, view, { thread, ink });
      if (starts) paintStarts(context, scene, waysOfJoins(plan), view, { thread, ink });
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, [look, sheet, thread, ink, across, width, height, withPiece, round, starts]);
  return <canvas ref={canvas} className="drawn-swatch" style={{ width, height }} aria-hidden="true" />;
}

/** A swatch of a plan that is at hand. */
export function PlanSwatch({ plan, at, ...rest }: SwatchView & Omit<SwatchProps, 'look'>) {
  const { x, y } = at;
  const look = useCallback(() => ({ plan, at: { x, y } }), [plan, x, y]);
  return <Swatch look={look} {...rest} />;
}
