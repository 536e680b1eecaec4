import { Button } from 'antd';
import { memo, useCallback, useMemo, useState, type KeyboardEvent } from 'react';
import type { SpotKind } from '../../core/piece/edge.ts';
import { isAtJoin } from '../../core/base/baseRound.ts';
import { placementWords, spotName, spotNumber } from '../../core/print/run.ts';
import { spotNoun } from '../../core/base/spacings.ts';
import type { Plan } from '../../core/plan/types.ts';
import { sideLabel } from '../../core/print/placeWords.ts';
import { plural } from '../../core/say/measures.ts';
import styles from './run.module.css';

/** Width of a spot in the drawing, px; a longer side scrolls. */
const PITCH = 15;
/** Most stitches that are placed in one spot. */
const MOST = 9;
/** Kinds that are nothing to go into, but something to go around. */
const OPEN: ReadonlySet<SpotKind> = new Set(['gap', 'block gap', 'between stitches', 'corner space']);

export interface RunProps {
  readonly plan: Plan;
  readonly side: number;
  /** Stitches placed in a spot by eye; null leaves it to the spacing. */
  readonly onPlace: (spot: number, stitches: number | null, was: number) => void;
  readonly onClear: () => void;
  /** Rows are to begin or to end in a spot; null where the border goes all the way around. */
  readonly onEnd: ((spot: number, which: 'from' | 'to') => void) | null;
}

/** A side unrolled, spot by spot, with how many stitches each takes. A spot that is touched can take more or fewer, by eye. */
export const Run = memo(function Run({ plan, side, onPlace, onClear, onEnd }: RunProps) {
  const s = plan.sides[side]!;
  const [touched, setTouched] = useState<{ readonly side: number; readonly spot: number } | null>(null);
  const { language } = plan.hem.preferences;
  const usual = useMemo(() => commonestByKind(s.edge.spots, s.placement), [s]);
  const longest = Math.max(...s.edge.spots.map((x) => x.lengthMm), 0.1);
  const words = placementWords(s.placement, s.edge, language);
  const spot = touched?.side === side && touched.spot < s.edge.spots.length ? touched.spot : null;
  const touchSpot = useCallback((at: number): void => setTouched({ side, spot: at }), [side]);
  const touch = (to: number): void =>
    setTouched({ side, spot: Math.min(s.edge.spots.length - 1, Math.max(0, to)) });
  const place = (stitches: number | null): void => {
    if (spot !== null && !isAtJoin(s.edge, spot)) onPlace(spot, stitches, s.placement[spot]!);
  };
  const onKey = (e: KeyboardEvent): void => {
    const here = spot ?? 0;
    const keys: Readonly<Record<string, () => void>> = {
      ArrowRight: () => touch(spot === null ? 0 : here + 1),
      ArrowLeft: () => touch(here - 1),
      '+': () => spot !== null && place(Math.min(MOST, s.placement[here]! + 1)),
      '-': () => spot !== null && place(Math.max(0, s.placement[here]! - 1)),
      '0': () => place(0),
      Backspace: () => place(null),
    };
    const act = keys[e.key];
    if (!act || e.ctrlKey || e.metaKey || e.altKey) return;
    e.preventDefault();
    e.stopPropagation();
    act();
  };
  return (
    <div className={styles.run}>
      <p>
        <strong>{sideLabel(plan, side)}:</strong> {words}.
      </p>
      <div
        className={styles.scroll}
        tabIndex={0}
        role="application"
        aria-roledescription="row of stitches"
        aria-label={`${sideLabel(plan, side)}, stitch by stitch: ${words}. Arrow keys go along it; plus, minus and 0 change the count there.`}
        onKeyDown={onKey}
      >
        <svg width={s.edge.spots.length * PITCH + 2} height={74} aria-hidden="true">
          {s.edge.spots.map((x, i) => (
            <Spot
              key={i}
              at={i}
              kind={lookOf(x)}
              title={`${spotName(s.edge, i)}, ${spotNoun(x, language)}: ${s.placement[i]!}`}
              className={[
                styles.spot,
                OPEN.has(lookOf(x)) ? styles.open : x.kind === 'seam' ? styles.seam : '',
                s.placement[i] === usual.get(usualKey(x)) ? '' : styles.changed,
                s.choice.spots[String(i)] === undefined ? '' : styles.byEye,
                i === spot ? styles.here : '',
              ].join(' ')}
              tall={8 + 22 * (x.lengthMm / longest)}
              count={s.placement[i]!}
              says={s.placement[i] !== usual.get(usualKey(x))}
              number={x.kind === s.edge.spots[0]!.kind ? markedNumber(spotNumber(s.edge, i)) : null}
              onTouch={touchSpot}
            />
          ))}
        </svg>
      </div>
      <p className={`${styles.byEye} small`} aria-live="polite">
        {spot === null ? (
          <span className="quiet">Touch any of these to put one more, one fewer or none there, by eye.</span>
        ) : isAtJoin(s.edge, spot) ? (
          <span className="quiet">
            This belongs to a seam: touch it in the drawing to choose how it is crossed.
          </span>
        ) : (
          <>
            <span>
              {spotName(s.edge, spot)}: {plural(s.placement[spot]!, 'stitch')}
            </span>
            <Button
              size="small"
              disabled={s.placement[spot]! >= MOST}
              onClick={() => place(s.placement[spot]! + 1)}
            >
              One more
            </Button>
            <Button
              size="small"
              disabled={s.placement[spot] === 0}
              onClick={() => place(s.placement[spot]! - 1)}
            >
              One fewer
            </Button>
            <Button size="small" disabled={s.placement[spot] === 0} onClick={() => place(0)}>
              None
            </Button>
            {onEnd &&
              endsOn(plan, side).map((which) => (
                <Button
                  key={which}
                  size="small"
                  onClick={() => {
                    onEnd(spot, which);
                    // The places are other ones then.
                    setTouched(null);
                  }}
                >
                  Rows {which === 'from' ? 'begin' : 'end'} here
                </Button>
              ))}
            {s.choice.spots[String(spot)] !== undefined && (
              <Button size="small" type="text" onClick={() => place(null)}>
                As spaced
              </Button>
            )}
          </>
        )}
        {Object.keys(s.choice.spots).length > 0 && (
          <Button size="small" type="text" onClick={onClear}>
            Nothing by eye here
          </Button>
        )}
      </p>
    </div>
  );
});

