import { capital } from '../../core/terms/words.ts';
import { useMemo } from 'react';
import { scaleLinear } from 'd3-scale';
import { sideWords } from '../../core/print/placeWords.ts';
import { roundIn } from '../../core/plan/roundNames.ts';
import { sidesWorked, type Plan } from '../../core/plan/types.ts';
import { estimatesOf, type Estimates } from '../../core/evidence/estimates.ts';
import { flatBasisWords, notKnownFlatWords, tryFirstWords } from '../../core/evidence/estimateWords.ts';
import { bodyLiesWords } from '../../core/document/partWords.ts';
import { flatnessWords } from '../../core/flat/flatWords.ts';
import { percentWords } from '../../core/say/measures.ts';
import styles from './rounds.module.css';

const WIDTH = 250;
const ROW = 20;
const LEFT = 34;

/** Strain of every round and side: to the right it ripples, to the left it draws in; an outline where it cannot be known. */
export function StrainStrip({ plan }: { readonly plan: Plan }) {
  const largest = Math.max(0.06, ...plan.rounds.flatMap((r) => r.sides.map((s) => Math.abs(s.strain))));
  const x = scaleLinear().domain([-largest, largest]).range([LEFT, WIDTH]).clamp(true);
  const estimates = useMemo(() => estimatesOf(plan), [plan]);
  const notKnown = notKnownFlatWords(plan, estimates);
  const worst = worstWords(plan, estimates);
  const worked = sidesWorked(plan);
  const limits = plan.flatLimits;
  const height = plan.rounds.length * ROW + 22;
  const band = (limit: number): { x: number; width: number } => ({
    x: x(-limit),
    width: x(limit) - x(-limit),
  });
  return (
    <section className={styles.strain} aria-label="Flatness">
      <h2>Will it lie flat?</h2>
      <svg
        viewBox={`0 0 ${WIDTH} ${height}`}
        width="100%"
        role="img"
        aria-label={`How flat each round lies: ${worst}`}
      >
        <rect className={styles.bandBlocks} {...band(limits.blocks)} y={0} height={height - 20} />
        <rect className={styles.bandFlat} {...band(limits.flat)} y={0} height={height - 20} />
        <line className={styles.zero} x1={x(0)} x2={x(0)} y1={0} y2={height - 20} />
        {[...plan.rounds].reverse().map((round, row) => (
          <g key={round.number} transform={`translate(0 ${row * ROW})`}>
            <text x={0} y={14}>
              {round.number === 0 ? 'base' : round.number}
            </text>
            {worked.map((i, k) => {
              const s = round.sides[i]!;
              const step = (ROW - 4) / worked.length;
              const isKnown = estimates.rounds[round.number]!.sides[i]!.lies !== null;
              return (
                <rect
                  key={i}
                  className={`${s.strain > 0 ? styles.ripple : styles.cup} ${isKnown ? '' : styles.open}`}
                  x={Math.min(x(0), x(s.strain))}
                  width={Math.max(1, Math.abs(x(s.strain) - x(0)))}
                  y={2 + k * step}
                  height={Math.max(1.5, step - 1)}
                >
                  <title>{`${round.name}, ${sideWords(plan, i)}: ${percentWords(s.strain)}, ${flatnessWords(s.verdict)}${isKnown ? '' : ' if your stitches come out as estimated'}`}</title>
                </rect>
              );
            })}
          </g>
        ))}
        <text className="end" x={LEFT} y={height - 4}>
          ← pulls in
        </text>
        <text className={styles.right} x={WIDTH} y={height - 4}>
          ripples →
        </text>
      </svg>
      <p className="quiet small">
        {worst} {bodyLiesWords(plan.hem)} Up to {Number((limits.flat * 100).toFixed(1))}% off lies flat, up to{' '}
        {Number((limits.blocks * 100).toFixed(1))}% flattens with blocking: {flatBasisWords(plan)}.{' '}
        {tryFirstWords(plan.hem.preferences.length)} {notKnown && `${notKnown} Those bars are only outlined.`}
      </p>
    </section>
  );
}

function worstWords(plan: Plan, estimates: Estimates): string {
  let worst = { round: plan.rounds[0]!, side: sidesWorked(plan)[0]!, strain: 0 };
  for (const round of plan.rounds) {
    round.sides.forEach((s, side) => {
      if (Math.abs(s.strain) > Math.abs(worst.strain)) worst = { round, side, strain: s.strain };
    });
  }
  const { verdict } = worst.round.sides[worst.side]!;
  const isKnown = estimates.rounds[worst.round.number]!.sides[worst.side]!.lies !== null;
  const round = capital(roundIn(plan, worst.round.number));
  const off = `${(Math.abs(worst.strain) * 100).toFixed(1)}% too ${worst.strain > 0 ? 'long' : 'short'}`;
  return `${round} ${flatnessWords(verdict)}${isKnown ? '' : ' as estimated'}, ${off} on ${sideWords(plan, worst.side)}.`;
}
