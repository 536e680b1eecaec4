import { held } from '../../core/held.ts';
import { drag } from 'd3-drag';
import { scaleLinear } from 'd3-scale';
import { select } from 'd3-selection';
import { useEffect, useEffectEvent, useMemo, useRef, useState } from 'react';
import { isEven, type Plan, type RoundPlan, type SpacingPlan, type SidePlan } from '../../core/plan/types.ts';
import { verdict } from '../../core/flat/flat.ts';
import { countBasisWords, sourceWords } from '../../core/plan/countWords.ts';
import { flatnessWords } from '../../core/flat/flatWords.ts';
import { plural } from '../../core/say/measures.ts';
import styles from './countLine.module.css';
import { LEVEL, LEVELS, flagLevels, placeFlags } from './flags.ts';

export interface CountLineProps {
  readonly plan: Plan;
  readonly side: number;
  /** Counts at which every round comes out even. */
  readonly even: readonly number[];
  /** A count that would come from a solution that is being looked at. */
  readonly preview?: number | null;
  /** `spacing` is set when a flag was chosen. */
  readonly onCount: (count: number, done: boolean) => void;
  readonly onSpacing: (spacing: SpacingPlan['id']) => void;
}

const HEIGHT = 132;
const AXIS = 74;
const EDGE = 26;
/** Half of the tag with the chosen count, and half of a number of the axis beside it, px. */
const TAG_REACH = 36;

/**
 * The count line of a side: possible counts, with the spacings as flags, the flat zone as a band, the counts
 * at which every round comes out even as marks, and the chosen count as a handle.
 */
export function CountLine({ plan, side, even, preview = null, onCount, onSpacing }: CountLineProps) {
  const s = plan.sides[side]!;
  const box = useRef<HTMLDivElement>(null);
  const handle = useRef<SVGGElement>(null);
  const [width, setWidth] = useState(640);
  useEffect(() => {
    const watch = new ResizeObserver(([entry]) =>
      setWidth(held(entry, 'an observer tells of at least one change').contentRect.width),
    );
    watch.observe(held(box.current, 'it is on the page while effects and events run'));
    return () => watch.disconnect();
  }, []);

  const domain = useMemo(() => domainOf(s), [s]);
  const x = useMemo(
    () =>
      scaleLinear()
        .domain(domain)
        .range([EDGE, Math.max(EDGE + 10, width - EDGE)]),
    [domain, width],
  );

  const gripAt = useEffectEvent((): number => x(s.count));
  const dragTo = useEffectEvent((px: number, done: boolean) => {
    const count = Math.min(domain[1], Math.max(domain[0], x.invert(px)));
    onCount(Math.round(count), done);
  });
  useEffect(() => {
    const node = held(handle.current, 'it is on the page while effects and events run');
    // Taken off its centre the grip keeps its distance from the pointer; taken and let go it stays where it was.
    let off = 0;
    let moved = false;
    const dragging = drag<SVGGElement, unknown>()
      .container(() => held(node.ownerSVGElement, 'the handle stands in a drawing'))
      .on('start', (event: { x: number }) => {
        off = event.x - gripAt();
        moved = false;
      })
      .on('drag', (event: { x: number; dx: number }) => {
        moved ||= event.dx !== 0;
        if (moved) dragTo(event.x - off, false);
      })
      .on('end', (event: { x: number }) => {
        if (moved) dragTo(event.x - off, true);
      });
    select(node).call(dragging);
  }, []);

  const step = (by: number): void => onCount(Math.max(1, s.count + by), true);
  const jump = (direction: 1 | -1): void => {
    const next = direction > 0 ? even.find((c) => c > s.count) : even.findLast((c) => c < s.count);
    if (next !== undefined) onCount(next, true);
  };
  // Where nearly every count comes out even, a loop for each would say less than a tick.
  const shown = even.filter((c) => c >= domain[0] && c <= domain[1]);
  const crowded = even.length > 1 && x(even[1]!) - x(even[0]!) < 26;
  const comesOut = plan.rounds.every((r) => fitsHere(r, side));
  const flags = placeFlags(s.spacings, x, width);
  // As many lines of flags as there must be: the axis makes room.
  const lower = Math.max(0, flagLevels(flags) - LEVELS) * LEVEL;
  const axis = AXIS + lower;
  // What is shown is counted between the corners; what is set is counted along the edge.
  const { corners } = s;
  const ticks = x
    .copy()
    .domain([domain[0] + corners, domain[1] + corners])
    .ticks(Math.max(3, Math.floor(width / 90)))
    .filter(Number.isInteger);
  const clampX = (count: number): number => Math.min(width - 2, Math.max(2, x(count)));

  return (
    <div className={styles.countLine} ref={box}>
      <svg width={width} height={HEIGHT + lower} role="group" aria-label={`Stitch count of side ${s.name}`}>
        <rect
          className={styles.bandBlocks}
          x={clampX(s.blocksFrom)}
          width={clampX(s.blocksTo) - clampX(s.blocksFrom)}
          y={axis - 15}
          height={30}
        />
        <rect
          className={styles.bandFlat}
          x={clampX(s.flatFrom)}
          width={clampX(s.flatTo) - clampX(s.flatFrom)}
          y={axis - 15}
          height={30}
        />
        <line className={styles.axis} x1={0} x2={width} y1={axis} y2={axis} />
        {ticks.map((t) => (
          <g key={t} transform={`translate(${x(t - corners)} ${axis})`} className={styles.tick}>
            <line y1={-4} y2={4} />
            {Math.abs(x(t - corners) - clampX(s.count)) > TAG_REACH && <text y={34}>{t}</text>}
          </g>
        ))}
        {crowded ? (
          <path className={styles.evenMarks} d={shown.map((c) => `M${x(c)} ${axis}v-7`).join('')} />
        ) : (
          shown.map((c) => (
            <g key={c} transform={`translate(${x(c)} ${axis})`} className={styles.evenMark}>
              <path d="M0 0 C -7 -4, -6 -13, 0 -13 S 7 -4, 0 0" />
            </g>
          ))
        )}
        <g className={styles.ideal} transform={`translate(${x(s.flatCount)} ${axis})`}>
          <path d="M0 7 l5 8 h-10 z" />
        </g>
        {flags.map(({ spacing, px, level, left }) => (
          <g
            key={spacing.id}
            className={
              s.choice.school === spacing.id && s.choice.count === null
                ? `${styles.flag} ${styles.chosen}`
                : styles.flag
            }
            transform={`translate(${px} 0)`}
            role="button"
            tabIndex={0}
            aria-label={`${spacing.label}: ${spacing.count + corners} stitches (${countBasisWords(spacing, s, plan)}), ${flatnessWords(verdict(spacing.strain, plan.flatLimits))}`}
            onClick={() => onSpacing(spacing.id)}
            onKeyDown={(e) => {
              if (e.key === 'Enter' || e.key === ' ') {
                e.preventDefault();
                onSpacing(spacing.id);
              }
            }}
          >
            <title>{`${spacing.count + corners} = ${countBasisWords(spacing, s, plan)}: ${flatnessWords(verdict(spacing.strain, plan.flatLimits))}`}</title>
            <line className={styles.pole} y1={10 + level * LEVEL} y2={axis} />
            <text className={left ? styles.toLeft : undefined} x={left ? -5 : 5} y={14 + level * LEVEL}>
              {spacing.label} <tspan className={styles.flagCount}>{spacing.count + corners}</tspan>
            </text>
          </g>
        ))}
        {preview !== null && preview !== s.count && (
          <circle className={styles.preview} cx={x(preview)} cy={axis} r={9} />
        )}
        <g
          ref={handle}
          className={comesOut ? `${styles.handle} ${styles.even}` : styles.handle}
          transform={`translate(${clampX(s.count)} ${axis})`}
          role="slider"
          tabIndex={0}
          aria-label={`Stitches along side ${s.name}`}
          aria-valuemin={domain[0] + corners}
          aria-valuemax={domain[1] + corners}
          aria-valuenow={s.count + corners}
          aria-valuetext={`${s.count + corners} stitches on side ${s.name}: ${comesOut ? 'every round fits' : 'some rounds do not fit'}`}
          onKeyDown={(e) => {
            const act = {
              ArrowRight: () => step(1),
              ArrowUp: () => step(1),
              ArrowLeft: () => step(-1),
              ArrowDown: () => step(-1),
              PageUp: () => jump(1),
              PageDown: () => jump(-1),
            }[e.key];
            if (act) {
              e.preventDefault();
              act();
            }
          }}
        >
          <rect className={styles.gripReach} x={-22} y={-22} width={44} height={62} />
          <line y1={-15} y2={22} />
          <circle r={8} />
          <g transform="translate(0 40)">
            <rect className={styles.tag} x={-22} y={-14} width={44} height={22} rx={4} />
            <text y={2}>{s.count + corners}</text>
          </g>
        </g>
      </svg>
      <p className={styles.countSays} aria-live="polite">
        <span className={styles.steps}>
          <button
            type="button"
            aria-label={`Down to the next count that fits, side ${s.name}`}
            onClick={() => jump(-1)}
          >
            ⟪
          </button>
          <button type="button" aria-label={`One stitch fewer on side ${s.name}`} onClick={() => step(-1)}>
            −
          </button>
          <button type="button" aria-label={`One stitch more on side ${s.name}`} onClick={() => step(1)}>
            +
          </button>
          <button
            type="button"
            aria-label={`Up to the next count that fits, side ${s.name}`}
            onClick={() => jump(1)}
          >
            ⟫
          </button>
        </span>
        <CountWords plan={plan} side={side} even={comesOut} />
      </p>
    </div>
  );
}

