/**
 * A step in the making of a stitch, as strands and a hook. The frame is that of the stitch: x along the edge in stitch
 * widths, y upwards, the place that is worked into at the origin; work runs from right to left.
 */
import { STITCHES } from '../core/terms/stitches.ts';
import { isChainRun, stitchOf, type Stitch } from '../core/ring/stitch.ts';
import type { MakingStep } from '../core/print/making.ts';
import { strandsOf } from './yarnFace.ts';

/** Something drawn: path data, in its own frame moved by (x, y). Later ones lie on top. */
export interface DrawnPath {
  readonly d: string;
  readonly x: number;
  readonly y: number;
  readonly of: 'fabric' | 'yarn' | 'hook';
}

interface Loop {
  /** Holder of the loop: a foot in the fabric, the stitch before, or nothing, as for a yarn-over. */
  readonly from: readonly [x: number, y: number] | null;
}

const BELOW = stitchOf({ kind: 'sc' });
const BELOW_HEIGHT = STITCHES.sc.height;
/** Places of the fabric that are drawn. */
const PLACES = [-2, -1, 0, 1, 2];

/** Forms whose making goes beyond what lies on the hook: they are told in words beside the finished stitch. */
export const isDrawnInSteps = (stitch: Stitch): boolean =>
  ['plain', 'together', 'puff', 'bobble', 'twisted', 'reverse'].includes(stitch.form);

/** Height of the drawing of a stitch, stitch widths above the place that it goes into. */
export function drawingHeight(stitch: Stitch): number {
  if (stitch.form === 'tassel') return 4;
  return stitch.kind === 'ch' && stitch.form !== 'plain'
    ? BELOW_HEIGHT + 1.7
    : STITCHES[stitch.kind].height + 1.15;
}

/** The finished stitch on the row that it was worked into; a picot or dot stands on a stitch. */
export function finishedDrawing(stitch: Stitch): readonly DrawnPath[] {
  const { post, top } = strandsOf(stitch);
  const stands = stitch.form === 'picot' || stitch.form === 'dot';
  const y = stands ? BELOW_HEIGHT : 0;
  return [
    ...fabric(),
    ...(stands ? [1, 0, -1].flatMap((x) => finishedStitch(BELOW, x)) : []),
    ...[...post, ...top].map((d) => ({ d, x: 0, y, of: 'yarn' as const })),
  ];
}

/** The drawing after step `index` of the steps of a stitch. */
export function makingDrawing(
  stitch: Stitch,
  steps: readonly MakingStep[],
  index: number,
): readonly DrawnPath[] {
  const { height } = STITCHES[stitch.kind];
  const state = stateAfter(stitch, steps.slice(0, index + 1), height);
  const finished = index === steps.length - 1;
  const inserted =
    steps[index]!.movement.do === 'insert' ? (steps[index]!.movement as { leg: number }).leg : null;
  const shaft = shaftOf(height, inserted, stitch);
  const layers: DrawnPath[] = [...fabric()];
  if (!isChainRun(stitch)) layers.push(...finishedStitch(stitch.form === 'plain' ? stitch : BELOW, 1));
  if (finished && !isChainRun(stitch)) layers.push(...finishedStitch(stitch, 0));
  if (isChainRun(stitch)) layers.push(...chainBefore(finished ? 4 : 3));
  for (const built of state.built) layers.push(...built);
  const places = state.loops.map((_, i) => shaft.at(i));
  state.loops.forEach(({ from }, i) => {
    const [x, y] = places[i]!;
    if (from && !finished) layers.push({ d: hangingStrand(from, [x, y - 0.3]), x: 0, y: 0, of: 'yarn' });
    layers.push({ d: halfLoop(-1), x, y, of: 'yarn' });
  });
  layers.push({ d: shaft.d, x: 0, y: 0, of: 'hook' });
  if (inserted !== null) layers.push(...overTheHook(stitch, -Math.max(0, inserted)));
  for (const [x, y] of places) layers.push({ d: halfLoop(1), x, y, of: 'yarn' });
  const [lx, ly] = places[places.length - 1]!;
  layers.push({
    d: `M ${lx - 0.12} ${ly + 0.25} C ${lx - 0.7} ${ly + 0.75}, -1.6 ${ly + 0.1}, -2.4 ${ly + 0.45}`,
    x: 0,
    y: 0,
    of: 'yarn',
  });
  return layers;
}

/** The row that is worked into. */
function fabric(): readonly DrawnPath[] {
  const of = 'fabric' as const;
  const { post, top } = strandsOf(BELOW);
  return [
    ...PLACES.flatMap((x) => post.map((d) => ({ d, x, y: -BELOW_HEIGHT, of }))),
    ...PLACES.flatMap((x) => top.map((d) => ({ d, x, y: -BELOW_HEIGHT, of }))),
  ];
}

function finishedStitch(stitch: Stitch, x: number): readonly DrawnPath[] {
  const { post, top } = strandsOf(stitch);
  const shift = stitch.form === 'together' ? -(stitch.legs - 1) / 2 : 0;
  return [...post, ...top].map((d) => ({ d, x: x + shift, y: 0, of: 'yarn' as const }));
}

