import { select, zoom, zoomIdentity, type ZoomBehavior } from 'd3';
import { Button, Segmented } from 'antd';
import { CornersOut, Minus, Plus } from '@phosphor-icons/react';
import { memo, useEffect, useMemo, useRef, useState } from 'react';
import { bodyOutline, chartOf } from '../../core/chart/chart.ts';
import type { Plan } from '../../core/plan.ts';
import { useLook } from '../look/Look.tsx';
import { GROUNDS } from '../look/tokens.ts';
import { faded } from './colours.ts';
import { paint, type Face, type PaintedRound } from './paint.ts';
import './stitchView.css';

export interface StitchViewProps {
  readonly plan: Plan;
  /** The corner before this side is in the middle. */
  readonly corner: number;
  /** Only this round in full, those below it faint; null for all. */
  readonly round?: number | null;
  readonly label: string;
}

/** Stitch widths across the view when nothing has been zoomed. */
const STITCHES_ACROSS = 17;

/** A part of the border, every stitch drawn; it can be dragged and zoomed. */
export const StitchView = memo(function StitchView({ plan, corner, round = null, label }: StitchViewProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const behaviour = useRef<ZoomBehavior<HTMLCanvasElement, unknown> | null>(null);
  const [face, setFace] = useState<Face>('yarn');
  const [size, setSize] = useState({ width: 0, height: 0 });
  const [transform, setTransform] = useState(zoomIdentity);

  const { sheet } = GROUNDS[useLook().ground];
  const rounds = useMemo<readonly PaintedRound[]>(() => {
    const tone = (colour: string, behind: boolean): string => (behind ? faded(colour, sheet) : colour);
    const colours = new Map(plan.hem.yarns.map((y) => [y.id, y.colour]));
    return chartOf(plan).map((chart, k) => ({
      chart,
      colour: tone(colours.get(plan.rounds[k]!.yarnId)!, round !== null && k !== round),
      widthMm: plan.rounds[k]!.stitchWidthMm,
    }));
  }, [plan, round, sheet]);
  const body = useMemo(
    () => ({ outline: bodyOutline(plan), colour: faded(plan.hem.pieceColour, sheet) }),
    [plan, sheet],
  );
  const focus = useMemo(() => {
    const middle = rounds[round ?? Math.floor((rounds.length - 1) / 2)]!.chart;
    const centre = middle.ring.centres[corner];
    const i = centre?.start ?? 0;
    return { x: middle.headX[i]!, y: middle.headY[i]! };
  }, [rounds, corner, round]);

  useEffect(() => {
    const element = canvas.current!;
    const watch = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      setSize({ width, height });
    });
    watch.observe(element);
    const z = zoom<HTMLCanvasElement, unknown>()
      .scaleExtent([0.02, 6])
      .on('zoom', (event: { transform: typeof zoomIdentity }) => setTransform(event.transform));
    behaviour.current = z;
    select(element).call(z);
    return () => watch.disconnect();
  }, []);

  useEffect(() => {
    const element = canvas.current!;
    if (size.width === 0) return;
    const ratio = window.devicePixelRatio || 1;
    element.width = Math.round(size.width * ratio);
    element.height = Math.round(size.height * ratio);
    const context = element.getContext('2d')!;
    const mirrored = plan.hem.preferences.hand === 'left';
    const base = size.width / (STITCHES_ACROSS * plan.stitchWidthMm);
    const scale = base * transform.k;
    // What lies in the middle of the canvas after the drag and zoom.
    const dx = (size.width / 2 - transform.x) / transform.k - size.width / 2;
    const dy = (size.height / 2 - transform.y) / transform.k - size.height / 2;
    const x = focus.x + (dx / base) * (mirrored ? -1 : 1);
    const view = { x, y: focus.y + dy / base, scale: scale * ratio, mirrored };
    const frame = requestAnimationFrame(() =>
      paint(context, element.width, element.height, body, rounds, view, face),
    );
    return () => cancelAnimationFrame(frame);
  }, [body, rounds, focus, size, transform, face, plan]);

  const by = (factor: number): void => {
    if (behaviour.current)
      select(canvas.current!).call(behaviour.current.scaleBy.bind(behaviour.current), factor);
  };
  const back = (): void => {
    if (behaviour.current) {
      select(canvas.current!).call(behaviour.current.transform.bind(behaviour.current), zoomIdentity);
    }
  };
  return (
    <figure className="stitch-view">
      <canvas
        ref={canvas}
        role="img"
        aria-label={label}
        tabIndex={0}
        onKeyDown={(e) => {
          if (e.key === '+' || e.key === '=') by(1.25);
          else if (e.key === '-') by(0.8);
          else if (e.key === '0') back();
        }}
      />
      <figcaption>
        <Segmented
          size="small"
          aria-label="Draw as"
          value={face}
          options={[
            { value: 'yarn', label: 'Yarn' },
            { value: 'symbols', label: 'Symbols' },
          ]}
          onChange={setFace}
        />
        <span className="view-tools">
          <Button size="small" type="text" aria-label="Closer" icon={<Plus />} onClick={() => by(1.25)} />
          <Button size="small" type="text" aria-label="Farther" icon={<Minus />} onClick={() => by(0.8)} />
          <Button
            size="small"
            type="text"
            aria-label="Back to the corner"
            icon={<CornersOut />}
            onClick={back}
          />
        </span>
      </figcaption>
    </figure>
  );
});
