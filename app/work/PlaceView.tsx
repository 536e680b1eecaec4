import { useMemo, useRef } from 'react';
import type { Plan } from '../../core/plan/types.ts';
import type { RoundChart } from '../../core/chart/roundChart.ts';
import type { Point } from '../../core/piece/outline.ts';
import type { StitchFound } from '../../drawing/find.ts';
import { orderOfWork } from '../../core/procedure/order.ts';
import { proceduresOf } from '../../core/procedure/procedure.ts';
import { progressOf } from '../../core/work/progress.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { StitchStage, type StageHandle } from '../drawing/StitchStage.tsx';
import { useTheme } from '../look/ThemeAndNotices.tsx';
import { THEMES } from '../look/tokens.ts';
import { partPoint } from '../../drawing/viewParts.ts';
import { sceneOf, type SceneChoice } from '../../drawing/scene.ts';
import styles from './work.module.css';

/** Something to be looked at in place of the stitch in hand: in this plan, or in another. */
export interface Shown {
  readonly plan: Plan;
  readonly at: StitchFound;
  /** Hears of a stitch that is touched. */
  readonly onStitch?: (found: StitchFound) => void;
}

/** Stitch widths that are seen across. */
const ACROSS = 26;

/** The nearest that the edge of the view is, as a part of what is seen across: sideways, and up and down. */
const [REACH_X, REACH_Y] = [0.5, 0.2] as const;

/**
 * How far towards the piece the view is moved, as a part of what is seen across: beyond the outermost round there is nothing to see. The
 * stitch in hand stays well within it.
 *
 * @param outside what is still to come outside the round in hand, as such a part
 * @param way outwards, of length 1
 */
function inwardsBy(outside: number, way: Point): number {
  const reach = Math.min(REACH_X / Math.abs(way.x), REACH_Y / Math.abs(way.y));
  return Math.min(0.6 * reach, Math.max(0, 0.85 * reach - outside));
}

/** Stitches before and after one that tell together which way is outwards: those of a fan lean either way. */
const BESIDE = 6;

/** The way in which the stitches about one stand, of length 1. */
function outwardsAt({ headX, headY, footX, footY }: RoundChart, entry: number): Point {
  const size = headX.length;
  let [x, y] = [0, 0];
  for (let k = entry - BESIDE; k <= entry + BESIDE; k++) {
    const at = ((k % size) + size) % size;
    x += headX[at]! - footX[at]!;
    y += headY[at]! - footY[at]!;
  }
  const high = Math.hypot(x, y) || 1;
  return { x: x / high, y: y / high };
}

/** The border round the next stitch: what is made in full colour, what comes pale; and small, the place on the piece. */
export function PlaceView({
  plan,
  lookAt,
  onStitch,
}: {
  readonly plan: Plan;
  /** A stitch to be looked at in place of the one in hand; null looks at that. */
  readonly lookAt: StitchFound | null;
  readonly onStitch?: ((found: StitchFound) => void) | undefined;
}) {
  const stage = useRef<StageHandle>(null);
  const { sheet } = THEMES[useTheme()];
  const { round, made } = progressOf(plan);
  const number = lookAt?.round ?? round?.number ?? plan.rounds.length - 1;
  const shown = plan.rounds[number]!;
  const choice = useMemo<SceneChoice>(
    () => ({
      face: 'yarn',
      seen: shown.facing,
      round: null,
      ground: sheet,
      worked: { round: number, made: round?.number === number ? made : shown.ring.made.length },
    }),
    [shown, number, round?.number, made, sheet],
  );
  const scene = useMemo(() => sceneOf(plan, choice), [plan, choice]);
  const order = orderOfWork(shown);
  const next = order.entry((proceduresOf(plan)[number]!.start?.at ?? 0) + Math.min(made, order.size - 1));
  const entry = Math.min(lookAt?.entry ?? next, order.size - 1);
  const { headX, headY } = scene.rounds[number]!.chart;
  const [x, y] = [headX[entry]!, headY[entry]!];
  const across = ACROSS * plan.stitchWidthMm;
  const out = outwardsAt(scene.rounds[number]!.chart, entry);
  const inwards = across * inwardsBy((plan.borderWidthMm - shown.heightMm) / across, out);
  const [lookX, lookY] = [x - out.x * inwards, y - out.y * inwards];
  const whole = !round && !lookAt;
  const at = useMemo<Point>(
    () => (whole ? partPoint(plan, { kind: 'whole' }, 0) : { x: lookX, y: lookY }),
    [whole, plan, lookX, lookY],
  );
  const here = useMemo<Point>(() => ({ x, y }), [x, y]);
  const marked = useMemo(
    () => (round || lookAt ? { round: number, entry } : null),
    [round, lookAt, number, entry],
  );
  return (
    <>
      <StitchStage
        ref={stage}
        plan={plan}
        choice={choice}
        scene={scene}
        focus={at}
        across={whole ? 1.06 * plan.finishedSize.widthMm : across}
        down={whole ? 1.06 * plan.finishedSize.heightMm : 0.4 * across}
        first={here}
        focusRound={number}
        marked={marked}
        onStitch={onStitch}
        label="Where you are, stitch by stitch"
      />
      {!whole && (
        <div className={styles.map} aria-hidden="true">
          <PlanDrawing plan={plan} bare place={here} />
        </div>
      )}
    </>
  );
}