/** Chains that hang from the stitch before, a link for each. */
function chainBefore(count: number): readonly DrawnPath[] {
  return Array.from({ length: count }, (_, i) =>
    strandsOf(stitchOf({ kind: 'ch', chains: 1 })).top.map((d) => ({
      d,
      x: 1.6 - i * 0.72,
      y: 0.45,
      of: 'yarn' as const,
    })),
  ).flat();
}

interface State {
  readonly loops: readonly Loop[];
  /** Parts of the post that stand already. */
  readonly built: readonly (readonly DrawnPath[])[];
}

/** Loops on the hook and stitches that stand after some steps. */
function stateAfter(stitch: Stitch, steps: readonly MakingStep[], height: number): State {
  let loops: Loop[] = [
    {
      from: isChainRun(stitch)
        ? [-0.35, 0.5]
        : [1, STITCHES[stitch.form === 'plain' ? stitch.kind : 'sc'].height],
    },
  ];
  const built: DrawnPath[][] = [];
  let foot = 0;
  for (const step of steps) {
    const more = step.loops - loops.length;
    const { movement } = step;
    if (movement.do === 'insert') foot = -Math.max(0, movement.leg);
    else if (movement.do === 'wrap') for (let k = 0; k < more; k++) loops.push({ from: null });
    else if (movement.do === 'draw up') loops.push({ from: [foot, 0] });
    else if (movement.do === 'again')
      for (let k = 0; k < more; k++) loops.push({ from: [foot + 0.14 * (k + 1), 0] });
    else if (movement.do === 'draw through') {
      loops = loops.slice(0, step.loops - 1);
      const stands = partHeight(stitch, step, height);
      loops.push({ from: [foot, stands] });
      if (step.loops > 1) built.push(legsTo(foot, stands));
      else built.length = 0;
    }
  }
  return { loops, built };
}

/** How high a leg stands when some of its loops have been worked off. */
const partHeight = (stitch: Stitch, step: MakingStep, height: number): number =>
  stitch.form === 'plain' ? height * step.built * 0.9 : height * 0.62;

const legsTo = (x: number, y: number): DrawnPath[] =>
  [-1, 1].map((side) => ({
    d: `M ${0.05 * side} -0.1 C ${0.08 * side} ${y * 0.4}, ${0.15 * side} ${y * 0.6}, ${0.13 * side} ${y}`,
    x,
    y: 0,
    of: 'yarn',
  }));

interface Shaft {
  readonly d: string;
  /** Where loop `i` lies, the first nearest to the handle. */
  readonly at: (i: number) => readonly [x: number, y: number];
}

/** The hook: above the work, or through the place that it goes into. */
function shaftOf(height: number, inserted: number | null, { post, form }: Stitch): Shaft {
  const up = height + 0.4;
  const low = post === 'none' ? -0.12 : -0.5;
  const leg = inserted === null ? 0 : -Math.max(0, inserted);
  const [tx, ty] =
    inserted === null ? [-0.75, up - 0.1] : form === 'reverse' ? [1.25, -0.1] : [leg - 0.6, low];
  const [hx, hy] = [2.5, up + 0.35];
  const slope = (hy - ty) / (hx - tx);
  const d = [
    `M ${hx} ${hy} L ${tx + 0.3} ${ty + 0.3 * slope}`,
    `M ${tx + 0.3} ${ty + 0.3 * slope} C ${tx + 0.1} ${ty + 0.16}, ${tx - 0.1} ${ty + 0.1}, ${tx} ${ty - 0.06}`,
  ].join(' ');
  const from = inserted === null ? 0.75 : 1.35;
  return { d, at: (i) => [from - 0.27 * i + 0.25, ty + slope * (from - 0.27 * i + 0.25 - tx)] };
}

/** Half of a loop round the hook: behind it, or before it. */
const halfLoop = (side: 1 | -1): string => `M 0 -0.32 C ${0.2 * side} -0.3, ${0.2 * side} 0.3, 0 0.32`;

const hangingStrand = ([x0, y0]: readonly [number, number], [x1, y1]: readonly [number, number]): string =>
  `M ${x0} ${y0} C ${x0} ${y0 + (y1 - y0) * 0.5}, ${x1} ${y0 + (y1 - y0) * 0.6}, ${x1} ${y1}`;

/** Strands over the hook where it goes in: loops of the top, or a post. */
function overTheHook({ loop, post }: Stitch, x: number): readonly DrawnPath[] {
  const of = 'fabric' as const;
  const { post: legs, top } = strandsOf(BELOW);
  const [near, far] = top as readonly [string, string];
  const at = (strands: readonly string[], where: number): readonly DrawnPath[] =>
    strands.map((d) => ({ d, x: where, y: -BELOW_HEIGHT, of }));
  if (post === 'front') return [...at(legs, x)];
  if (post === 'back') return [...at(legs, x - 1), ...at(legs, x + 1)];
  if (loop === 'front') return at([near], x);
  if (loop === 'back') return at([far], x);
  return at(top, x);
}