/** Whether a round comes out even on a side. */
function fitsHere(round: RoundPlan, side: number): boolean {
  const fit = round.sides[side]!.fit;
  return fit === null || isEven(fit);
}

/** Meaning of the chosen count, in one line. */
function CountWords({
  plan,
  side,
  even,
}: {
  readonly plan: Plan;
  readonly side: number;
  readonly even: boolean;
}) {
  const s = plan.sides[side]!;
  const base = plan.rounds[0]!.sides[side]!;
  const odd = plan.rounds.find((r) => !fitsHere(r, side));
  const fit = odd?.sides[side]!.fit;
  return (
    <span>
      {plural(s.count + s.corners, 'stitch')}: {flatnessWords(base.verdict)}.{' '}
      {even
        ? 'Every round fits.'
        : `${odd ? odd.name : 'A round'}: ${plural(fit?.over ?? 0, 'stitch')} left over. Take away ${fit?.over ?? 0}, or add ${fit?.short ?? 0}.`}{' '}
      <span className="quiet">{sourceWords(s, plan)}</span>
    </span>
  );
}

/** The counts that the line spans: the spacings, the flat zone and the count itself, with room at the ends. */
function domainOf(s: SidePlan): readonly [number, number] {
  const far = s.spacings.map((x) => x.count).filter((c) => c > s.flatCount * 0.6 && c < s.flatCount * 1.5);
  const reach = Math.max(8, s.flatCount * 0.07);
  const low = Math.min(s.flatCount - reach, s.count, ...far);
  const high = Math.max(s.flatCount + reach, s.count, ...far);
  const room = (high - low) * 0.04;
  return [Math.max(1, Math.floor(low - room)), Math.ceil(high + room)];
}