/** Ends of rows that lie on a side. */
function endsOn({ body }: Plan, side: number): readonly ('from' | 'to')[] {
  const { part, turns } = body.outline;
  return [
    ...(part?.first === side ? (['from'] as const) : []),
    ...(part?.last === (side + 1) % turns.length ? (['to'] as const) : []),
  ];
}

interface SpotProps {
  readonly at: number;
  readonly title: string;
  readonly kind: SpotKind;
  readonly className: string;
  /** Height of its box, px. */
  readonly tall: number;
  readonly count: number;
  /** Whether its count is written out, for being another than usual. */
  readonly says: boolean;
  readonly number: number | null;
  readonly onTouch: (at: number) => void;
}

/** Where the boxes of the drawing stand, px from its top. */
const GROUND = 44;

/** A corner that is turned in a stitch looks as any stitch. */
const lookOf = ({ kind, chains }: { readonly kind: SpotKind; readonly chains?: number }): SpotKind =>
  kind === 'corner space' && chains === 0 ? 'stitch top' : kind;

/** Places as the hook meets them, drawn as they look from the edge: a row lying on its side, the V of a top, an opening, a block, a seam. */
function shapeOf(kind: SpotKind, tall: number): string {
  const [left, right, middle, top] = [1.5, PITCH - 2.5, (PITCH - 1) / 2, GROUND - tall];
  switch (kind) {
    case 'gap':
    case 'block gap':
    case 'between stitches':
    case 'corner space':
      return `M${left} ${top}V${GROUND - 3}Q${middle} ${GROUND + 3} ${right} ${GROUND - 3}V${top}`;
    case 'seam':
      return `M${middle} ${GROUND - 26}V${GROUND}`;
    case 'hole':
      return `M${middle - 3.5} ${GROUND - 6}a3.5 3.5 0 1 0 7 0a3.5 3.5 0 1 0 -7 0`;
    case 'foundation chain':
      return `M${left} ${GROUND - 5}a${middle - left} 5 0 1 0 ${right - left} 0a${middle - left} 5 0 1 0 ${left - right} 0`;
    case 'bound-off stitch':
    case 'cast-on stitch':
    case 'slipped edge stitch':
    case 'stitch top':
    case 'cluster stitch':
    case 'counted stitch':
      return `M${left} ${top}L${middle} ${GROUND}L${right} ${top}L${middle} ${top + 5}Z`;
    case 'knit row end':
    case 'ridge':
    case 'row end':
    case 'block':
      return `M${left} ${top}H${right}V${GROUND}H${left}Z`;
  }
}

/** One spot of the edge. There are many, and a step of the count changes few of them. */
const Spot = memo(function Spot({
  at,
  title,
  kind,
  className,
  tall,
  count,
  says,
  number,
  onTouch,
}: SpotProps) {
  const dots = Math.min(count, 4);
  return (
    <g transform={`translate(${at * PITCH + 1} 0)`} className={className} onClick={() => onTouch(at)}>
      <title>{title}</title>
      <rect className={styles.reach} width={PITCH} height={74} />
      <path d={shapeOf(kind, tall)} />
      {Array.from({ length: dots }, (_, k) => (
        <circle key={k} cx={PITCH / 2 + (k - (dots - 1) / 2) * 3.6} cy={8} r={1.7} />
      ))}
      {says && (
        <text x={PITCH / 2} y={57}>
          {count}
        </text>
      )}
      {number !== null && (
        <text className={styles.number} x={PITCH / 2} y={71}>
          {number}
        </text>
      )}
    </g>
  );
});

/** The first is numbered, and every tenth. */
const markedNumber = (number: number): number | null => (number === 1 || number % 10 === 0 ? number : null);

type Spots = Plan['sides'][number]['edge']['spots'];

const usualKey = (spot: Spots[number]): string => `${spot.kind} ${spot.stitch ?? ''}`;

/** The commonest count of every kind of spot. */
function commonestByKind(spots: Spots, counts: readonly number[]): ReadonlyMap<string, number> {
  const tallies = new Map<string, Map<number, number>>();
  spots.forEach((spot, i) => {
    const tally = tallies.get(usualKey(spot)) ?? new Map<number, number>();
    tally.set(counts[i]!, (tally.get(counts[i]!) ?? 0) + 1);
    tallies.set(usualKey(spot), tally);
  });
  return new Map([...tallies].map(([kind, tally]) => [kind, [...tally].sort((a, b) => b[1] - a[1])[0]![0]]));
}
