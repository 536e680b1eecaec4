import { memo, useMemo } from 'react';
import { placementWords, spotNumber } from '../../core/base/run.ts';
import { spotNoun } from '../../core/base/schools.ts';
import type { Plan } from '../../core/plan.ts';
import './run.css';

/** Width of a spot in the drawing, px; a longer side scrolls. */
const PITCH = 15;

export interface RunProps {
  readonly plan: Plan;
  readonly side: number;
}

/** A side unrolled, spot by spot, with how many stitches each takes. */
export const Run = memo(function Run({ plan, side }: RunProps) {
  const s = plan.sides[side]!;
  const { language } = plan.hem.preferences;
  const usual = useMemo(() => commonestByKind(s.edge.spots, s.placement), [s]);
  const longest = Math.max(...s.edge.spots.map((x) => x.lengthMm), 0.1);
  const words = placementWords(s.placement, s.edge);
  return (
    <div className="run">
      <p>
        <strong>Side {s.name}:</strong> {words}.
      </p>
      <div className="run-scroll" tabIndex={0} role="img" aria-label={`Side ${s.name}, unrolled: ${words}`}>
        <svg width={s.edge.spots.length * PITCH + 2} height={74}>
          {s.edge.spots.map((spot, i) => {
            const count = s.placement[i]!;
            const number = spotNumber(s.edge, i);
            const changed = count !== usual.get(usualKey(spot));
            const tall = 8 + 22 * (spot.lengthMm / longest);
            const dots = Math.min(count, 4);
            return (
              <g
                key={i}
                transform={`translate(${i * PITCH + 1} 0)`}
                className={`spot${changed ? ' changed' : ''} ${spot.kind.replace(' ', '-')}`}
              >
                <title>{`${s.edge.numbering.noun} ${number}, ${spotNoun(spot, language)}: ${count}`}</title>
                <rect x={0.5} width={PITCH - 2} y={44 - tall} height={tall} rx={2} />
                {Array.from({ length: dots }, (_, k) => (
                  <circle key={k} cx={PITCH / 2 + (k - (dots - 1) / 2) * 3.6} cy={8} r={1.7} />
                ))}
                {changed && (
                  <text x={PITCH / 2} y={57}>
                    {count}
                  </text>
                )}
                {(number % 10 === 0 || number === 1) && (
                  <text className="number" x={PITCH / 2} y={71}>
                    {number}
                  </text>
                )}
              </g>
            );
          })}
        </svg>
      </div>
    </div>
  );
});

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
