import { useMemo } from 'react';
import { placementWords, spotNumber } from '../../core/base/run.ts';
import { spotNoun } from '../../core/base/schools.ts';
import type { Plan } from '../../core/plan.ts';
import './run.css';

/** Spots shown one by one; a longer side scrolls. */
const PITCH = 15;

/** A side unrolled, spot by spot, with how many stitches each takes. */
export function Run({ plan, side }: { readonly plan: Plan; readonly side: number }) {
  const s = plan.sides[side]!;
  const { language } = plan.hem.preferences;
  const usual = useMemo(() => commonest(s.placement), [s.placement]);
  const longest = Math.max(...s.edge.spots.map((x) => x.lengthMm));
  return (
    <div className="run">
      <p>
        <strong>Side {s.name}:</strong> {placementWords(s.placement, s.edge)}.
      </p>
      <div
        className="run-scroll"
        tabIndex={0}
        role="img"
        aria-label={`Side ${s.name}, unrolled: ${placementWords(s.placement, s.edge)}`}
      >
        <svg width={s.edge.spots.length * PITCH + 2} height={74}>
          {s.edge.spots.map((spot, i) => {
            const count = s.placement[i]!;
            const number = spotNumber(s.edge, i);
            const changed = count !== usual;
            const tall = 8 + 22 * (spot.lengthMm / longest);
            return (
              <g
                key={i}
                transform={`translate(${i * PITCH + 1} 0)`}
                className={changed ? 'spot changed' : 'spot'}
              >
                <title>{`${s.edge.numbering.noun} ${number}, ${spotNoun(spot, language)}: ${count}`}</title>
                <rect x={0.5} width={PITCH - 2} y={44 - tall} height={tall} rx={2} />
                {Array.from({ length: Math.min(count, 4) }, (_, k) => (
                  <circle key={k} cx={PITCH / 2 + (k - (Math.min(count, 4) - 1) / 2) * 3.6} cy={8} r={1.7} />
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
}

function commonest(counts: readonly number[]): number {
  const tallies = new Map<number, number>();
  for (const c of counts) tallies.set(c, (tallies.get(c) ?? 0) + 1);
  return [...tallies].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 1;
}
