import { context2d } from '../../drawing/context2d.ts';
import { held } from '../../core/held.ts';
import { select } from 'd3-selection';
import { zoom, zoomIdentity, zoomTransform, type ZoomBehavior } from 'd3-zoom';
import { useEffect, useImperativeHandle, useMemo, useRef, useState, type Ref } from 'react';
import type { Point } from '../../core/piece/outline.ts';
import type { Plan } from '../../core/plan/types.ts';
import { entryOf, IN_NOTHING } from '../../core/ring/ring.ts';
import { entryWords } from '../../core/print/stitchWords.ts';
import { useTheme } from '../look/ThemeAndNotices.tsx';
import { THEMES } from '../look/tokens.ts';
import { boxOf, paint, paintStarts, type View } from '../../drawing/paint.ts';
import { stitchAt, type Box, type StitchFound } from '../../drawing/find.ts';
import { framesOf } from '../../drawing/frames.ts';
import { type Scene, type SceneChoice } from '../../drawing/scene.ts';
import { waysOfJoins } from '../../drawing/starts.ts';
import { SheetCanvas, sceneAway } from './sheetPage.ts';
import styles from './stitchStage.module.css';

/** Requests of the frame around a stage. */
export interface StageHandle {
  readonly zoomBy: (factor: number) => void;
  /** Back to the part that is looked at. */
  readonly home: () => void;
  /** The part of the piece that is in view, mm. */
  readonly box: () => Box;
  /** A picture of what is in view, at twice the resolution of the page. */
  readonly picture: () => Promise<Blob | null>;
}

interface StageProps {
  readonly ref: Ref<StageHandle>;
  readonly plan: Plan;
  /** Part of the plan that is drawn, and how. */
  readonly choice: SceneChoice;
  readonly scene: Scene;
  /** The point of the piece that is looked at, mm. */
  readonly focus: Point;
  /** Millimetres of the piece to be seen across and down; the less close of the two counts. */
  readonly across: number;
  readonly down: number;
  /** The stitch that is ringed while none is asked about. */
  readonly marked?: StitchFound | null;
  /** Where the stitch that is asked about first lies, mm, and in which round. */
  readonly first: Point;
  readonly focusRound: number;
  /** Whether it is shown where rounds begin, and the way that their joins take. */
  readonly joins?: boolean;
  /** Hears of a stitch that was touched. */
  readonly onStitch?: ((found: StitchFound) => void) | undefined;
  readonly label: string;
}

/** A scene that can be dragged, zoomed, and asked what each stitch is. */
export function StitchStage({
  ref,
  plan,
  choice,
  scene,
  focus,
  across,
  down,
  first,
  focusRound,
  marked = null,
  joins = false,
  onStitch,
  label,
}: StageProps) {
  const under = useRef<HTMLDivElement>(null);
  const sheet = useRef<SheetCanvas>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const behaviour = useRef<ZoomBehavior<HTMLCanvasElement, unknown> | null>(null);
  const [faults, setFaults] = useState<readonly unknown[]>([]);
  const tries = faults.length;
  const [size, setSize] = useState({ width: 0, height: 0 });
  const [transform, setTransform] = useState(zoomIdentity);
  const [asked, setAsked] = useState<StitchFound | null>(null);
  const { sheet: paper, ink, thread } = THEMES[useTheme()];
  const turn = scene.mirrored ? -1 : 1;
  const lines = useMemo(() => (joins ? waysOfJoins(plan) : null), [joins, plan]);
  const away = useMemo(() => sceneAway(plan.hem, choice, scene), [plan.hem, choice, scene]);
  // The first may be that what paints could not be fetched: it is tried once more.
  if (tries > 1) throw faults[1];

  useEffect(() => {
    let over = false;
    const begun = new SheetCanvas((fault) => {
      if (!over) setFaults((all) => [...all, fault]);
      over = true;
    });
    sheet.current = begun;
    held(under.current, 'it is on the page while effects and events run').append(begun.element);
    return () => {
      over = true;
      begun.element.remove();
      begun.end();
    };
  }, [tries]);

  useEffect(() => {
    const element = held(canvas.current, 'it is on the page while effects and events run');
    const watch = new ResizeObserver(([entry]) => {
      const { width, height } = held(entry, 'an observer tells of at least one change').contentRect;
      setSize({ width, height });
    });
    watch.observe(element);
    const z = zoom<HTMLCanvasElement, unknown>()
      .scaleExtent([0.004, 6])
      .on('zoom', (event: { transform: typeof zoomIdentity }) => setTransform(event.transform));
    behaviour.current = z;
    select(element).call(z);
    return () => watch.disconnect();
  }, []);

  // The scale at which nothing has been zoomed.
  const base = size.width === 0 ? 1 : Math.min(size.width / across, size.height / down);
  const view = useMemo((): View => {
    const dx = (size.width / 2 - transform.x) / transform.k - size.width / 2;
    const dy = (size.height / 2 - transform.y) / transform.k - size.height / 2;
    return { x: focus.x + (dx / base) * turn, y: focus.y + dy / base, scale: base * transform.k };
  }, [base, focus, turn, size, transform]);

  useEffect(() => {
    if (size.width === 0) return;
    const ratio = window.devicePixelRatio || 1;
    const [width, height] = [Math.round(size.width * ratio), Math.round(size.height * ratio)];
    const element = held(canvas.current, 'it is on the page while effects and events run');
    // Setting a size clears the canvas, even when it stays the same.
    if (element.width !== width) element.width = width;
    if (element.height !== height) element.height = height;
    held(sheet.current, 'it is on the page while effects and events run').show(away, {
      view: { ...view, scale: view.scale * ratio },
      width,
      height,
    });
  }, [away, size, view, tries]);

  useEffect(() => {
    // Without anything to mark there is nothing to paint again as the drawing moves.
    const ringed = asked ?? marked;
    if (!ringed && !lines) return;
    const context = context2d(held(canvas.current, 'it is on the page while effects and events run'));
    const seenAt = { ...view, scale: view.scale * (window.devicePixelRatio || 1) };
    if (lines) paintStarts(context, scene, lines, seenAt, { thread, ink });
    if (ringed) ringRound(context, scene, ringed, seenAt, ink, thread);
    return () => {
      context.resetTransform();
      context.clearRect(0, 0, context.canvas.width, context.canvas.height);
    };
  }, [asked, marked, lines, scene, view, size, ink, thread]);

  const move = (to: typeof zoomIdentity): void => {
    if (behaviour.current)
      select(held(canvas.current, 'it is on the page while effects and events run')).call(
        behaviour.current.transform.bind(behaviour.current),
        to,
      );
  };
  const zoomBy = (factor: number): void => {
    if (behaviour.current)
      select(held(canvas.current, 'it is on the page while effects and events run')).call(
        behaviour.current.scaleBy.bind(behaviour.current),
        factor,
      );
  };
  const home = (): void => {
    move(zoomIdentity);
    setAsked(null);
  };
  useImperativeHandle(ref, () => ({
    zoomBy,
    home,
    box: () => boxOf(view, size.width, size.height),
    picture: () => {
      const large = document.createElement('canvas');
      large.width = size.width * 2;
      large.height = size.height * 2;
      const context = context2d(large);
      const enlarged = { ...view, scale: view.scale * 2 };
      paint(context, scene, enlarged);
      if (lines) paintStarts(context, scene, lines, enlarged, { thread, ink });
      context.globalCompositeOperation = 'destination-over';
      context.fillStyle = paper;
      context.fillRect(0, 0, large.width, large.height);
      return new Promise((resolve) => large.toBlob(resolve));
    },
  }));

  /** Asks about a stitch, and brings it into view when it is out of it. */
  const ask = (found: StitchFound): void => {
    setAsked(found);
    const { chart } = scene.rounds[found.round]!;
    const { minX, maxX, minY, maxY } = boxOf(view, size.width, size.height);
    const x = chart.headX[found.entry]!;
    const y = chart.headY[found.entry]!;
    if (x > minX && x < maxX && y > minY && y < maxY) return;
    const { k } = zoomTransform(held(canvas.current, 'it is on the page while effects and events run'));
    move(
      zoomIdentity
        .translate(size.width / 2, size.height / 2)
        .scale(k)
        .translate(
          -(size.width / 2 + (x - focus.x) * base * turn),
          -(size.height / 2 + (y - focus.y) * base),
        ),
    );
  };
  const step = (key: string): void => {
    if (!asked) return ask(nearestTo(scene, first, focusRound));
    const { ring } = scene.rounds[asked.round]!.chart;
    const { length } = ring.made;
    // Work runs leftwards along the top of the piece, and rightwards where it is mirrored.
    const onwards = key === (turn > 0 ? 'ArrowLeft' : 'ArrowRight') ? 1 : -1;
    if (key === 'ArrowDown') {
      const place = ring.into[asked.entry]!;
      const { onto } = plan.rounds[asked.round]!;
      if (onto >= 0 && place !== IN_NOTHING) ask({ round: onto, entry: entryOf(place) });
    } else if (key === 'ArrowUp') {
      const above = plan.rounds.find((r) => r.onto === asked.round && r.ring.into.includes(asked.entry));
      if (above) ask({ round: above.number, entry: above.ring.into.indexOf(asked.entry) });
    } else ask({ ...asked, entry: (asked.entry + onwards + length) % length });
  };
  const stitchUnder = ({ nativeEvent: { offsetX, offsetY } }: React.MouseEvent): StitchFound | null =>
    stitchAt(
      scene.rounds,
      view.x + ((offsetX - size.width / 2) / view.scale) * turn,
      view.y + (offsetY - size.height / 2) / view.scale,
    );
  const hovered = (e: React.PointerEvent): void => {
    if (e.buttons !== 0) return;
    const found = stitchUnder(e);
    setAsked((was) => (was?.round === found?.round && was?.entry === found?.entry ? was : found));
  };
  const there = asked && asked.entry < (plan.rounds[asked.round]?.ring.made.length ?? 0);
  const words = there ? entryWords(plan, asked.round, asked.entry, plan.hem.preferences.language) : null;

  return (
    <div className={`stitch-stage ${styles.stitchStage}`}>
      <div ref={under} className={styles.under} aria-hidden="true" />
      <canvas
        ref={canvas}
        // A screen reader hands its keys on to what is one.
        role="application"
        aria-roledescription="drawing"
        aria-label={`${label}. Arrow keys: left and right along the round, down to the stitch below, up to the one above.`}
        tabIndex={0}
        onPointerMove={hovered}
        onPointerLeave={() => setAsked(null)}
        onClick={(e) => {
          const found = stitchUnder(e);
          if (!found) return;
          setAsked(found);
          onStitch?.(found);
        }}
        onKeyDown={(e) => {
          if (e.key === 'Enter' && asked) onStitch?.(asked);
          if (e.key === '+' || e.key === '=') zoomBy(1.25);
          else if (e.key === '-') zoomBy(0.8);
          else if (e.key === '0') home();
          else if (e.key.startsWith('Arrow')) {
            e.preventDefault();
            step(e.key);
          }
        }}
      />
      <p className={words ? styles.stitchWords : `${styles.stitchWords} ${styles.none}`} role="status">
        {words && (
          <>
            <b>{words.what}</b> {words.into}
            <br />
            {words.where}
          </>
        )}
      </p>
    </div>
  );
}

/** The stitch of a round whose top lies nearest to a point. */
function nearestTo({ rounds }: Scene, { x, y }: Point, round: number): StitchFound {
  const { headX, headY } = rounds[round]!.chart;
  const far = (i: number): number => Math.hypot(headX[i]! - x, headY[i]! - y);
  let entry = 0;
  for (let i = 1; i < headX.length; i++) if (far(i) < far(entry)) entry = i;
  return { round, entry };
}

/** A ring round the stitch that is asked about, and a line to where it sits. */
function ringRound(
  context: CanvasRenderingContext2D,
  scene: Scene,
  { round, entry }: StitchFound,
  view: View,
  ink: string,
  thread: string,
): void {
  const drawn = scene.rounds[round];
  if (!drawn || entry >= drawn.chart.ring.made.length) return;
  const { width, height } = context.canvas;
  const turn = scene.mirrored ? -1 : 1;
  const { chart, widthMm } = drawn;
  const placed = framesOf(chart, entry, widthMm);
  const xs = [chart.headX[entry]!, chart.footX[entry]!, ...placed.map((f) => f[4])];
  const ys = [chart.headY[entry]!, chart.footY[entry]!, ...placed.map((f) => f[5])];
  const mx = (Math.min(...xs) + Math.max(...xs)) / 2;
  const my = (Math.min(...ys) + Math.max(...ys)) / 2;
  const reach = Math.hypot(Math.max(...xs) - mx, Math.max(...ys) - my) + 0.6 * widthMm;
  const at = (x: number, y: number): readonly [number, number] => [
    width / 2 + (x - view.x) * view.scale * turn,
    height / 2 + (y - view.y) * view.scale,
  ];
  for (const [colour, line] of [
    [ink, 4],
    [thread, 2],
  ] as const) {
    context.strokeStyle = colour;
    context.lineWidth = line;
    context.beginPath();
    context.arc(...at(mx, my), reach * view.scale, 0, 2 * Math.PI);
    context.stroke();
  }
  if (chart.ring.into[entry] === IN_NOTHING) return;
  context.fillStyle = thread;
  context.strokeStyle = ink;
  context.lineWidth = 1.5;
  context.beginPath();
  context.arc(
    ...at(chart.footX[entry]!, chart.footY[entry]!),
    Math.max(3, 0.16 * widthMm * view.scale),
    0,
    2 * Math.PI,
  );
  context.fill();
  context.stroke();
}
